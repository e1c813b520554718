import { cavityKinds, planOfCavity } from '../../plan/index.ts'
import type { CavityKind, Plan } from '../../plan/index.ts'
import type { PouredInputs } from './rest-inputs.ts'

/** The kind of cavity that a rest is worked through for: the one with most scented batter, then most cavities. */
export function restCavity(plan: Plan): CavityKind {
  const isScented = (id: string) => {
    const cup = plan.cups.find(one => one.id === id)
    return cup !== undefined && (cup.ownScent !== null || (cup.scented && plan.scent !== null))
  }
  const scented = ({ pours }: CavityKind) => {
    const whole = pours.reduce((sum, i) => sum + plan.score[i]!.share, 0)
    const part = pours.reduce((sum, i) => sum + (isScented(plan.score[i]!.cup) ? plan.score[i]!.share : 0), 0)
    return whole > 0 ? part / whole : 0
  }
  return cavityKinds(plan).reduce((a, b) => (scented(b) > scented(a) + 1e-9 ? b : a))
}

/** What goes into that cavity alone: its pours with their lanes, and its part of every cup. */
export function inCavity(inputs: PouredInputs): PouredInputs {
  const { plan, lanes, portions } = inputs
  const kind = restCavity(plan)
  if (kind.pours.length === plan.score.length) return inputs
  const into = new Set(kind.pours.map(i => plan.score[i]!.cup))
  return {
    ...inputs,
    plan: planOfCavity(plan, kind),
    lanes: { pours: kind.pours.map(i => lanes.pours[i]!) },
    portions: {
      ...portions,
      cups: portions.cups.map(cup => (into.has(cup.cup) ? cup : { ...cup, pouredG: 0, totalG: 0 })),
    },
  }
}
