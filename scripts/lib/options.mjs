// What a command is given: files that are read, options that are taken out of its arguments.
import { readFileSync } from 'node:fs'
import { resolve } from 'node:path'
import { Told } from './say.mjs'

export function textOf(file) {
  try {
    return readFileSync(resolve(process.env.INIT_CWD ?? '.', file), 'utf8')
  } catch (error) {
    throw new Told(`${file} cannot be read (${error.code ?? 'unknown'}).`)
  }
}

export function jsonFrom(file) {
  try {
    return JSON.parse(textOf(file))
  } catch (error) {
    throw error instanceof Told ? error : new Told(`${file} is not JSON.`)
  }
}

/** What follows an option; the two are taken out of the arguments. */
export function optionFrom(args, name) {
  const at = args.indexOf(name)
  return at >= 0 ? args.splice(at, 2)[1] : undefined
}

/** One line a problem: path, value, sentence. */
export const listed = (problems, say) =>
  problems.map(({ path, value, sentence }) => `${path || '(document)'}\t${JSON.stringify(value)}\t${say(sentence)}`)

/** The shelf that a command is asked about; without a file the usual one. */
export function shelfFrom(core, shelfFile) {
  const made = shelfFile ? core.readShelf(jsonFrom(shelfFile)) : { ok: true, shelf: core.referenceShelf() }
  if (!made.ok) throw new Told(`${shelfFile} is not a shelf:\n${listed(made.problems, core.say).join('\n')}`)
  return made.shelf
}

/** The plan and the shelf that a command is asked about. */
export function planAndShelf(core, planFile, shelfFile) {
  const shelf = shelfFrom(core, shelfFile)
  const read = core.readPlanText(textOf(planFile))
  if (!read.ok)
    throw new Told(`${planFile} is not a plan that can be forecast:\n${listed(read.problems, core.say).join('\n')}`)
  return { plan: read.plan, shelf }
}
