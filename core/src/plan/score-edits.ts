import { fact } from '../quantities/facts/index.ts'
import { MAX_POURS } from './document.ts'
import type { Plan } from './document.ts'
import type { Edit } from './edit.ts'
import { freshId, refused, tidyShare } from './edit-result.ts'
import type { EditResult } from './edit-result.ts'
import { MAX_ASIDE, MAX_MOVES } from './score-part.ts'
import type { Pour } from './score-part.ts'
import { startingShape } from './starter.ts'

/** Edits of the score: pours with the tools that follow them. */

export function addPour(plan: Plan, edit: Extract<Edit, { kind: 'add-pour' }>): EditResult {
  if (plan.score.length >= MAX_POURS) return refused('score', fact('plan.score-has-at-most', { most: MAX_POURS }))
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
    together: 'no',
    cavities: [],
    window: null,
    shape: last ? { ...last.shape, tiltDeg: 0, pencil: '' } : startingShape(),
  }
  const shrunk = plan.score.map(old => ({ ...old, share: tidyShare((old.share * count) / (count + 1)) }))
  return { ok: true, plan: { ...plan, score: [...shrunk.slice(0, edit.at), pour, ...shrunk.slice(edit.at)] } }
}

const MOST_TURNS = 20

export function repeatPours(plan: Plan, { from, to, times }: Extract<Edit, { kind: 'repeat-pours' }>): EditResult {
  if (!(Number.isInteger(times) && times >= 2 && times <= MOST_TURNS))
    return refused('score', fact('plan.run-repeated-2-times', { most: MOST_TURNS }))
  const run = plan.score.slice(from, to + 1)
  if (run.length === 0) return refused('score', fact('plan.there-no-such-run'))
  if (plan.score.length + run.length * (times - 1) > MAX_POURS)
    return refused('score', fact('plan.would-be-more-than', { most: MAX_POURS }))
  const score = [...plan.score.slice(0, from)]
  const moves = plan.moves.filter(move => !run.some(pour => pour.id === move.after))
  for (let turn = 0; turn < times; turn += 1)
    for (const pour of run) {
      const id = turn === 0 ? pour.id : freshId('pour', [...score, ...plan.score])
      score.push({ ...pour, id, share: tidyShare(pour.share / times) })
      for (const move of plan.moves.filter(one => one.after === pour.id))
        moves.push({ ...move, after: id, id: turn === 0 ? move.id : freshId('move', [...moves, ...plan.moves]) })
    }
  return { ok: true, plan: { ...plan, score: [...score, ...plan.score.slice(to + 1)], moves } }
}

export function removePours(plan: Plan, goes: (pour: Pour) => boolean): EditResult {
  const kept = plan.score.filter(pour => !goes(pour))
  if (kept.length === 0) return refused('score', fact('plan.score-keeps-at-least'))
  const whole = kept.reduce((sum, pour) => sum + pour.share, 0)
  // A move follows the pour before; with none left before, it goes too.
  const stays = (id: string) => kept.some(pour => pour.id === id)
  const before = (id: string) =>
    plan.score
      .slice(
        0,
        plan.score.findIndex(pour => pour.id === id),
      )
      .reverse()
  const moves = plan.moves.flatMap(move => {
    const after = stays(move.after) ? move.after : before(move.after).find(pour => stays(pour.id))?.id
    return after ? [{ ...move, after }] : []
  })
  const score = kept.map(pour => ({ ...pour, share: tidyShare(pour.share / whole) }))
  return { ok: true, plan: { ...plan, score, moves } }
}

/**
 * Several pours go together, in their order, to a place among those that stay. Tools and embeds keep their place in the order
 * of the hands: as many pours come before them as did.
 */
export function movePours(plan: Plan, ids: readonly string[], to: number): EditResult {
  const goes = plan.score.filter(pour => ids.includes(pour.id))
  if (goes.length === 0) return refused('score', fact('plan.layer-gone'))
  const rest = plan.score.filter(pour => !ids.includes(pour.id))
  const score = [...rest.slice(0, to), ...goes, ...rest.slice(to)]
  const inPlace = <T extends { after: string }>(step: T): T => {
    const at = plan.score.findIndex(pour => pour.id === step.after)
    return at < 0 ? step : { ...step, after: score[at]!.id }
  }
  const finish = { ...plan.finish, embeds: plan.finish.embeds.map(inPlace) }
  return { ok: true, plan: { ...plan, score, moves: plan.moves.map(inPlace), finish } }
}

export function splitPour(plan: Plan, id: string, restId: string): EditResult {
  const i = plan.score.findIndex(pour => pour.id === id)
  const pour = plan.score[i]
  if (!pour) return refused('score', fact('plan.layer-gone'))
  if (plan.score.length >= MAX_POURS) return refused('score', fact('plan.score-has-at-most', { most: MAX_POURS }))
  const half = tidyShare(pour.share / 2)
  const score = [...plan.score]
  score.splice(i, 1, { ...pour, share: half }, { ...pour, id: restId, share: half, waitMin: 0, together: 'no' })
  return { ok: true, plan: { ...plan, score } }
}

export function setAside(plan: Plan, ids: readonly string[]): EditResult {
  if (plan.aside.length + ids.length > MAX_ASIDE)
    return refused('aside', fact('plan.at-most-pours-are', { most: MAX_ASIDE }))
  const goes = plan.score.filter(pour => ids.includes(pour.id))
  const aside = goes.map(pour => ({
    at: plan.score.indexOf(pour),
    pour,
    moves: plan.moves.filter(move => move.after === pour.id),
  }))
  const without = { ...plan, moves: plan.moves.filter(move => !ids.includes(move.after)) }
  const removed = removePours(without, pour => ids.includes(pour.id))
  return removed.ok ? { ok: true, plan: { ...removed.plan, aside: [...plan.aside, ...aside] } } : removed
}

/** A pour comes back to its place with the share that it had; the others make room. */
export function putBack(plan: Plan, index: number): EditResult {
  const one = plan.aside[index]
  if (!one) return refused('aside', fact('plan.layer-not-set-aside'))
  if (plan.score.length >= MAX_POURS) return refused('score', fact('plan.score-has-at-most', { most: MAX_POURS }))
  const id = plan.score.some(pour => pour.id === one.pour.id) ? freshId('pour', plan.score) : one.pour.id
  const whole = plan.score.reduce((sum, pour) => sum + pour.share, 0)
  const share = Math.min(0.9, one.pour.share)
  const score: Pour[] = plan.score.map(pour => ({ ...pour, share: tidyShare((pour.share / whole) * (1 - share)) }))
  score.splice(one.at, 0, { ...one.pour, id, share: tidyShare(share) })
  const moves = [...plan.moves]
  for (const move of one.moves) moves.push({ ...move, after: id, id: freshId('move', moves) })
  return { ok: true, plan: { ...plan, score, moves, aside: plan.aside.filter((_, i) => i !== index) } }
}

/** Copies keep their share of the whole as it was where they come from; everything then fits the mould again. */
export function pastePours(plan: Plan, edit: Extract<Edit, { kind: 'paste-pours' }>): EditResult {
  if (plan.score.length + edit.pours.length > MAX_POURS)
    return refused('score', fact('plan.would-be-more-than-pours', { most: MAX_POURS }))
  if (plan.moves.length + edit.moves.length > MAX_MOVES)
    return refused('moves', fact('plan.would-be-more-than-moves', { most: MAX_MOVES }))
  const score = [...plan.score]
  const moves = [...plan.moves]
  edit.pours.forEach((pour, i) => {
    const id = freshId('pour', score)
    const cup = plan.cups.some(one => one.id === pour.cup) ? pour.cup : plan.cups[i % plan.cups.length]!.id
    score.splice(edit.at + i, 0, { ...pour, id, cup })
    for (const move of edit.moves)
      if (move.after === pour.id) moves.push({ ...move, after: id, id: freshId('move', moves) })
  })
  const whole = score.reduce((sum, pour) => sum + pour.share, 0)
  return {
    ok: true,
    plan: { ...plan, score: score.map(pour => ({ ...pour, share: tidyShare(pour.share / whole) })), moves },
  }
}

export function swapPlans(plan: Plan): EditResult {
  const { planB } = plan
  if (!planB) return refused('planB', fact('plan.there-no-plan-b'))
  const { score, moves } = plan
  return {
    ok: true,
    plan: { ...plan, score: planB.score, moves: planB.moves, planB: { ...planB, score, moves, inUse: !planB.inUse } },
  }
}

/** Plan B without a cup that is removed; with nothing left to pour there is none. */
export function planBWithout(planB: Plan['planB'], cup: string): Plan['planB'] {
  if (!planB) return null
  const score = planB.score.filter(pour => pour.cup !== cup)
  if (score.length === 0) return null
  return { ...planB, score, moves: planB.moves.filter(move => score.some(pour => pour.id === move.after)) }
}
