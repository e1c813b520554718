import { plainToInstance } from 'class-transformer'
import { validateSync } from 'class-validator'
import { problemsOf } from './problems.ts'
import { isTame } from './tame.ts'
import type { Problem } from './problems.ts'

export type Parsed<T> = { ok: true; value: T } | { ok: false; problems: Problem[] }

/** Checks a value from outside against a form class; unknown names are refused. */
export function parseForm<T extends object>(form: new () => T, value: unknown): Parsed<T> {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) {
    return { ok: false, problems: [{ path: '', value: '', sentence: 'An object with named values is expected.' }] }
  }
  if (!isTame(value)) {
    const sentence = 'This is too deep or too large, or uses names that it must not.'
    return { ok: false, problems: [{ path: '', value: '', sentence }] }
  }
  const instance = plainToInstance(form, value)
  const errors = validateSync(instance, { whitelist: true, forbidNonWhitelisted: true, forbidUnknownValues: true })
  return errors.length > 0 ? { ok: false, problems: problemsOf(errors) } : { ok: true, value: instance }
}
