import { MAX_CUPS, freshId, plainCup } from '@ostler/core'
import type { Edit, Move, Plan, Pour } from '@ostler/core'
import { lastingStore, readJson, writeJson } from '../../kept/storage.ts'

/** Pours copied with their tools and what their cups are like: pasted here, into another batch, or in another tab. */
interface Copied {
  pours: Pour[]
  moves: Move[]
  cups: { id: string; name: string; hex: string }[]
}

const KEY = 'ostler-copied-pours'

export function copyPours(plan: Plan, ids: readonly string[], hexOf: (cup: string) => string): number {
  const pours = plan.score.filter(pour => ids.includes(pour.id))
  const moves = plan.moves.filter(move => ids.includes(move.after))
  const cups = plan.cups
    .filter(cup => pours.some(pour => pour.cup === cup.id))
    .map(({ id, name }) => ({ id, name, hex: hexOf(id) }))
  return writeJson(lastingStore(), KEY, { pours, moves, cups } satisfies Copied) ? pours.length : 0
}

/** What was copied, or null. What is wrong with it the plan's own checks will say. */
export function copiedPours(): Copied | null {
  const found = readJson<Copied>(lastingStore(), KEY)
  return found && found.pours?.length > 0 ? found : null
}

/** Edits that paste after a place: cups are found by id and name, else by name, else added. */
export function pasteEdits({ pours, moves, cups }: Copied, plan: Plan, at: number): Edit[] {
  const edits: Edit[] = []
  const all = plan.cups.map(({ id, name }) => ({ id, name }))
  const ids = new Map<string, string>()
  for (const cup of cups) {
    const same = all.find(one => one.id === cup.id && one.name === cup.name) ?? all.find(one => one.name === cup.name)
    if (same) {
      ids.set(cup.id, same.id)
      continue
    }
    if (all.length >= MAX_CUPS) continue
    const id = freshId('cup', all)
    all.push({ id, name: cup.name })
    ids.set(cup.id, id)
    edits.push({ kind: 'add-cup', cup: { ...plainCup(id, cup.name), wish: cup.hex } })
  }
  const own = pours.map(pour => ({ ...pour, cup: ids.get(pour.cup) ?? plan.cups[0]!.id }))
  return [...edits, { kind: 'paste-pours', at, pours: own, moves }]
}
