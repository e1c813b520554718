import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { CACHE, ROOT } from './paths.mjs'
import { Told, say, whileTelling } from './say.mjs'

const TSC = join(ROOT, 'node_modules', 'typescript7', 'bin', 'tsc')

function filesBelow(dir) {
  if (!existsSync(dir)) return []
  if (statSync(dir).isFile()) return [dir]
  return readdirSync(dir)
    .sort()
    .flatMap(name => (name === 'node_modules' ? [] : filesBelow(join(dir, name))))
}

function hashOf(paths) {
  const hash = createHash('sha256').update(process.version)
  for (const file of paths.flatMap(path => filesBelow(join(ROOT, path)))) {
    hash.update(file.slice(ROOT.length)).update(readFileSync(file))
  }
  return hash.digest('hex')
}

/** Runs a step only when what it depends on has changed since it last succeeded. */
function whenChanged(name, hash, isThere, step) {
  const mark = join(CACHE, `${name}.hash`)
  if (isThere() && existsSync(mark) && readFileSync(mark, 'utf8') === hash) return
  rmSync(mark, { force: true })
  step()
  mkdirSync(CACHE, { recursive: true })
  writeFileSync(mark, hash)
}

function call(what, command, args, env = {}) {
  const { status, stdout, stderr } = spawnSync(command, args, {
    cwd: ROOT,
    encoding: 'utf8',
    env: { ...process.env, ...env },
    maxBuffer: 1 << 26,
  })
  if (status !== 0)
    throw new Told(`${what} failed:\n${`${stdout ?? ''}${stderr ?? ''}`.trim().split('\n').slice(-30).join('\n')}`)
}

/** Packages may stand below a workspace too: a folder of them that is gone is noticed. */
function packagesAreThere() {
  const { packages } = JSON.parse(readFileSync(join(ROOT, 'package-lock.json'), 'utf8'))
  const folders = new Set(
    Object.entries(packages)
      .filter(([path, { link, optional }]) => path.includes('node_modules/') && !link && !optional)
      .map(([path]) => path),
  )
  return [...folders].every(path => existsSync(join(ROOT, path)))
}

/** Packages from the lock file, tools included whatever NODE_ENV says. */
export function ensurePackages() {
  const mark = join(ROOT, 'node_modules', '.ostler-lock')
  const hash = hashOf([
    'package-lock.json',
    'core/package.json',
    'server/package.json',
    'web/package.json',
    'e2e/package.json',
  ])
  if (existsSync(mark) && readFileSync(mark, 'utf8') === hash && packagesAreThere()) return
  say('installing packages: one to three minutes the first time …')
  whileTelling('still installing packages', () =>
    call('Installing packages', 'npm', ['ci', '--include=dev', '--no-audit', '--no-fund']),
  )
  writeFileSync(mark, hash)
}

const CODE = ['tsconfig.base.json', 'core/src', 'core/languages', 'core/package.json', 'core/tsconfig.json']

const KERNEL = 'core/src/kernel'
const WRITTEN = `${KERNEL}/compiled.ts`

/** What is worked out most often, compiled, as a module among the sources. */
function compileKernel() {
  const sources = readdirSync(join(ROOT, KERNEL)).map(name => `${KERNEL}/${name}`)
  whenChanged(
    'kernel',
    hashOf([...sources.filter(path => path !== WRITTEN), 'scripts/lib/kernel.mjs', 'package-lock.json']),
    () => existsSync(join(ROOT, WRITTEN)),
    () => call('Compiling the kernel', process.execPath, [join(ROOT, 'scripts/lib/kernel.mjs')]),
  )
}

export function buildCore() {
  compileKernel()
  const isThere = () => existsSync(join(ROOT, 'core/dist/index.js'))
  whenChanged('core', hashOf([...CODE, 'package-lock.json']), isThere, () =>
    call('Building the core', process.execPath, [TSC, '-b', 'core']),
  )
}

export function buildAll() {
  compileKernel()
  const server = hashOf([...CODE, 'server/src', 'server/test', 'server/tsconfig.json', 'package-lock.json'])
  whenChanged(
    'server',
    server,
    () => existsSync(join(ROOT, 'server/dist/src/main.js')) && existsSync(join(ROOT, 'core/dist/index.js')),
    () => {
      say('building …')
      call('Building the server', process.execPath, [TSC, '-b', 'core', 'server'])
    },
  )
  const web = hashOf([
    ...CODE,
    'web/src',
    'web/public',
    'web/index.html',
    'web/vite.config.ts',
    'web/tsconfig.json',
    'scripts/lib/offline.mjs',
    'package-lock.json',
  ])
  whenChanged(
    'web',
    web,
    () => existsSync(join(ROOT, 'web/dist/index.html')),
    () => {
      say('building the pages …')
      // Whoever asks for the pages, they are those that are served: without this, a test that builds them gets pages without the
      // part that keeps them in the browser.
      const vite = join(ROOT, 'node_modules/vite/bin/vite.js')
      call('Building the pages', process.execPath, [vite, 'build', 'web', '--logLevel', 'warn'], {
        NODE_ENV: 'production',
      })
      call('Writing the service worker', process.execPath, [join(ROOT, 'scripts/lib/offline.mjs')])
    },
  )
}
