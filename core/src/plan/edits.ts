import { fact, keepingZeros, millimetres } from '../quantities/facts/index.ts'
import type { Edit } from './edit.ts'
import type { FieldPath } from '../document/fields/index.ts'
import type { OilPart } from '../recipe/index.ts'
import { cavityKinds, hasOwnCavities, heightsIn, layerHeights } from './cavities.ts'
import { problemsIn, settled } from '../document/fields/index.ts'
import { THINNEST_LAYER_MM, crossChecks } from './cross-checks.ts'
import { MAX_CUPS, Plan } from './document.ts'
import {
  addPour,
  movePours,
  pastePours,
  planBWithout,
  putBack,
  removePours,
  repeatPours,
  setAside,
  splitPour,
  swapPlans,
} from './score-edits.ts'
import { refused, tidyShare } from './edit-result.ts'
import type { EditResult } from './edit-result.ts'
import type { Cup } from './cup-part.ts'
import { setCupShare } from './divide.ts'

/** `setAt` on frozen plain data: copies only what lies on the path. */
function setAt(node: unknown, path: FieldPath, value: unknown): unknown {
  const [key, ...rest] = path
  if (key === undefined) return value
  if (Array.isArray(node)) return node.map((item: unknown, i) => (i === key ? setAt(item, rest, value) : item))
  const object = (node ?? {}) as Record<string, unknown>
  return { ...object, [key]: setAt(object[key], rest, value) }
}

const withHeights = (plan: Plan, heights: readonly number[]): Plan => ({
  ...plan,
  score: plan.score.map((pour, i) => ({ ...pour, share: tidyShare(heights[i]! / plan.mould.fillMm) })),
})

/** Within the cavities that a pour goes into: the pour above it there, or below it, makes up the difference. */
function setLayerHeight(plan: Plan, id: string, heightMm: number): EditResult {
  const i = plan.score.findIndex(pour => pour.id === id)
  const path = `score[${i}].share`
  if (i < 0) return refused('score', fact('plan.layer-gone'))
  const kind = cavityKinds(plan).find(one => one.pours.includes(i))
  if (!kind || kind.pours.length === 1) {
    const fills =
      plan.score.length === 1 ? fact('plan.single-layer-always-fills') : fact('plan.fills-its-cavities-alone')
    return refused(path, fact('plan.change-soaps-height-instead', { fills }))
  }
  const n = kind.pours.indexOf(i)
  const at = n < kind.pours.length - 1 ? n + 1 : n - 1
  const heights = heightsIn(plan, kind)
  const most = heights[n]! + heights[at]! - THINNEST_LAYER_MM
  if (!(heightMm >= THINNEST_LAYER_MM - 1e-9 && heightMm <= most + 1e-9)) {
    const sentence =
      heightMm < THINNEST_LAYER_MM
        ? fact('plan.poured-layer-thinner-than', { thinnest: millimetres(THINNEST_LAYER_MM) })
        : fact('plan.at-most-here-layer', {
            most: keepingZeros(millimetres(most, 1)),
            which: at > n ? fact('plan.above') : fact('plan.below'),
            thinnest: millimetres(THINNEST_LAYER_MM),
          })
    return refused(path, sentence)
  }
  heights[at] = heights[at]! + heights[n]! - heightMm
  heights[n] = heightMm
  const whole = kind.pours.reduce((sum, one) => sum + plan.score[one]!.share, 0)
  const share = new Map(kind.pours.map((one, k) => [one, tidyShare((heights[k]! / plan.mould.fillMm) * whole)]))
  const score = plan.score.map((pour, k) => ({ ...pour, share: share.get(k) ?? pour.share }))
  return { ok: true, plan: { ...plan, score } }
}

/** The pours share the cavities out in their order, each cavity one colour. */
function oneColourEach(plan: Plan): EditResult {
  const { cavities } = plan.mould
  const pours = plan.score.length
  if (cavities === 1) return refused('mould.cavities', fact('plan.this-mould-has-one'))
  if (pours > cavities) return refused('score', fact('plan.pours-do-not-find', { pours, cavities }))
  const all = Array.from({ length: cavities }, (_, k) => k)
  const score = plan.score.map((pour, i) => {
    const own = all.filter(k => Math.floor((k * pours) / cavities) === i).map(k => k + 1)
    return { ...pour, cavities: pours === 1 ? [] : own }
  })
  return { ok: true, plan: { ...plan, score } }
}

const setMould = (plan: Plan, mould: Plan['mould']): EditResult => ({
  ok: true,
  plan: {
    ...plan,
    mould,
    score: plan.score.map(pour => ({ ...pour, cavities: pour.cavities.filter(k => k <= mould.cavities) })),
  },
})

function moveBoundary(plan: Plan, below: number, atMm: number): EditResult {
  if (hasOwnCavities(plan)) return refused('score', fact('plan.cavities-hold-different-pours'))
  const heights = layerHeights(plan)
  const floor = heights.slice(0, below).reduce((sum, h) => sum + h, 0)
  const ceiling = floor + heights[below]! + heights[below + 1]!
  const held = Math.min(Math.max(atMm, floor + THINNEST_LAYER_MM), ceiling - THINNEST_LAYER_MM)
  heights[below] = held - floor
  heights[below + 1] = ceiling - held
  return { ok: true, plan: withHeights(plan, heights) }
}

function removeCup(plan: Plan, id: string): EditResult {
  if (plan.cups.length === 1) return refused('cups', fact('plan.plan-keeps-at-least'))
  const { division } = plan
  const without: Plan = {
    ...plan,
    cups: plan.cups.filter(cup => cup.id !== id),
    ladders: plan.ladders
      .map(ladder => ({ ...ladder, cups: ladder.cups.filter(cup => cup !== id) }))
      .filter(ladder => ladder.cups.length > 1),
    reserves: plan.reserves.filter(reserve => reserve.cup !== id),
    aside: plan.aside.filter(one => one.pour.cup !== id),
    seen: plan.seen.filter(one => one.cup !== id),
    planB: planBWithout(plan.planB, id),
    division: {
      ...division,
      ...(division.makesUp === id && { makesUp: '', rule: 'others' as const }),
      actual: division.actual.filter(actual => actual.cup !== id),
    },
  }
  return removePours(without, pour => pour.cup === id)
}

/** Shares are kept to a hundred-thousandth: 0.01 g in a kilogram. */
const tidyOil = (share: number): number => Number(share.toFixed(5))

const withOils = (plan: Plan, oils: OilPart[]): Plan => ({ ...plan, recipe: { ...plan.recipe, oils } })

/** The free oils fill what the others leave of 100 %, in their ratio; the largest of them takes the rounding. */
function fitOils(plan: Plan, keep?: string): EditResult {
  const { oils } = plan.recipe
  const isFree = (part: OilPart) => !part.locked && part.oil !== keep
  const free = oils.filter(isFree)
  const heldShare = oils.reduce((sum, part) => (isFree(part) ? sum : sum + part.share), 0)
  if (free.length === 0) return refused('recipe.oils', fact('plan.every-other-oil-locked'))
  if (heldShare > 1 + 1e-9) {
    const held = Number((heldShare * 100).toFixed(2))
    return refused('recipe.oils', fact('plan.locked-oils-come-already', { held }))
  }
  const whole = free.reduce((sum, part) => sum + part.share, 0)
  const goal = 1 - heldShare
  const fitted = oils.map(part => {
    if (!isFree(part)) return part
    return { ...part, share: tidyOil(whole > 0 ? (part.share / whole) * goal : goal / free.length) }
  })
  const largest = free.reduce((most, part) => (part.share > most.share ? part : most))
  const others = fitted.reduce((sum, part) => (part.oil === largest.oil ? sum : sum + part.share), 0)
  const rest = Math.max(0, Number((1 - others).toFixed(6)))
  return {
    ok: true,
    plan: withOils(
      plan,
      fitted.map(part => (part.oil === largest.oil ? { ...part, share: rest } : part)),
    ),
  }
}

function setOilShare(plan: Plan, oil: string, share: number): EditResult {
  const i = plan.recipe.oils.findIndex(part => part.oil === oil)
  const path = `recipe.oils[${i}].share`
  if (!(share >= 0 && share <= 1)) return refused(path, fact('plan.oils-share-from-0'))
  const set = withOils(
    plan,
    plan.recipe.oils.map(part => (part.oil === oil ? { ...part, share } : part)),
  )
  const fitted = fitOils(set, oil)
  return fitted.ok ? fitted : refused(path, fitted.sentence)
}

function setDose(plan: Plan, { cup: id, colorant, doseGPerKg }: Extract<Edit, { kind: 'set-dose' }>): EditResult {
  const i = plan.cups.findIndex(cup => cup.id === id)
  const j = plan.cups[i]?.colorants.findIndex(part => part.colorant === colorant) ?? -1
  const part = plan.cups[i]?.colorants[j]
  if (!part) return refused('cups', fact('plan.colorant-not-cup-any'))
  const ladder = plan.ladders.find(one => one.cups.includes(id) && one.white !== colorant)
  const factor = part.doseGPerKg > 0 ? doseGPerKg / part.doseGPerKg : null
  const cups = plan.cups.map((cup): Cup => {
    if (cup.id !== id && !ladder?.cups.includes(cup.id)) return cup
    const colorants = cup.colorants.map(one => {
      if (one.colorant !== colorant) return one
      const dose = cup.id === id || factor === null ? doseGPerKg : Number((one.doseGPerKg * factor).toPrecision(6))
      return { ...one, doseGPerKg: dose }
    })
    return { ...cup, colorants }
  })
  return { ok: true, plan: { ...plan, cups } }
}

function raw(plan: Plan, edit: Edit): EditResult {
  switch (edit.kind) {
    case 'set':
      return { ok: true, plan: setAt(plan, edit.path, edit.value) as Plan }
    case 'many': {
      let now: EditResult = { ok: true, plan }
      for (const one of edit.edits) if (now.ok) now = raw(now.plan, one)
      return now
    }
    case 'add-oil':
      return { ok: true, plan: { ...plan, recipe: { ...plan.recipe, oils: [...plan.recipe.oils, edit.oil] } } }
    case 'remove-oil': {
      const oils = plan.recipe.oils.filter(part => part.oil !== edit.oil)
      if (oils.length === 0) return refused('recipe.oils', fact('plan.recipe-keeps-at-least'))
      return { ok: true, plan: { ...plan, recipe: { ...plan.recipe, oils } } }
    }
    case 'fit-oils':
      return fitOils(plan, edit.keep)
    case 'set-oil-share':
      return setOilShare(plan, edit.oil, edit.share)
    case 'add-cup':
      if (plan.cups.length >= MAX_CUPS) {
        return refused('cups', fact('plan.plan-has-at-most', { most: MAX_CUPS }))
      }
      return { ok: true, plan: { ...plan, cups: [...plan.cups, edit.cup] } }
    case 'remove-cup':
      return removeCup(plan, edit.cup)
    case 'add-pour':
      return addPour(plan, edit)
    case 'remove-pour':
      return removePours(plan, pour => pour.id === edit.pour)
    case 'remove-pours':
      return removePours(plan, pour => edit.pours.includes(pour.id))
    case 'move-pour':
      return movePours(plan, [edit.pour], edit.to)
    case 'move-pours':
      return movePours(plan, edit.pours, edit.to)
    case 'split-pour':
      return splitPour(plan, edit.pour, edit.id)
    case 'set-aside':
      return setAside(plan, edit.pours)
    case 'put-back':
      return putBack(plan, edit.index)
    case 'paste-pours':
      return pastePours(plan, edit)
    case 'swap-plans':
      return swapPlans(plan)
    case 'set-layer-height':
      return setLayerHeight(plan, edit.pour, edit.heightMm)
    case 'move-boundary':
      return moveBoundary(plan, edit.below, edit.atMm)
    case 'set-cup-share':
      return setCupShare(plan, edit.cup, edit.share)
    case 'repeat-pours':
      return repeatPours(plan, edit)
    case 'set-dose':
      return setDose(plan, edit)
    case 'one-colour-each':
      return oneColourEach(plan)
    case 'set-mould':
      return setMould(plan, edit.mould)
    case 'even-layers':
      return {
        ok: true,
        plan: withHeights(
          plan,
          plan.score.map(() => plan.mould.fillMm / plan.score.length),
        ),
      }
  }
}

/**
 * Applies an edit and checks what it changes with the same rules as the server. A refused edit changes nothing and says
 * where and why in a sentence. What is not changed keeps its reference; an edit that changes nothing gives the plan itself.
 *
 * @param plan a plan that was read or edited, so that it is right and in order
 */
export function applyEdit(plan: Plan, edit: Edit): EditResult {
  const changed = raw(plan, edit)
  if (!changed.ok) return changed
  const amiss = problemsIn(Plan, changed.plan, '', plan)
  const next = amiss.length > 0 ? changed.plan : settled(Plan, changed.plan, plan)
  const problems = amiss.length > 0 || next === plan ? amiss : crossChecks(next)
  if (problems.length === 0) return { ok: true, plan: next }
  const wanted = edit.kind === 'set' ? pathText(edit.path) : ''
  const problem = problems.find(one => one.path === wanted) ?? problems[0]!
  return refused(problem.path, problem.sentence)
}

/** "cups[2].colorant.doseGPerKg" of a field path. */
export const pathText = (path: FieldPath): string =>
  path.reduce<string>((text, key) => (typeof key === 'number' ? `${text}[${key}]` : text ? `${text}.${key}` : key), '')
