import { fact } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import { hasOwnCavities, pourShares } from './cavities.ts'
import { THINNEST_LAYER_MM } from './cross-checks.ts'
import type { Plan } from './document.ts'

type Divided = { ok: true; plan: Plan } | { ok: false; path: string; sentence: Words }

const refused = (path: string, sentence: Words): Divided => ({ ok: false, path, sentence })
const tidy = (value: number, digits = 6): number => Math.max(0.000001, Number(value.toFixed(digits)))

/** Share of the soap that each cup's layers take. */
export function cupShares(plan: Pick<Plan, 'mould' | 'score' | 'cups'>): number[] {
  const shares = pourShares(plan)
  return plan.cups.map(cup => plan.score.reduce((sum, pour, i) => (pour.cup === cup.id ? sum + shares[i]! : sum), 0))
}

/** The same soap, each mould filled `factor` times as high, its layers as they stand. */
function filled(plan: Plan, factor: number): Divided {
  const over = [plan.mould, ...plan.moreMoulds].find(one => one.fillMm * factor > one.innerHeightMm + 1e-6)
  if (over) {
    const most = Math.floor((over.innerHeightMm / over.fillMm) * 1000 - 1000) / 10
    return refused('mould.fillMm', fact('plan.has-room-for-more', { over: over.name, most }))
  }
  const raise = (one: Plan['mould']) => ({ ...one, fillMm: tidy(one.fillMm * factor, 3) })
  return { ok: true, plan: { ...plan, mould: raise(plan.mould), moreMoulds: plan.moreMoulds.map(raise) } }
}

/**
 * Gives a cup another share of the soap. Its layers keep their ratio; by the maker's rule the other cups make up for it, or one
 * of them, or the fill of the mould.
 */
export function setCupShare(plan: Plan, id: string, share: number): Divided {
  const i = plan.cups.findIndex(cup => cup.id === id)
  const path = `cups[${i}]`
  if (hasOwnCavities(plan)) return refused(path, fact('plan.here-cups-are-as'))
  const shares = cupShares(plan)
  const now = shares[i] ?? 0
  if (!(now > 0)) return refused(path, fact('plan.this-cup-not-poured'))
  const { rule, makesUp } = plan.division
  const whole = plan.score.reduce((sum, pour) => sum + pour.share, 0)
  if (rule === 'mould') {
    const factor = 1 + share - now
    if (!(share > 0)) return refused(path, fact('plan.cup-needs-some-batter'))
    const raised = filled(plan, factor)
    if (!raised.ok) return { ...raised, path }
    const score = plan.score.map(pour => ({
      ...pour,
      share: tidy(((pour.share / whole) * (pour.cup === id ? share / now : 1)) / factor),
    }))
    return { ok: true, plan: { ...raised.plan, score } }
  }
  const one = rule === 'one' && makesUp !== id ? makesUp : ''
  const gives = (cup: string) => cup !== id && (one === '' || cup === one)
  const given = plan.score.reduce((sum, pour) => (gives(pour.cup) ? sum + pour.share / whole : sum), 0)
  if (!(given > 0)) return refused(path, one === '' ? fact('plan.there-no-other-cup') : fact('plan.cup-makes-up-for'))
  const left = given + now - share
  const thinnest = THINNEST_LAYER_MM / plan.mould.fillMm
  if (!(share > 0) || left < thinnest) {
    const most = Math.max(0, (given + now - thinnest) * 100)
    return refused(path, fact('plan.cup-can-have-from', { most: Number(most.toFixed(1)) }))
  }
  const score = plan.score.map(pour => {
    const factor = pour.cup === id ? share / now : gives(pour.cup) ? left / given : 1
    return { ...pour, share: tidy((pour.share / whole) * factor) }
  })
  return { ok: true, plan: { ...plan, score } }
}

/** The score with every cup at a share of its own (0 for cups that are not poured); a cup's layers keep their ratio. */
export function setCupShares(plan: Plan, shares: readonly number[]): Plan['score'] {
  const now = cupShares(plan)
  const whole = plan.score.reduce((sum, pour) => sum + pour.share, 0)
  return plan.score.map(pour => {
    const i = plan.cups.findIndex(cup => cup.id === pour.cup)
    return { ...pour, share: tidy(((pour.share / whole) * shares[i]!) / now[i]!) }
  })
}
