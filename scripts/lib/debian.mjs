import { spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { Told, say } from './say.mjs'

const NO_CLUSTER = '/etc/postgresql-common/createcluster.d/no-main.conf'
let updated = false

function apt(args) {
  return spawnSync('apt-get', args, {
    encoding: 'utf8',
    env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    maxBuffer: 1 << 26,
  })
}

/**
 * Installs a Debian package where that is allowed.
 * @throws Told naming the package where it is not
 */
function install(name, why) {
  const byHand = `Ostler needs Debian's package "${name}" (${why}). Install it with: apt-get install ${name}`
  if (process.getuid?.() !== 0 || !existsSync('/usr/bin/apt-get')) throw new Told(byHand)
  say(`installing Debian's package ${name} (${why}) …`)
  if (!updated) apt(['update'])
  updated = true
  const { status, stderr } = apt(['install', '-y', '--no-install-recommends', name])
  if (status !== 0) throw new Told(`${byHand}\n${(stderr ?? '').trim().split('\n').slice(-3).join('\n')}`)
}

const VERSIONS = '/usr/lib/postgresql'

function newestPostgres() {
  if (!existsSync(VERSIONS)) return null
  const dirs = readdirSync(VERSIONS)
    .sort((a, b) => Number(b) - Number(a))
    .map(version => join(VERSIONS, version, 'bin'))
  return dirs.find(dir => existsSync(join(dir, 'initdb')) && existsSync(join(dir, 'pg_ctl'))) ?? null
}

/** Folder of PostgreSQL's programs; installs them without creating a cluster of Debian's own. */
export function postgresBin() {
  const found = newestPostgres()
  if (found) return found
  if (process.getuid?.() === 0 && !existsSync(NO_CLUSTER)) {
    mkdirSync('/etc/postgresql-common/createcluster.d', { recursive: true })
    writeFileSync(NO_CLUSTER, 'create_main_cluster = false\n')
  }
  install('postgresql', 'the database')
  const bin = newestPostgres()
  if (!bin) throw new Told('PostgreSQL was installed but its programs are not below /usr/lib/postgresql.')
  return bin
}

/** Debian's Chromium, by package: the one without windows does the same with less. */
const CHROMIUMS = ['chromium-headless-shell', 'chromium']
const pathOf = name => `/usr/bin/${name}`
const WHY = 'the browser that the tests drive'

/** Where Debian's Chromium is; installs it where it is missing. */
export function needChromium() {
  const found = CHROMIUMS.find(name => existsSync(pathOf(name)))
  if (found) return pathOf(found)
  const [first, other] = CHROMIUMS
  try {
    install(first, WHY)
    return pathOf(first)
  } catch {
    // An older Debian has it only with windows.
    install(other, WHY)
    return pathOf(other)
  }
}
