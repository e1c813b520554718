import { fact, grams, opening } from '../../quantities/facts/index.ts'
import type { Words } from '../../quantities/facts/index.ts'
import type { Edit, Plan, RestStep } from '../../plan/index.ts'
import { applyEdit, restStep, towels } from '../../plan/index.ts'
import type { Shelf } from '../../shelf/index.ts'
import { quickRest } from './gel-shares.ts'
import type { Work } from './make-it-so.ts'

/** A way to let one cup gel and the others not: water in that cup, less in the pot, and a wrap. */
export interface ContrastWay {
  sentence: Words
  edit: Edit
  /** Share of the cup that gels, and the most that any other does. */
  cupShare: number
  othersShare: number
}

const WATERS_G_PER_KG = [0, 30, 50, 70, 90]
const LYES = [null, 0.36, 0.4] as const
const WRAPS: readonly { words: string; steps: RestStep[] | null }[] = [
  { words: '', steps: null },
  { words: 'under a lid in 2 layers of towel', steps: [restStep({ cover: 'lid', towels: towels(2, 2) })] },
  { words: 'under a lid in 4 layers of towel', steps: [restStep({ cover: 'lid', towels: towels(4, 4) })] },
]
/** So much of the one gels, and of the others at most. */
const GELS = 0.85
const STAYS = 0.15

/** The clear liquid of the shelf that is stirred in; null: there is none. */
export const waterOnShelf = (shelf: Shelf): string | null =>
  shelf.colorants.find(one => one.spectrum === 'clear' && one.form === 'water' && !one.archived)?.id ?? null

/** Sets how much water is stirred into a cup, g per kg of its batter; 0 takes it out. */
export function waterEdit(plan: Plan, cupIndex: number, water: string, gPerKg: number): Edit {
  const others = plan.cups[cupIndex]!.colorants.filter(part => part.colorant !== water)
  const part = {
    colorant: water,
    doseGPerKg: gPerKg,
    basis: 'batter' as const,
    medium: 'none' as const,
    mediumRatio: 0,
    slurry: null,
  }
  return { kind: 'set', path: ['cups', cupIndex, 'colorants'], value: gPerKg > 0 ? [...others, part] : others }
}

function editOf(
  plan: Plan,
  cupIndex: number,
  water: string,
  gPerKg: number,
  lye: number | null,
  steps: RestStep[] | null,
) {
  const edits: Edit[] = [
    waterEdit(plan, cupIndex, water, gPerKg),
    ...(lye === null
      ? []
      : [
          { kind: 'set', path: ['recipe', 'water', 'basis'], value: 'concentration' } as const,
          { kind: 'set', path: ['recipe', 'water', 'value'], value: lye } as const,
        ]),
    ...(steps === null ? [] : [{ kind: 'set', path: ['rest', 'steps'], value: steps } as const]),
  ]
  return { kind: 'many', edits } as const
}

/**
 * The least change that makes one cup gel and all others not; null where none that was tried does. `work` turns a plan into what
 * the rest needs, null where it cannot. Some dozens of quick runs: for a worker.
 */
export function contrastFor(plan: Plan, shelf: Shelf, cupIndex: number, work: Work): ContrastWay | null {
  const water = waterOnShelf(shelf)
  if (water === null) return null
  for (const lye of LYES)
    for (const { words, steps } of WRAPS)
      for (const gPerKg of WATERS_G_PER_KG) {
        const edit = editOf(plan, cupIndex, water, gPerKg, lye, steps)
        const changed = applyEdit(plan, edit)
        const inputs = changed.ok ? work(changed.plan) : null
        if (!inputs) continue
        const { cups } = quickRest(inputs).shares
        const others = cups.filter((_, i) => i !== cupIndex && inputs.portions.cups[i]!.totalG > 0)
        const othersShare = Math.max(0, ...others)
        if (cups[cupIndex]! < GELS || othersShare > STAYS) continue
        const name = plan.cups[cupIndex]!.name
        const parts = [
          lye === null ? '' : fact('rest.make-pot-with-lye', { lye: Math.round(lye * 100) }),
          gPerKg > 0 ? fact('rest.stir-water-into-each', { gPerKg: grams(gPerKg), name }) : '',
          words === '' ? '' : fact('rest.rest-it', { words }),
        ].filter(Boolean)
        return {
          sentence: opening(parts),
          edit,
          cupShare: cups[cupIndex]!,
          othersShare,
        }
      }
  return null
}
