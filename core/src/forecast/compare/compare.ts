import type { Measure, Words } from '../../quantities/facts/index.ts'
import type { Said, FactGroup } from './facts.ts'
import { FACT_GROUPS } from './facts.ts'
import { say } from '../../quantities/words/index.ts'

/** Where two plans differ; null: the other plan has no such thing. */
export interface Difference {
  group: FactGroup
  what: Words
  left: Words | Measure | null
  right: Words | Measure | null
}

const keyOf = ({ group, what }: Said, nth: number): string => `${group} ${say(what)} ${nth}`

/** Facts by name; of two with the same name (cups may share one) the second keeps its place. */
function byName(facts: readonly Said[]): Map<string, Said> {
  const known = new Map<string, Said>()
  for (const fact of facts) {
    let nth = 1
    while (known.has(keyOf(fact, nth))) nth += 1
    known.set(keyOf(fact, nth), fact)
  }
  return known
}

/** What is different between two plans, by group in the order of FACT_GROUPS; what they share is left out. */
export function differences(left: readonly Said[], right: readonly Said[]): Difference[] {
  const [mine, theirs] = [byName(left), byName(right)]
  const keys = new Set([...mine.keys(), ...theirs.keys()])
  const found = [...keys].flatMap((key): Difference[] => {
    const [a, b] = [mine.get(key), theirs.get(key)]
    const { group, what } = (a ?? b)!
    return a && b && say(a.value) === say(b.value)
      ? []
      : [{ group, what, left: a?.value ?? null, right: b?.value ?? null }]
  })
  const order = Object.keys(FACT_GROUPS)
  return found.sort((a, b) => order.indexOf(a.group) - order.indexOf(b.group))
}
