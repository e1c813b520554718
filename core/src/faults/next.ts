import { readPlan } from '../plan/index.ts'
import type { Edit, Plan } from '../plan/index.ts'

/** What to change next time, by cause: in words, and as a change of the plan where one can be made. */

export interface NextTime {
  do: string
  expect: string
  /** The plan with it; null: it has it already, or nothing in the plan has to do with it. */
  edit?: (plan: Plan, about: { clearPointC: number }) => Plan | null
}

const round = (x: number, to: number): number => Math.round(x / to) * to
const conditions = (plan: Plan, change: Partial<Plan['conditions']>): Plan => ({
  ...plan,
  conditions: { ...plan.conditions, ...change },
})
const recipe = (plan: Plan, change: Partial<Plan['recipe']>): Plan => ({
  ...plan,
  recipe: { ...plan.recipe, ...change },
})

const MOST_STOP = 2
/** Of the oils: less scent than that hardly weeps. */
const MILD_LOAD = 0.02
const stopLater = (plan: Plan): Plan | null =>
  plan.conditions.stopLevel >= MOST_STOP
    ? null
    : conditions(plan, { stopLevel: Math.min(MOST_STOP, round(plan.conditions.stopLevel + 0.2, 0.1)) })
const mixAt = (plan: Plan, mixC: number): Plan | null =>
  Math.abs(mixC - plan.conditions.mixC) < 0.5 ? null : conditions(plan, { mixC: round(mixC, 0.5) })

/** Lye of another strength, where the water is given as one. */
function concentrated(plan: Plan, wanted: number): Plan | null {
  const { water } = plan.recipe
  if (water.basis !== 'concentration' || Math.abs(water.value - wanted) < 0.005) return null
  return recipe(plan, { water: { ...water, value: round(wanted, 0.005) } })
}

function scentOf(plan: Plan, change: (scent: NonNullable<Plan['scent']>) => NonNullable<Plan['scent']>): Plan | null {
  return plan.scent ? { ...plan, scent: change(plan.scent) } : null
}

/** Layers of towels that keep a loaf hot. */
const WARM_TOWELS = 3

/** Wished to gel fully, and wrapped for it: towels round it in its first place. */
function wrapped(plan: Plan): Plan | null {
  const { rest } = plan
  const [first, ...others] = rest.steps
  if (!first) return null
  const { top, sides } = first.towels
  if (rest.wish === 'full' && Math.min(top, sides) >= WARM_TOWELS) return null
  const more = { ...first.towels, top: Math.max(top, WARM_TOWELS), sides: Math.max(sides, WARM_TOWELS) }
  return { ...plan, rest: { ...rest, wish: 'full', steps: [{ ...first, towels: more }, ...others] } }
}

export const NEXT_TIME: Readonly<Record<string, NextTime>> = {
  'lye-over': {
    do: 'Write down lye and every oil before the lye goes in; have somebody look twice.',
    expect: 'Slips on 3 of 10,000 lines instead of 3 of 1,000.',
  },
  'value-wrong': {
    do: 'Raise the superfat until nothing is left over at the oils’ low values; enter the value of the oil’s own certificate.',
    expect: 'No lye left over by the values.',
    edit: plan => (plan.recipe.superfatShare >= 0.06 ? null : recipe(plan, { superfatShare: 0.06 })),
  },
  'lye-short': {
    do: 'Open fresh lye; enter every acid, juice and vinegar in the plan.',
    expect: 'Superfat within a point of the plan.',
  },
  'fat-rich': {
    do: 'Plan 5 % superfat, and take the colours’ oil from the recipe.',
    expect: 'Harder as it comes out; fewer spots.',
    edit: plan => (plan.recipe.superfatShare <= 0.051 ? null : recipe(plan, { superfatShare: 0.05 })),
  },
  'lye-grain': {
    do: 'Do not go on before the lye is seen clear; strain it; lye of at most 36 %.',
    expect: 'No grains.',
  },
  'early-split': {
    do: 'Blend a little further, and make the hold test before it is divided.',
    expect: 'The emulsion is sound as it is divided.',
    edit: stopLater,
  },
  'false-trace': {
    do: 'Mix 5 °C above the point where all fat is clear.',
    expect: 'No fat sets while it is blended.',
    edit: (plan, { clearPointC }) => mixAt(plan, Math.max(36, clearPointC + 5)),
  },
  'ran-ahead': {
    do: 'Mix 4 °C cooler and stop blending sooner, in bursts.',
    expect: 'More minutes for every pour.',
    edit: (plan, { clearPointC }) =>
      plan.conditions.mixC - 4 <= clearPointC
        ? null
        : conditions(plan, {
            mixC: plan.conditions.mixC - 4,
            stopLevel: Math.max(1, round(plan.conditions.stopLevel - 0.2, 0.1)),
          }),
  },
  'water-low': {
    do: 'Take more water: lye of 30 to 31 %.',
    expect: 'Less brittle, more minutes.',
    edit: plan => concentrated(plan, 0.305),
  },
  'water-high': {
    do: 'Take less water: lye three points stronger, at most 33 %.',
    expect: 'Firmer; less warp and ash.',
    edit: plan => concentrated(plan, Math.min(0.33, plan.recipe.water.value + 0.03)),
  },
  'scent-fast': {
    do: 'Scent each cup last, with three tenths less of it.',
    expect: 'More minutes after the scent.',
    edit: plan =>
      plan.scent?.moment === 'last'
        ? null
        : scentOf(plan, scent => ({ ...scent, moment: 'last', load: round(scent.load * 0.7, 0.001) })),
  },
  'scent-rice': {
    do: 'Stir the scent into the oils first, and mix 4 °C warmer.',
    expect: 'Fewer grains.',
    edit: plan => {
      if (plan.scent?.moment === 'oils') return null
      const made = scentOf(plan, scent => ({ ...scent, moment: 'oils' }))
      return made && conditions(made, { mixC: plan.conditions.mixC + 4 })
    },
  },
  'scent-weep': {
    do: 'Take four tenths less scent, and blend it into the pot.',
    expect: 'No beads.',
    edit: plan =>
      plan.scent?.moment === 'pot' && plan.scent.load <= MILD_LOAD
        ? null
        : scentOf(plan, scent => ({ ...scent, load: round(scent.load * 0.6, 0.001), moment: 'pot' })),
  },
  vanillin: {
    do: 'Leave pale cups without this scent, or plan them brown.',
    expect: 'The colours that are forecast for the cure.',
  },
  'scent-faint': {
    do: 'Take what is usual of it, within its limit, with a note that holds.',
    expect: 'Noticed at six weeks.',
  },
  'fats-set': {
    do: 'Melt stearic acid and wax to 65 °C, and mix 6 °C above the clear point.',
    expect: 'No specks.',
    edit: (plan, { clearPointC }) => mixAt(plan, clearPointC + 6),
  },
  'milk-scorch': {
    do: 'Freeze the milk to slush, add the lye in five parts over ten minutes, no towels.',
    expect: 'Cream instead of tan.',
  },
  'powder-salt': { do: 'At most 2 % of the oils salt and lactate, 3 % powder; cut sooner.', expect: 'No crumbs.' },
  'coarse-bits': {
    do: 'Cut it on its side; bits finer than 1 mm, or on top only.',
    expect: 'No drag lines.',
    edit: plan => (plan.cutting.onSide ? null : { ...plan, cutting: { ...plan.cutting, onSide: true } }),
  },
  'colour-alkali': { do: 'Take a colour that stands lye.', expect: 'The colour within its forecast.' },
  'colour-light': {
    do: 'Take a lightfast colour, or three tenths more of it, and keep the bars dark.',
    expect: 'Half the fading.',
  },
  'dye-bleeds': { do: 'Take a pigment or a mica; dyes only where one colour stands alone.', expect: 'No creep.' },
  'poor-wetting': { do: 'Wet the powder in two to three times its weight, sieve it, whisk it.', expect: 'No specks.' },
  'white-much': { do: 'At most 5 g of white per kg, and lye of 32 % or stronger.', expect: 'No chalk, fewer rivers.' },
  'mix-up': { do: 'Label the cups, tick each colour, pour by the card.', expect: 'Each colour in its place.' },
  'poured-soon': {
    do: 'Pour over a spatula, from low, and wait until the layer below carries.',
    expect: 'Layers that are carried.',
    edit: plan => {
      const score = plan.score.map(pour => ({ ...pour, overSpatula: true, dropMm: Math.min(pour.dropMm, 10) }))
      return JSON.stringify(score) === JSON.stringify(plan.score) ? null : { ...plan, score }
    },
  },
  'joint-late': {
    do: 'Pour while the layer below stands at 3 to 4; a thinner line of mica; score the face.',
    expect: 'Layers that hold together.',
  },
  'cup-thick': {
    do: 'Pour that cup earlier, colour it last, stir it while it waits.',
    expect: 'It starts within its window.',
  },
  'cup-thin': {
    do: 'Blend a little further; wait before the top; at most six passes.',
    expect: 'A clear pattern; toppings stay.',
    edit: stopLater,
  },
  'air-in': {
    do: 'Let air out of the blender’s head, pour low over a spatula, tap the mould.',
    expect: 'Fewer holes.',
  },
  'embed-odd': {
    do: 'Embeds of the same base, fresher than a week; mist them with alcohol and press them in.',
    expect: 'No gap.',
  },
  'partial-gel': {
    do: 'Have it gel fully, under towels, or not at all, cooler: Rest looks for what it takes.',
    expect: 'No ring.',
    edit: wrapped,
  },
  overheat: {
    do: 'Mix 5 °C cooler, no towels, open to the air.',
    expect: 'A chance of cracks below one in ten.',
    edit: (plan, { clearPointC }) => {
      const isBare = plan.rest.steps.every(({ towels }) => towels.top + towels.sides + towels.below === 0)
      if (isBare && plan.conditions.mixC - 5 <= clearPointC) return null
      const steps = plan.rest.steps.map(step => ({ ...step, towels: { top: 0, sides: 0, below: 0 } }))
      return conditions({ ...plan, rest: { ...plan.rest, steps } }, { mixC: plan.conditions.mixC - 5 })
    },
  },
  'no-gel': {
    do: 'Have it gel fully, under towels; or accept it and take it out a day later.',
    expect: 'Deeper colours, less ash.',
    edit: wrapped,
  },
  'cold-wall': {
    do: 'Have the mould at room warmth or 35 °C, and a towel below it.',
    expect: 'No pale rim.',
    edit: plan => (plan.rest.preheatedC !== null ? null : { ...plan, rest: { ...plan.rest, preheatedC: 35 } }),
  },
  rivers: {
    do: 'Lye of 33 % or stronger, and gel it cooler.',
    expect: 'Hardly any rivers.',
    edit: plan => concentrated(plan, 0.33),
  },
  'air-ash': {
    do: 'Under film for a day, misted twice; a little less water.',
    expect: 'Less ash, as Rest forecasts.',
    edit: plan => (plan.rest.mists > 0 ? null : { ...plan, rest: { ...plan.rest, mists: 2 } }),
  },
  'mould-moved': { do: 'Level it, tape the seams, support the walls.', expect: 'Straight layers.' },
  'unmould-early': {
    do: 'Not before six hours after the earliest that is forecast, or an hour in the freezer first.',
    expect: 'It comes out clean.',
  },
  'cut-late': { do: 'Cut within twelve hours of the earliest that is forecast.', expect: 'No chips.' },
  blade: { do: 'Wipe the blade at every cut, take a wire, cut from the side.', expect: 'Clean faces.' },
  'damp-air': { do: 'A rack below 60 % humidity; film off only when it is as warm as the room.', expect: 'No dew.' },
  'dry-uneven': { do: 'Turn every week, 20 mm between bars.', expect: 'Flat bars.' },
  'old-oils': {
    do: 'Oils within their dates, fewer that turn rancid, superfat of at most 6 %.',
    expect: 'No spots in a year.',
    edit: plan => (plan.recipe.superfatShare <= 0.06 ? null : recipe(plan, { superfatShare: 0.06 })),
  },
  metal: {
    do: 'Distilled water, plastic or stainless steel only, an additive that binds metal.',
    expect: 'No spots, more lather.',
  },
}

/** A plan with what is to be changed for a cause; null where there is nothing to change, or the plan would not stand it. */
export function nextPlan(cause: string, plan: Plan, about: { clearPointC: number }): Plan | null {
  const made = NEXT_TIME[cause]?.edit?.(plan, about) ?? null
  if (!made) return null
  const read = readPlan(made)
  return read.ok ? read.plan : null
}

/** The same as one edit, undone in one step. */
export function nextEdit(cause: string, plan: Plan, about: { clearPointC: number }): Edit | null {
  const made = nextPlan(cause, plan, about)
  if (!made) return null
  const parts = (Object.keys(made) as (keyof Plan)[]).filter(
    part => JSON.stringify(made[part]) !== JSON.stringify(plan[part]),
  )
  return { kind: 'many', edits: parts.map(part => ({ kind: 'set', path: [part], value: made[part] })) }
}

/** Whether a plan could still be changed so: what can be edited and was leaves nothing to say. */
export const isStillNext = (cause: string, plan: Plan, about: { clearPointC: number }): boolean =>
  NEXT_TIME[cause]?.edit === undefined || nextPlan(cause, plan, about) !== null
