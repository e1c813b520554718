import fc from 'fast-check'

/** Properties are tried with the same draws each time; `OSTLER_SEED=any`, or a number, tries others. */
const seed = process.env['OSTLER_SEED']
if (seed !== 'any') fc.configureGlobal({ seed: Number(seed ?? 20_260_302) })
