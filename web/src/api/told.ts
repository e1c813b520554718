import type { FieldValues, Path, UseFormSetError } from 'react-hook-form'
import { ApiError } from './client.ts'

/** A refusal of a form: it stands beside its field where it names one of them, else under all. */
export function told<T extends FieldValues>(
  error: unknown,
  fields: readonly Path<T>[],
  setError: UseFormSetError<T>,
): void {
  const path = error instanceof ApiError ? error.answer.problems?.[0]?.path : undefined
  const field = fields.find(one => one === path)
  setError(field ?? 'root', { message: (error as Error).message })
}
