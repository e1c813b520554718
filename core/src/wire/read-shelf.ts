import { fact } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import { parseForm } from '../document/checks/index.ts'
import type { Problem } from '../document/fields/index.ts'
import { checkItem, completed, referenceShelf, shelfKinds } from '../shelf/index.ts'
import type { Shelf, ShelfItem } from '../shelf/index.ts'
import { RulesForm, TimesForm, WindowsForm } from './forms.ts'

export type ShelfResult = { ok: true; shelf: Shelf } | { ok: false; problems: Problem[] }

const refuse = (path: string, value: unknown, sentence: Words): ShelfResult => ({
  ok: false,
  problems: [{ path, value, sentence }],
})

/**
 * Checks a value that claims to be a shelf, e.g. from a file. What it lacks is taken from the reference shelf; every item is
 * checked like one that is saved. Never throws.
 */
export function readShelf(value: unknown): ShelfResult {
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    return refuse('', '', fact('wire.shelf-one-json-object'))
  const given = value as Record<string, unknown>
  const known: readonly string[] = [...shelfKinds, 'rules', 'windows', 'times', 'evidence']
  const odd = Object.keys(given).find(key => !known.includes(key))
  if (odd !== undefined) return refuse(odd.slice(0, 40), '', fact('wire.shelf-has-no', { odd: odd.slice(0, 40) }))
  const problems: Problem[] = []
  const shelf: Record<string, unknown> = { ...referenceShelf() }
  for (const kind of shelfKinds) {
    const list = given[kind]
    if (list === undefined) continue
    if (!Array.isArray(list)) return refuse(kind, '', fact('wire.are-list', { kind }))
    shelf[kind] = list.flatMap((one: unknown, i): ShelfItem[] => {
      const whole = typeof one === 'object' && one !== null ? completed(kind, one) : one
      const checked = checkItem(kind, whole)
      if (checked.ok) return [checked.value]
      problems.push(...checked.problems.map(problem => ({ ...problem, path: `${kind}[${i}].${problem.path}` })))
      return []
    })
  }
  const forms = [
    ['rules', RulesForm],
    ['windows', WindowsForm],
    ['times', TimesForm],
  ] as const
  for (const [key, form] of forms) {
    if (given[key] === undefined) continue
    const read = parseForm<object>(form, { [key]: given[key] })
    if (read.ok) shelf[key] = (read.value as Record<string, unknown>)[key]
    else problems.push(...read.problems)
  }
  const { evidence = [] } = given
  if (!Array.isArray(evidence) || evidence.some(one => !isEvidence(one)))
    return refuse('evidence', '', fact('wire.evidence-list-what-batches'))
  shelf['evidence'] = evidence
  return problems.length > 0 ? { ok: false, problems } : { ok: true, shelf: shelf as unknown as Shelf }
}

function isEvidence(value: unknown): boolean {
  if (typeof value !== 'object' || value === null) return false
  const { batch, at, recipe, observations } = value as Record<string, unknown>
  return (
    [batch, at, recipe].every(text => typeof text === 'string') &&
    Array.isArray(observations) &&
    observations.every(one => {
      const { value: found, variance, scents } = (one ?? {}) as Record<string, unknown>
      return Number.isFinite(found) && Number.isFinite(variance) && Number(variance) > 0 && Array.isArray(scents)
    })
  )
}
