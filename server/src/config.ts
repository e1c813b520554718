import { join } from 'node:path'
import { projectDir } from './project-dir.ts'

/** Settings from the environment. */
export interface Config {
  databaseUrl: string
  host: string
  port: number
  /** Reached only from this machine. */
  isLoopback: boolean
  /** Load the made-up workshop where there is none, and let its member sign in. */
  demo: boolean
  /** Send the session cookie over https only. */
  secureCookie: boolean
  /** Proxies in front whose word on the visitor's address is taken; 0: none. */
  trustedProxies: number
  /** Names that the server answers to; empty: any. On loopback a name that is not this machine's is refused. */
  hosts: readonly string[]
  /** Folder of the built pages. */
  webDir: string
  logLevel: string
  /** Folder of the daily backups; empty: whoever looks after the database makes them. */
  backupDir: string
}

const LOOPBACK = new Set(['127.0.0.1', 'localhost', '::1'])

/**
 * Reads the settings. The demo is on by default on loopback, and elsewhere only with OSTLER_DEMO=1.
 *
 * @throws Error naming the variable that is missing or wrong
 */
export function configFrom(env: NodeJS.ProcessEnv): Config {
  const databaseUrl = env['DATABASE_URL']
  if (!databaseUrl) throw new Error('DATABASE_URL is not set; `npm start` sets it.')
  const port = Number(env['PORT'] ?? 4310)
  if (!Number.isInteger(port) || port < 0 || port > 65535)
    throw new Error(`PORT "${env['PORT']}" is not a port number.`)
  const host = env['HOST'] ?? '127.0.0.1'
  const isLoopback = LOOPBACK.has(host)
  const wanted = env['OSTLER_DEMO']
  const trustedProxies = Number(env['OSTLER_TRUST_PROXY'] ?? 0)
  if (!Number.isInteger(trustedProxies) || trustedProxies < 0 || trustedProxies > 10)
    throw new Error('OSTLER_TRUST_PROXY is the number of proxies in front, 0 to 10.')
  const hosts = (env['OSTLER_HOSTS'] ?? '')
    .split(',')
    .map(name => name.trim().toLowerCase())
    .filter(name => name !== '')
  return {
    databaseUrl,
    host,
    port,
    isLoopback,
    demo: wanted === '1' || (isLoopback && wanted !== '0'),
    trustedProxies,
    hosts: hosts.length > 0 || !isLoopback ? hosts : [...LOOPBACK, '[::1]'],
    secureCookie: env['OSTLER_SECURE_COOKIE'] === '1',
    webDir: env['OSTLER_WEB_DIR'] ?? join(projectDir(), 'web', 'dist'),
    logLevel: env['LOG_LEVEL'] ?? 'warn',
    backupDir: env['OSTLER_BACKUPS'] ?? '',
  }
}
