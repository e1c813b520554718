import { fact } from '../quantities/facts/index.ts'
import type { Plan } from '../plan/index.ts'
import type { WeighLine } from './line.ts'

const PART = /^scent:(?:(.+):)?[^:]+$/

/** The cup whose own private blend a line is a part of; empty: the batch's; null: it is none. */
function privateOf({ kind, key }: WeighLine, plan: Plan): string | null {
  if (kind !== 'scent') return null
  const cup = PART.exec(key)?.[1] ?? ''
  const scent = cup === '' ? plan.scent : plan.cups.find(one => one.id === cup)?.ownScent
  return scent?.isPrivate === true ? cup : null
}

/** The weigh list as it may be printed or shared: a private blend is one line, by its whole weight. */
export function printedLines(lines: readonly WeighLine[], plan: Plan): WeighLine[] {
  const merged = new Map<string, WeighLine>()
  return lines.flatMap((line): WeighLine[] => {
    const of = privateOf(line, plan)
    if (of === null) return [line]
    const whole = merged.get(of)
    if (whole) {
      whole.massG = Number((whole.massG + line.massG).toFixed(6))
      whole.exactG += line.exactG
      return []
    }
    const cup = plan.cups.find(one => one.id === of)
    const first: WeighLine = {
      ...line,
      key: `scent:${of}:private`,
      item: null,
      rounding: '',
      most: null,
      what: cup ? fact('weighing.private-blend-for', { cup: cup.name }) : fact('weighing.private-blend'),
    }
    merged.set(of, first)
    return [first]
  })
}
