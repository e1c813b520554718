import { fact } from '../../quantities/facts/index.ts'
import type { Words } from '../../quantities/facts/index.ts'
import { problemsIn, tidied } from '../fields/index.ts'
import type { Class, Problem } from '../fields/index.ts'
import { isTame } from './tame.ts'
import type { Tameness } from './tame.ts'

export type Parsed<T> = { ok: true; value: T } | { ok: false; problems: Problem[] }

const refuse = (sentence: Words): { ok: false; problems: Problem[] } => ({
  ok: false,
  problems: [{ path: '', value: '', sentence }],
})

/** Checks a value from outside against a class; unknown names are refused. Never throws; what it gives is plain data. */
export function parseForm<T extends object>(form: Class<T>, value: unknown, tameness?: Tameness): Parsed<T> {
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    return refuse(fact('checks.object-with-named-values'))
  if (!isTame(value, tameness)) return refuse(fact('checks.this-too-deep-or'))
  const problems = problemsIn(form, value)
  return problems.length > 0 ? { ok: false, problems } : { ok: true, value: tidied(form, value as T) }
}
