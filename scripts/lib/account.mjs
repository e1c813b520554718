import { chownSync, existsSync, lstatSync, readFileSync, readdirSync } from 'node:fs'
import { spawnSync } from 'node:child_process'
import { join } from 'node:path'

/**
 * The account that runs the database: PostgreSQL refuses to run as root, so root lends it another account.
 * Empty for an ordinary user, who runs it as themselves.
 */
export function databaseAccount() {
  if (process.getuid?.() !== 0) return {}
  const lines = readFileSync('/etc/passwd', 'utf8')
    .split('\n')
    .map(line => line.split(':'))
  const entry = lines.find(([name]) => name === 'postgres') ?? lines.find(([name]) => name === 'nobody')
  if (!entry) return {}
  return { uid: Number(entry[2]), gid: Number(entry[3]) }
}

/** Whether that account may pass into a folder. */
export const canEnter = (dir, account) => spawnSync('/usr/bin/test', ['-x', dir], { ...account, cwd: '/' }).status === 0

export function giveTo(path, { uid, gid }) {
  if (uid === undefined || !existsSync(path)) return
  const walk = at => {
    chownSync(at, uid, gid)
    if (lstatSync(at).isDirectory()) for (const name of readdirSync(at)) walk(join(at, name))
  }
  walk(path)
}
