import { applyEdit } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import { portionsOf } from '../portions/index.ts'
import type { Portions } from '../portions/index.ts'
import { unitBatter } from '../recipe/index.ts'
import { beliefOf, chancesOf, runInputOf } from '../batter/schedule/index.ts'
import type { RunInput } from '../batter/schedule/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { batterPace } from '../batter/trace/index.ts'
import { editsOf, settingOf } from './settings.ts'
import type { Setting } from './settings.ts'

interface Tried {
  chance: number
  endMin: number
}

/** Works settings out for one plan: what depends on the recipe and the score alone is worked out once. */
export class Trials {
  readonly from: Setting
  readonly clearC: number
  readonly #portions = new Map<string, { plan: Plan; portions: Portions } | null>()
  readonly #tried = new Map<string, Tried>()

  constructor(
    readonly plan: Plan,
    readonly shelf: Shelf,
  ) {
    const unit = unitBatter(plan.recipe, shelf)
    this.clearC = batterPace(unit).clearPointC
    this.from = settingOf(plan, Number(unit.water.concentration.toFixed(4)))
  }

  /** The plan with a setting, checked; null where it cannot be. */
  planOf(to: Setting): Plan | null {
    const edits = editsOf(this.plan, this.from, to)
    if (edits.length === 0) return this.plan
    const result = applyEdit(this.plan, { kind: 'many', edits })
    return result.ok ? result.plan : null
  }

  input(to: Setting): RunInput | null {
    const { mixC, stop, order, waiting, ...rest } = to
    const key = JSON.stringify(rest)
    let known = this.#portions.get(key)
    if (known === undefined) {
      const { from } = this
      const plan = this.planOf({ ...rest, mixC: from.mixC, stop: from.stop, order: from.order, waiting: from.waiting })
      known = plan && { plan, portions: portionsOf(plan, this.shelf) }
      this.#portions.set(key, known)
    }
    if (!known) return null
    const { plan, portions } = known
    const conditions = { ...plan.conditions, mixC, stopLevel: stop }
    return runInputOf({ ...plan, conditions, hands: { ...plan.hands, order, waiting } }, portions, this.shelf)
  }

  tried(to: Setting): Tried {
    const key = JSON.stringify(to)
    const known = this.#tried.get(key)
    if (known) return known
    const input = this.input(to)
    const chances = input && chancesOf(input, beliefOf(input))
    const tried = chances ? { chance: chances.whole, endMin: chances.endS / 60 } : { chance: -1, endMin: Infinity }
    this.#tried.set(key, tried)
    return tried
  }

  chance(to: Setting): number {
    return this.tried(to).chance
  }
}
