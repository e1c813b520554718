import { celsius, fact, plain, share } from '../../quantities/facts/index.ts'
import type { Words } from '../../quantities/facts/index.ts'
import { readPlan } from '../../plan/index.ts'
import type { Edit, Plan } from '../../plan/index.ts'
import { applyEdit } from '../../plan/index.ts'
import { portionsOf } from '../../portions/index.ts'
import { chanceOf, runInputOf } from '../schedule/index.ts'
import type { Shelf } from '../../shelf/index.ts'
import { capShare, limitOfOils, scentLoad, unitBatter } from '../../recipe/index.ts'
import { batterPace } from '../trace/index.ts'

/** One change that helps, with what it does to the chance of the whole. */
export interface Remedy {
  id: string
  sentence: Words
  before: number
  after: number
  edit: Edit
}

interface Candidate {
  id: string
  sentence: Words
  edit: Edit
}

/** A change is worth a sentence from this gain on. */
const SMALLEST_GAIN = 0.03

/** From so quick a scent on, ln of its factor, nothing but never stopping helps. */
const SEIZES = 1.6
/** Trace of an emulsion: as thin as a batter may be split. */
const EMULSION = 1.2

const set = (path: (string | number)[], value: unknown): Edit => ({ kind: 'set', path, value })

function settings(plan: Plan, clearC: number, w: number): Candidate[] {
  const { mixC, stopLevel } = plan.conditions
  const candidates: Candidate[] = []
  for (const cooler of [3, 6]) {
    const to = Math.round(mixC - cooler)
    if (to >= clearC + 2 && to >= 20) {
      candidates.push({
        id: `cooler-${cooler}`,
        sentence: fact('advice.mix-at-instead', { to: celsius(to), mixC: celsius(mixC, 1) }),
        edit: set(['conditions', 'mixC'], to),
      })
    }
  }
  for (const lower of [0.2, 0.4]) {
    const to = Number((stopLevel - lower).toFixed(2))
    if (to >= 1.2) {
      candidates.push({
        id: `stop-${lower}`,
        sentence: fact('advice.stop-blending-at-level', { to, stopLevel: plain(stopLevel, 1) }),
        edit: set(['conditions', 'stopLevel'], to),
      })
    }
  }
  for (const longer of [Number((stopLevel + 0.2).toFixed(2)), 2]) {
    if (longer > stopLevel && longer <= 2.2) {
      candidates.push({
        id: `blend-to-${longer}`,
        sentence: fact('advice.blend-on-level-before', { longer }),
        edit: set(['conditions', 'stopLevel'], longer),
      })
    }
  }
  const weaker = Number((w - 0.02).toFixed(4))
  if (weaker >= 0.25) {
    candidates.push({
      id: 'more-water',
      sentence: fact('advice.take-more-water-lye', { weaker: share(weaker, 1), w: share(w, 1) }),
      edit: set(['recipe', 'water'], { ...plan.recipe.water, basis: 'concentration', value: weaker }),
    })
  }
  return candidates
}

function scents(plan: Plan, shelf: Shelf, batterPerOils: number): Candidate[] {
  const scent = plan.scent
  if (!scent) return []
  const load = scentLoad(scent, shelf, batterPerOils)
  const { name } = load
  const candidates: Candidate[] = []
  if (scent.moment !== 'last') {
    candidates.push({
      id: 'scent-last',
      sentence: fact('advice.stir-into-each-cup', { name }),
      edit: set(['scent', 'moment'], 'last'),
    })
  }
  plan.cups.forEach((cup, i) => {
    if (cup.scented && !cup.ownScent && plan.cups.some((other, j) => j !== i && other.scented)) {
      candidates.push({
        id: `plain-${cup.id}`,
        sentence: fact('advice.leave-without-scent', { cup: cup.name }),
        edit: set(['cups', i, 'scented'], false),
      })
    }
  })
  const calmer = shelf.scents
    .filter(
      one =>
        (one.acceleration === 'none' || one.acceleration === 'slows') &&
        !one.archived &&
        one.type !== 'blend' &&
        !scent.parts.some(part => part.scent === one.id),
    )
    .sort((a, b) => b.ownRuns - a.ownRuns)[0]
  if (calmer) {
    const edits: Edit[] = [set(['scent', 'parts'], [{ scent: calmer.id, share: 1 }])]
    const most = capShare(limitOfOils(calmer, batterPerOils))
    if (load.loadOfOils > most) edits.push(set(['scent', 'basis'], 'oils'), set(['scent', 'load'], most))
    candidates.push({
      id: 'calmer-scent',
      sentence: fact('advice.take-instead', { calmer: calmer.name, name }),
      edit: { kind: 'many', edits },
    })
  }
  return candidates
}

/**
 * The one way that works with a scent that seizes: every other cup plain, one cup scented, poured once and last, straight from
 * the scent into the mould, with no tool after it.
 */
function neverStop(plan: Plan, shelf: Shelf): Candidate[] {
  const { scent, score } = plan
  if (!scent || scent.moment === 'never-stop' || plan.whipped) return []
  const { lnRate } = runInputOf(plan, portionsOf(plan, shelf), shelf).cups.find(cup => cup.scent)?.scent ?? {
    lnRate: 0,
  }
  if (lnRate < SEIZES) return []
  const once = score.filter(pour => score.filter(one => one.cup === pour.cup).length === 1)
  const isScented = (id: string) => plan.cups.some(cup => cup.id === id && cup.scented && !cup.ownScent)
  const last = once.findLast(pour => isScented(pour.cup) && pour.together === 'no')
  if (!last) return []
  const cup = plan.cups.find(one => one.id === last.cup)!
  const rest = score.filter(pour => pour.id !== last.id)
  const edits: Edit[] = [
    set(['scent'], { ...scent, moment: 'never-stop', how: 'hand', spread: 'cup' }),
    ...plan.cups.map((one, i) => set(['cups', i, 'scented'], one.id === cup.id)),
    set(
      ['moves'],
      plan.moves.map(move => (move.after === last.id ? { ...move, off: true } : move)),
    ),
    set(['score'], [...rest, { ...last, waitMin: 0, shape: { ...last.shape, way: 'layer', texture: 'rustic' } }]),
  ]
  const early = plan.conditions.stopLevel > EMULSION
  if (early) edits.push(set(['conditions', 'stopLevel'], EMULSION))
  const stop = early ? fact('advice.stop-blending-at-emulsion', { level: EMULSION }) : ''
  const sentence = fact('advice.never-stop-scent-alone', { cup: cup.name, stop })
  return [{ id: 'never-stop', sentence, edit: { kind: 'many', edits } }]
}

/** How cups take their turns, and what ends the blending. */
function working(plan: Plan): Candidate[] {
  const candidates: Candidate[] = []
  if (plan.division.mode === 'own-batters' && plan.hands.order !== 'each')
    candidates.push({
      id: 'each-in-turn',
      sentence: fact('advice.take-each-batter-its'),
      edit: set(['hands', 'order'], 'each'),
    })
  if (plan.conditions.stopWhen !== 'level-holds' && !plan.whipped)
    candidates.push({
      id: 'until-it-holds',
      sentence: fact('advice.blend-until-emulsion-holds'),
      edit: set(['conditions', 'stopWhen'], 'level-holds'),
    })
  return candidates
}

/** Both at once, where one change alone is not enough. */
function together(plan: Plan, clearC: number): Candidate[] {
  const to = Math.max(Math.ceil(clearC + 2), 26)
  const stop = EMULSION
  if (plan.conditions.mixC <= to || plan.conditions.stopLevel <= stop) return []
  const edits = [set(['conditions', 'mixC'], to), set(['conditions', 'stopLevel'], stop)]
  if (plan.scent && plan.scent.moment !== 'last') edits.push(set(['scent', 'moment'], 'last'))
  const sentence = fact('advice.mix-at-stop-at', {
    to: celsius(to),
    stop,
    which: edits.length > 2 ? fact('advice.scent-each-cup-last') : '',
  })
  return [{ id: 'cool-and-early', sentence, edit: { kind: 'many', edits } }]
}

const chanceOfPlan = (plan: Plan, shelf: Shelf): number => chanceOf(runInputOf(plan, portionsOf(plan, shelf), shelf))

/**
 * The changes that help most, the best first. A single change is put before a set of changes unless the set gains clearly
 * more.
 *
 * @param most how many to give at most
 */
export function remediesFor(plan: Plan, shelf: Shelf, most = 3): Remedy[] {
  if (!readPlan(plan).ok) return []
  const before = chanceOfPlan(plan, shelf)
  const unit = unitBatter(plan.recipe, shelf)
  const clearC = batterPace(unit).clearPointC
  const remedies = [
    ...settings(plan, clearC, unit.water.concentration),
    ...scents(plan, shelf, unit.batterG),
    ...neverStop(plan, shelf),
    ...working(plan),
    ...together(plan, clearC),
  ].flatMap((one): Remedy[] => {
    const changed = applyEdit(plan, one.edit)
    if (!changed.ok) return []
    const after = chanceOfPlan(changed.plan, shelf)
    return after - before >= SMALLEST_GAIN ? [{ ...one, before, after }] : []
  })
  const effort = (remedy: Remedy) => (remedy.edit.kind === 'many' ? 0.1 : 0)
  return remedies.sort((a, b) => b.after - effort(b) - (a.after - effort(a))).slice(0, most)
}
