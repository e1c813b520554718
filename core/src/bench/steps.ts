import { preparationOrder, isScentedEarly } from '../batter/schedule/index.ts'
import type { RunInput } from '../batter/schedule/index.ts'
import type { Plan, Whipped } from '../plan/index.ts'
import type { WeighLine } from '../weighing/index.ts'
import { cupsOfBatter } from './batters.ts'
import type { CupFill } from './fill.ts'
import { SAFETY_TICKS, safetyKey } from './safety.ts'
import { SECONDS, step } from './step.ts'
import type { BenchStep } from './step.ts'
import { creamKey, trickleKey } from './whip-keys.ts'

/** What is to be done at the bench, one thing after another. */

const weighing = (line: WeighLine): BenchStep =>
  step(`weigh:${line.key}`, 'weigh', SECONDS.weigh, { item: line.key, massG: line.massG })

/** What stands ready before lye is opened. */
function readySteps(plan: Plan): BenchStep[] {
  const names = [
    'gather',
    ...(plan.mould.lining === 'none' ? [] : ['line']),
    'level',
    // Whipped batter holds its shape for so long and no longer.
    ...(plan.whipped ? ['bags'] : []),
  ]
  return names.map(item => step(`ready:${item}`, 'ready', SECONDS.tick, { item }))
}

/** The lye first, since it has to cool; everything else is weighed while it does, but for what each batter of its own gets. */
function lyeSteps(lines: readonly WeighLine[]): BenchStep[] {
  const isFirst = ({ group }: WeighLine) => group === 'lye-water' || group === 'lye'
  const rest = lines.filter(line => !isFirst(line) && line.group !== 'batter')
  return [
    ...lines.filter(isFirst).map(weighing),
    step('lye-mix', 'lye-mix', SECONDS.mix),
    ...rest.map(weighing),
    step('lye-clear', 'lye-clear', SECONDS.clear),
  ]
}

/** Fats as they are made ready for the lye: melted, or creamed as they are. */
function fatSteps({ whipped, heat }: Plan, isOwn: boolean): BenchStep[] {
  if (whipped) return isOwn ? [] : [creamStep(whipped)]
  return heat.rule === 'transfer' ? [] : [step('ready:melt', 'melt', SECONDS.melt, { item: 'melt' })]
}

const creamStep = ({ creamMin }: Whipped, cup?: string): BenchStep =>
  step(creamKey(cup), 'cream', 60 * creamMin, cup === undefined ? {} : { cup })

/** From the lye to a batter that is one: blended, or lye trickled into creamed fats and whipped on. */
function unionSteps({ whipped }: Plan, input: RunInput, cup?: string): BenchStep[] {
  const about = cup === undefined ? {} : { cup }
  const named = (kind: 'lye-in' | 'blend' | 'hold') => (cup === undefined ? kind : `${kind}:${cup}`)
  const lyeInS = cup === undefined ? SECONDS.lyeIn : input.times['own-lye'] * input.handPace
  return [
    step(named('lye-in'), 'lye-in', lyeInS, about),
    ...(whipped ? [step(trickleKey(cup), 'trickle', 60 * whipped.trickleMin, about)] : []),
    step(named('blend'), 'blend', whipped ? SECONDS.whip : input.blendS, about),
    step(named('hold'), 'hold', SECONDS.hold, about),
  ]
}

function mixSteps(plan: Plan, input: RunInput, lines: readonly WeighLine[]): BenchStep[] {
  const readings = { lye: step('temp:lye', 'temp', SECONDS.temp, { item: 'lye' }), oils: oilsReading }
  return [
    ...(plan.whipped ? [] : fatSteps(plan, input.ownBatters)),
    // Fats are shared among batters of their own once they are clear.
    ...lines.filter(({ group, kind }) => group === 'batter' && kind !== 'solution').map(weighing),
    // What is creamed is read before; the lye has to be cold as it goes in.
    ...(plan.whipped
      ? [readings.oils, ...fatSteps(plan, input.ownBatters), readings.lye]
      : [readings.lye, readings.oils]),
    ...(input.ownBatters ? [] : unionSteps(plan, input)),
  ]
}

const oilsReading = step('temp:oils', 'temp', SECONDS.temp, { item: 'oils' })

const drawing = (input: RunInput, fills: readonly CupFill[], i: number): BenchStep => {
  const { id } = input.cups[i]!.cup
  return step(`draw:${id}`, 'draw', input.times.split * input.handPace, { cup: id, massG: fills[i]!.drawG })
}

/** Lye solution that a batter of its own gets. */
export const solutionOf = (lines: readonly WeighLine[], input: RunInput, cup: string): WeighLine | undefined => {
  const i = input.cups.findIndex(task => task.cup.id === cup)
  const cups = i < 0 ? [] : cupsOfBatter(input, i).map(k => input.cups[k]!.cup.id)
  return lines.find(({ kind, batter }) => kind === 'solution' && cups.includes(batter))
}

/** What steps are made of. */
interface Given {
  plan: Plan
  input: RunInput
  lines: readonly WeighLine[]
  fills: readonly CupFill[]
}

/** A batter with lye of its own, made right before its first cup is needed: its share of the lye, weighed; blending, hold test, and the cups
 * that share it. */
function batterSteps({ plan, input, fills, lines }: Given, i: number): BenchStep[] {
  const cups = cupsOfBatter(input, i)
  const { id } = input.cups[cups[0]!]!.cup
  const solution = solutionOf(lines, input, id)
  return [
    ...(plan.whipped ? [creamStep(plan.whipped, id)] : []),
    ...(solution ? [weighing(solution)] : []),
    ...unionSteps(plan, input, id),
    ...(cups.length > 1 ? cups.map(k => drawing(input, fills, k)) : []),
  ]
}

function drawSteps(input: RunInput, fills: readonly CupFill[]): BenchStep[] {
  if (input.ownBatters) return []
  const used = input.cups.filter(cup => cup.massG > 0)
  const inPot = used.filter(({ scent }) => scent?.moment === 'pot' && !input.ownBatters)
  const firstPour = (id: string) => input.pours.findIndex(pour => input.cups[pour.cup]!.cup.id === id)
  const draw = (task: (typeof used)[number]) => drawing(input, fills, input.cups.indexOf(task))
  const ordered = [...used].sort((a, b) => firstPour(a.cup.id) - firstPour(b.cup.id))
  const plain = ordered.filter(cup => !inPot.includes(cup))
  return [
    ...plain.map(draw),
    ...(inPot.length > 0 ? [step('scent-pot', 'scent-pot', input.times['scent-pot'] * input.handPace)] : []),
    ...ordered.filter(cup => inPot.includes(cup)).map(draw),
  ]
}

/** Scent that the pot was left without, into the cup itself: a step only where it was forgotten. */
export const LATE_SCENT = 'late-scent:'

/** Colour of a cup, and the scent that goes in with it. */
function cupSteps(given: Given, i: number): BenchStep[] {
  const { input } = given
  const { cup, colourS } = input.cups[i]!
  const isScented = isScentedEarly(input, input.cups[i]!)
  const mayBeForgotten = input.cups[i]!.scent?.moment === 'pot' && !input.ownBatters
  return [
    ...(input.ownBatters ? batterSteps(given, i) : []),
    ...(colourS > 0 ? [step(`colour:${cup.id}`, 'colour', colourS * input.handPace, { cup: cup.id })] : []),
    ...(isScented ? [step(`scent:${cup.id}`, 'scent', input.times.scent * input.handPace, { cup: cup.id })] : []),
    ...(mayBeForgotten
      ? [step(`${LATE_SCENT}${cup.id}`, 'scent', input.times.scent * input.handPace, { cup: cup.id })]
      : []),
  ]
}

function pourSteps(given: Given): BenchStep[] {
  const { plan, input } = given
  return input.pours.flatMap((pour, n) => {
    const { cup, scent } = input.cups[pour.cup]!
    const isFirst = !input.pours.slice(0, n).some(earlier => earlier.cup === pour.cup)
    const atOnce = scent?.moment === 'last' || scent?.moment === 'never-stop'
    return [
      ...(pour.waitS > 0 ? [step(`wait:${pour.pour}`, 'wait', pour.waitS, { pour: pour.pour })] : []),
      ...(isFirst && input.colourEach ? cupSteps(given, pour.cup) : []),
      ...(isFirst && atOnce
        ? [step(`scent:${cup.id}`, 'scent', input.times.scent * input.handPace, { cup: cup.id })]
        : []),
      step(`pour:${pour.pour}`, 'pour', pour.seconds * input.handPace, {
        cup: cup.id,
        pour: pour.pour,
        massG: pour.massG,
      }),
      ...pour.tools.map(tool => {
        const move = plan.moves[tool.move]!.id
        return step(`tool:${move}`, 'tool', tool.seconds * input.handPace, { move, pour: pour.pour })
      }),
    ]
  })
}

/** What is kept back of cups that are not poured gets its colour and scent too, once what hurries is in the mould. */
function keptSteps(given: Given): BenchStep[] {
  const { plan, input } = given
  const isPoured = (id: string) => plan.score.some(pour => pour.cup === id)
  return input.cups.flatMap(({ cup, massG, scent }, i) => {
    if (!(massG > 0) || isPoured(cup.id) || input.pours.some(pour => pour.cup === i)) return []
    const atOnce = scent?.moment === 'last' || scent?.moment === 'never-stop'
    return [
      ...(input.colourEach ? cupSteps(given, i) : []),
      ...(atOnce ? [step(`scent:${cup.id}`, 'scent', input.times.scent * input.handPace, { cup: cup.id })] : []),
    ]
  })
}

function finishSteps(plan: Plan): BenchStep[] {
  const items = [
    ...(plan.finish.toppings.length > 0 ? ['toppings'] : []),
    ...(plan.rest.mists > 0 ? ['mist'] : []),
    ...['cover', 'clean'],
  ]
  return [
    ...items.map(item => step(`finish:${item}`, 'finish', SECONDS.finish, { item })),
    step('close', 'close', SECONDS.tick),
  ]
}

/** A batter that several cups share is made for the first of them. */
const onlyOnce = (steps: readonly BenchStep[]): BenchStep[] =>
  [...new Map([...steps].reverse().map(one => [one.key, one])).values()].reverse()

/** Everything from the safety list to the covered mould, in the order in which it is done. */
export function stepsOf(
  plan: Plan,
  input: RunInput,
  lines: readonly WeighLine[],
  fills: readonly CupFill[],
): BenchStep[] {
  const given = { plan, input, lines, fills }
  return onlyOnce([
    ...SAFETY_TICKS.map(item => step(safetyKey(item), 'safety', SECONDS.tick, { item })),
    ...readySteps(plan),
    ...lyeSteps(lines),
    ...mixSteps(plan, input, lines),
    ...drawSteps(input, fills),
    ...(input.colourEach ? [] : preparationOrder(input).flatMap(i => cupSteps(given, i))),
    ...pourSteps(given),
    ...keptSteps(given),
    ...finishSteps(plan),
  ])
}
