import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { DATA } from './paths.mjs'
import { Told } from './say.mjs'

/** When a living process began, in clock ticks since boot: a process id alone may be used again. Null: it does not live. */
function beganAt(pid) {
  try {
    const fields = readFileSync(`/proc/${pid}/stat`, 'utf8')
      .replace(/^.*\) /s, '')
      .split(' ')
    // A dead process that nobody has reaped yet runs no more.
    return fields[0] === 'Z' || fields[0] === 'X' ? null : fields[19]
  } catch {
    return null
  }
}

/**
 * One Ostler at a time in a checkout: a second start would stop the first one's database.
 * @returns a function that lets go
 */
export function holdLock() {
  mkdirSync(DATA, { recursive: true })
  const file = join(DATA, 'running')
  const mine = `${process.pid} ${beganAt(process.pid)}`
  for (let tries = 0; tries < 3; tries += 1) {
    try {
      writeFileSync(file, mine, { flag: 'wx' })
      return () => rmSync(file, { force: true })
    } catch (error) {
      if (error.code !== 'EEXIST') throw error
      const [pid, began] = readFileSync(file, 'utf8').split(' ')
      if (began && beganAt(pid) === began) throw new Told(`Ostler already runs from this folder (process ${pid}).`)
      rmSync(file, { force: true })
    }
  }
  throw new Told('Another start is under way in this folder. Try again in a moment.')
}
