import { THINNEST_LAYER_MM, layerHeights } from './cross-checks.ts'
import { MAX_CUPS, MAX_POURS } from './document.ts'
import type { Cup, OilPart, Plan, Pour } from './document.ts'
import { ordered, readPlan } from './read.ts'

/** Where a single value stands, e.g. ['cups', 2, 'scented']. */
export type FieldPath = readonly (string | number)[]

/** A change to a plan. Small plain values: the same ones serve undo, remedies and tests. */
export type Edit =
  | { kind: 'set'; path: FieldPath; value: unknown }
  | { kind: 'many'; edits: readonly Edit[] }
  | { kind: 'add-oil'; oil: OilPart }
  | { kind: 'remove-oil'; oil: string }
  | { kind: 'even-out-oils' }
  | { kind: 'add-cup'; cup: Cup }
  | { kind: 'remove-cup'; cup: string }
  | { kind: 'add-pour'; cup: string; at: number; id: string }
  | { kind: 'remove-pour'; pour: string }
  | { kind: 'move-pour'; pour: string; to: number }
  /** The layer takes or gives height; the one above it (below, for the top one) makes up for it. */
  | { kind: 'set-layer-height'; pour: string; heightMm: number }
  /** Moves the boundary above layer `below` (0 = the bottom one) to `atMm` from the mould's floor. */
  | { kind: 'move-boundary'; below: number; atMm: number }
  | { kind: 'even-layers' }

export type EditResult = { ok: true; plan: Plan } | { ok: false; path: string; sentence: string }

const refused = (path: string, sentence: string): EditResult => ({ ok: false, path, sentence })

/** `setAt` on frozen plain data: copies only what lies on the path. */
function setAt(node: unknown, path: FieldPath, value: unknown): unknown {
  const [key, ...rest] = path
  if (key === undefined) return value
  if (Array.isArray(node)) return node.map((item: unknown, i) => (i === key ? setAt(item, rest, value) : item))
  const object = (node ?? {}) as Record<string, unknown>
  return { ...object, [key]: setAt(object[key], rest, value) }
}

/** Shares are kept to a millionth: 0.0001 mm in a 100 mm mould, and short in the file. */
const tidyShare = (share: number): number => Math.max(0.000001, Number(share.toFixed(6)))

const withHeights = (plan: Plan, heights: readonly number[]): Plan => ({
  ...plan,
  score: plan.score.map((pour, i) => ({ ...pour, share: tidyShare(heights[i]! / plan.mould.fillMm) })),
})

function setLayerHeight(plan: Plan, id: string, heightMm: number): EditResult {
  const i = plan.score.findIndex(pour => pour.id === id)
  const path = `score[${i}].share`
  if (i < 0) return refused('score', 'That layer is gone.')
  if (plan.score.length === 1)
    return refused(path, 'A single layer always fills the soap. Change the soap’s height instead.')
  const neighbour = i < plan.score.length - 1 ? i + 1 : i - 1
  const heights = layerHeights(plan)
  const most = heights[i]! + heights[neighbour]! - THINNEST_LAYER_MM
  if (!(heightMm >= THINNEST_LAYER_MM - 1e-9 && heightMm <= most + 1e-9)) {
    const sentence =
      heightMm < THINNEST_LAYER_MM
        ? `A poured layer thinner than ${THINNEST_LAYER_MM} mm does not survive smoothing.`
        : `At most ${most.toFixed(1)} mm here: the layer ${neighbour > i ? 'above' : 'below'} makes up the difference and keeps ${THINNEST_LAYER_MM} mm.`
    return refused(path, sentence)
  }
  heights[neighbour] = heights[neighbour]! + heights[i]! - heightMm
  heights[i] = heightMm
  return { ok: true, plan: withHeights(plan, heights) }
}

function moveBoundary(plan: Plan, below: number, atMm: number): EditResult {
  const heights = layerHeights(plan)
  const floor = heights.slice(0, below).reduce((sum, h) => sum + h, 0)
  const ceiling = floor + heights[below]! + heights[below + 1]!
  const held = Math.min(Math.max(atMm, floor + THINNEST_LAYER_MM), ceiling - THINNEST_LAYER_MM)
  heights[below] = held - floor
  heights[below + 1] = ceiling - held
  return { ok: true, plan: withHeights(plan, heights) }
}

function addPour(plan: Plan, edit: Extract<Edit, { kind: 'add-pour' }>): EditResult {
  if (plan.score.length >= MAX_POURS) return refused('score', `A score has at most ${MAX_POURS} pours.`)
  const count = plan.score.length
  const last = plan.score[Math.max(0, edit.at - 1)]
  const pour: Pour = {
    id: edit.id,
    kind: 'pour',
    cup: edit.cup,
    share: 1 / (count + 1),
    dropMm: last?.dropMm ?? 10,
    overSpatula: last?.overSpatula ?? true,
    waitMin: 0,
  }
  const shrunk = plan.score.map(old => ({ ...old, share: tidyShare((old.share * count) / (count + 1)) }))
  return { ok: true, plan: { ...plan, score: [...shrunk.slice(0, edit.at), pour, ...shrunk.slice(edit.at)] } }
}

function removePours(plan: Plan, goes: (pour: Pour) => boolean): EditResult {
  const kept = plan.score.filter(pour => !goes(pour))
  if (kept.length === 0) return refused('score', 'A score keeps at least one pour.')
  const whole = kept.reduce((sum, pour) => sum + pour.share, 0)
  return { ok: true, plan: { ...plan, score: kept.map(pour => ({ ...pour, share: tidyShare(pour.share / whole) })) } }
}

function removeCup(plan: Plan, id: string): EditResult {
  if (plan.cups.length === 1) return refused('cups', 'A plan keeps at least one cup.')
  const without = { ...plan, cups: plan.cups.filter(cup => cup.id !== id) }
  return removePours(without, pour => pour.cup === id)
}

function movePour(plan: Plan, id: string, to: number): EditResult {
  const pour = plan.score.find(step => step.id === id)
  if (!pour) return refused('score', 'That layer is gone.')
  const rest = plan.score.filter(step => step.id !== id)
  return { ok: true, plan: { ...plan, score: [...rest.slice(0, to), pour, ...rest.slice(to)] } }
}

function evenOutOils(plan: Plan): Plan {
  const whole = plan.recipe.oils.reduce((sum, part) => sum + part.share, 0)
  const shares = plan.recipe.oils.map(part => Math.round((part.share / whole) * 1000) / 1000)
  const largest = shares.indexOf(Math.max(...shares))
  const rest = shares.reduce((sum, share, i) => (i === largest ? sum : sum + share), 0)
  const oils = plan.recipe.oils.map((part, i) => ({
    ...part,
    share: i === largest ? Number((1 - rest).toFixed(6)) : shares[i]!,
  }))
  return { ...plan, recipe: { ...plan.recipe, oils } }
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
      if (oils.length === 0) return refused('recipe.oils', 'A recipe keeps at least one oil.')
      return { ok: true, plan: { ...plan, recipe: { ...plan.recipe, oils } } }
    }
    case 'even-out-oils':
      return { ok: true, plan: evenOutOils(plan) }
    case 'add-cup':
      if (plan.cups.length >= MAX_CUPS) {
        return refused('cups', `A plan has at most ${MAX_CUPS} cups: more cannot be kept ready by one pair of hands.`)
      }
      return { ok: true, plan: { ...plan, cups: [...plan.cups, edit.cup] } }
    case 'remove-cup':
      return removeCup(plan, edit.cup)
    case 'add-pour':
      return addPour(plan, edit)
    case 'remove-pour':
      return removePours(plan, pour => pour.id === edit.pour)
    case 'move-pour':
      return movePour(plan, edit.pour, edit.to)
    case 'set-layer-height':
      return setLayerHeight(plan, edit.pour, edit.heightMm)
    case 'move-boundary':
      return moveBoundary(plan, edit.below, edit.atMm)
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
 * Applies an edit and checks the whole plan with the same rules as the server. A refused edit changes nothing and says
 * where and why in a sentence.
 */
export function applyEdit(plan: Plan, edit: Edit): EditResult {
  const changed = raw(plan, edit)
  if (!changed.ok) return changed
  const checked = readPlan(ordered(changed.plan))
  if (checked.ok) return checked
  const wanted = edit.kind === 'set' ? pathText(edit.path) : ''
  const problem = checked.problems.find(one => one.path === wanted) ?? checked.problems[0]!
  return refused(problem.path, problem.sentence)
}

/** "cups[2].colorant.doseGPerKg" of a field path. */
export const pathText = (path: FieldPath): string =>
  path.reduce<string>((text, key) => (typeof key === 'number' ? `${text}[${key}]` : text ? `${text}.${key}` : key), '')

/** A short id that the plan does not use yet, such as "cup-4". */
export function freshId(prefix: string, taken: readonly { id: string }[]): string {
  for (let n = taken.length + 1; ; n += 1) {
    const id = `${prefix}-${n}`
    if (!taken.some(item => item.id === id)) return id
  }
}
