import { spawn } from 'node:child_process'
/** One line to the person at the terminal. */
export const say = text => console.error(`ostler: ${text}`)

/** A failure that is told in one sentence, without a stack. */
export class Told extends Error {}

/** Runs a script's main function; a told failure prints its sentence and ends with 1. */
export async function run(main) {
  try {
    await main()
  } catch (error) {
    if (error instanceof Told) say(error.message)
    else console.error(error)
    process.exit(1)
  }
}

/** Tells every few seconds that something still goes on: what it is waits for a program that says nothing. */
export function whileTelling(what, act) {
  const began = Date.now()
  const text = JSON.stringify(`ostler: ${what}, `)
  const code = `setInterval(() => console.error(${text} + Math.round((Date.now() - ${began}) / 1000) + ' s so far …'), 15000)`
  const teller = spawn(process.execPath, ['-e', code], { stdio: ['ignore', 'ignore', 'inherit'] })
  try {
    return act()
  } finally {
    teller.kill()
  }
}
