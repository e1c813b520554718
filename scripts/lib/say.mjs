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
