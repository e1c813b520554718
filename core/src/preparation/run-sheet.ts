import type { HeatPlan } from '../heat/index.ts'
import type { Plan } from '../plan/index.ts'
import { dustedLines, plainIceG } from '../portions/index.ts'
import type { Portions } from '../portions/index.ts'
import { findById, isHard } from '../shelf/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { divisionSheet } from './division.ts'
import { topSheet } from './top.ts'

/** A piece of preparation. Times in minutes before mixing; hands are busy from `fromMin` for `handsMin`. */
export interface PrepStep {
  key: string
  what: string
  why: string
  /** Minutes before lye meets oils. */
  startsMin: number
  endsMin: number
  handsMin: number
  /** On the chain that sets the whole length. */
  isCritical: boolean
}

export interface RunSheet {
  steps: PrepStep[]
  /** From the first step to mixing, min. */
  lengthMin: number
  /** Hands busy in that time, min. */
  busyMin: number
  /** Days or hours ahead of it all. */
  ahead: { key: string; what: string; when: string }[]
  critical: string[]
}

interface Task {
  key: string
  what: string
  why: string
  handsMin: number
  /** Goes on by itself after the hands are free, min. */
  waitMin: number
  after: string[]
}

/** Minutes for one pair of hands, engineering estimates of an ordinary bench. */
const MINUTES = {
  gather: 6,
  level: 2,
  line: 8,
  weighLine: 0.8,
  weighLye: 2,
  dissolve: 4,
  colour: 2,
  additive: 1.2,
  melt: 2,
}

/** Hard fats on gentle heat: a base and so much per kg. Engineering estimate. */
const meltingMin = (hardKg: number): number => (hardKg > 0 ? 8 + 14 * hardKg : 0)

function tasksOf(plan: Plan, shelf: Shelf, portions: Portions, heat: HeatPlan): Task[] {
  const hard = portions.oils.filter(part => {
    const oil = findById(shelf.oils, part.oil)
    return oil ? isHard(oil) && !part.late : false
  })
  const hardKg = hard.reduce((sum, part) => sum + part.massG, 0) / 1000
  const colours = plan.cups.reduce((sum, cup) => sum + cup.colorants.length, 0)
  const lyeExtras = [...portions.additives, ...portions.liquids].filter(part => part.moment === 'lye').length
  const laterExtras = [...portions.additives, ...portions.liquids].filter(part => part.moment !== 'lye').length
  const transfer = plan.heat.rule === 'transfer'
  const cooling = (min: number | undefined) => Math.max(0, min ?? 0)
  const sheet = plan.division.mode === 'own-batters' ? divisionSheet(plan, shelf, portions) : null
  const jugs = sheet && !sheet.solution ? Math.max(1, sheet.batters.length) : 1
  const oilLines = sheet
    ? sheet.meltOils.length +
      sheet.batters.reduce((sum, batter) => sum + batter.oils.filter(part => !part.fromMelt).length + 1, 0)
    : portions.oils.length
  const tasks: (Task | false)[] = [
    {
      key: 'gather',
      what: 'Gear on, tools and vessels out',
      why: 'a tool is missing more often than one thinks',
      handsMin: MINUTES.gather,
      waitMin: 0,
      after: [],
    },
    {
      key: 'water',
      what: jugs > 1 ? `Weigh the lye water, ${jugs} jugs` : 'Weigh the lye water',
      why: 'with what dissolves in it',
      handsMin: jugs * MINUTES.weighLine * (1 + lyeExtras) + (lyeExtras > 0 ? 1 : 0),
      waitMin: 0,
      after: ['gather'],
    },
    {
      key: 'lye',
      what: 'Weigh the lye',
      why: 'in its own cup, never more than written',
      handsMin: jugs * MINUTES.weighLye,
      waitMin: 0,
      after: ['gather'],
    },
    {
      key: 'dissolve',
      what: 'Lye into water, stir until clear',
      why: `rises to about ${heat.peak.peakC.toFixed(0)} °C; air, goggles, gloves`,
      handsMin: jugs * MINUTES.dissolve,
      // As the heat plan has it: from the first grain of lye to its target.
      waitMin: plan.whipped
        ? 0
        : Math.max(0, (transfer ? heat.peak.peakS / 60 : (heat.lye.startsMin ?? 0)) - jugs * MINUTES.dissolve),
      after: ['water', 'lye'],
    },
    {
      key: 'oils',
      what: 'Weigh the oils',
      why: 'hard fats first',
      handsMin: MINUTES.weighLine * oilLines,
      waitMin: 0,
      after: ['gather'],
    },
    plan.whipped !== null && {
      key: 'chill',
      what: `Chill the lye to ${plan.whipped.lyeC.toFixed(0)} °C, covered and labelled`,
      why: 'cold lye keeps the fats creamed; away from food',
      handsMin: 1,
      waitMin: 60,
      after: ['dissolve'],
    },
    plan.whipped !== null && {
      key: 'cream',
      what: hardKg > 0 ? 'Soften the hard fats, cream them with the liquid oils' : 'Beat the oils cold',
      why: `about ${plan.whipped.creamMin.toFixed(0)} min, at ${plan.whipped.fatsC.toFixed(0)} °C: not melted, pale and soft`,
      handsMin: plan.whipped.creamMin,
      waitMin: 0,
      after: ['oils'],
    },
    plan.whipped !== null && {
      key: 'bags',
      what: 'Bags, tips and trays set out',
      why: 'whipped batter holds its shape for half an hour or so',
      handsMin: 2,
      waitMin: 0,
      after: ['gather'],
    },
    plan.whipped === null &&
      !transfer && {
        key: 'melt',
        what: hardKg > 0 ? 'Melt the hard fats, add the liquid oils' : 'Warm the oils',
        why: `gently, until clear; to about ${plan.heat.meltC} °C at most`,
        handsMin: MINUTES.melt,
        waitMin: Math.max(3, meltingMin(hardKg)) + cooling(heat.oils.cooling?.min),
        after: ['oils'],
      },
    plan.mould.lining !== 'none' && {
      key: 'line',
      what: 'Cut and fit the liner',
      why: 'before hands are oily',
      handsMin: MINUTES.line,
      waitMin: 0,
      after: [],
    },
    {
      key: 'level',
      what: 'Level the mould, mark its outline',
      why: 'one degree is 4 mm over a loaf',
      handsMin: MINUTES.level,
      waitMin: 0,
      after: plan.mould.lining !== 'none' ? ['line'] : [],
    },
    colours > 0 && {
      key: 'colours',
      what: colours === 1 ? 'Mix the colour in its liquid' : `Mix ${colours} colours in their liquid`,
      why: 'mask on while powders are dry',
      handsMin: MINUTES.colour * colours,
      waitMin: 0,
      after: ['gather'],
    },
    laterExtras > 0 && {
      key: 'extras',
      what: 'Weigh additives and what goes in at trace',
      why: 'each in its own cup',
      handsMin: MINUTES.additive * laterExtras,
      waitMin: 0,
      after: ['gather'],
    },
    (portions.scents.length > 0 || portions.ownScents.some(Boolean)) && {
      key: 'scent',
      what: 'Weigh the scent',
      why: 'its cup stands in the mould, so it is not forgotten',
      handsMin: 1 + portions.scents.length + portions.ownScents.reduce((sum, own) => sum + (own?.length ?? 0), 0),
      waitMin: 0,
      after: ['gather'],
    },
  ]
  return [...tasks.filter(task => task !== false), ...besideThePot(plan, shelf)]
}

/** The top's own batter, lines of powder and toppings: made ready before the clock runs. */
function besideThePot(plan: Plan, shelf: Shelf): Task[] {
  const top = topSheet(plan, shelf)
  const lines = dustedLines(plan, shelf).length
  const toppings = plan.finish.toppings.length
  const task = (key: string, what: string, why: string, handsMin: number, after: string[]): Task => ({
    ...{ key, what, why, handsMin, after },
    waitMin: 0,
  })
  return [
    ...(top
      ? [
          task(
            'top',
            'Weigh the top’s own oils, water and lye',
            'a second lye jug; cream the fats soft while they stand',
            MINUTES.weighLine * (top.oils.length + 1) + MINUTES.weighLye,
            ['gather'],
          ),
          task(
            'top-lye',
            'The top’s lye into its water, stir clear, chill it',
            'it is trickled in at 10 to 20 °C when the main batter is poured; gear stays on',
            MINUTES.dissolve,
            ['top'],
          ),
        ]
      : []),
    ...(lines > 0
      ? [
          task(
            'lines',
            lines === 1 ? 'Powder for the line into its sieve' : `Powder for ${lines} lines into the sieve`,
            'mask on while it is dry; a cloth under the sieve',
            MINUTES.additive * lines,
            ['gather'],
          ),
        ]
      : []),
    ...(toppings > 0
      ? [task('toppings', 'Toppings in small pots, within reach', 'the top waits for nothing', toppings, ['gather'])]
      : []),
  ]
}

interface Placed {
  task: Task
  start: number
  handsEnd: number
  end: number
  /** What it had to wait for. */
  cause: string | null
}

/** Length of the longest chain from this task to the end. */
function tails(tasks: readonly Task[]): Map<string, number> {
  const found = new Map<string, number>()
  const tail = (task: Task): number => {
    const known = found.get(task.key)
    if (known !== undefined) return known
    const later = tasks.filter(other => other.after.includes(task.key)).map(tail)
    const value = task.handsMin + task.waitMin + Math.max(0, ...later)
    found.set(task.key, value)
    return value
  }
  tasks.forEach(tail)
  return found
}

/** One pair of hands, the longest chain first. */
function place(tasks: readonly Task[]): Placed[] {
  const tail = tails(tasks)
  const placed: Placed[] = []
  let now = 0
  let before: string | null = null
  const left = [...tasks]
  while (left.length > 0) {
    const isReady = (task: Task) =>
      task.after.every(key => placed.some(one => one.task.key === key && one.end <= now + 1e-9))
    const ready = left.filter(isReady).sort((a, b) => tail.get(b.key)! - tail.get(a.key)!)[0]
    if (!ready) {
      const next = Math.min(...placed.filter(one => one.end > now + 1e-9).map(one => one.end))
      now = Number.isFinite(next) ? next : now + 1
      continue
    }
    const last = placed.filter(one => ready.after.includes(one.task.key)).sort((a, b) => b.end - a.end)[0]
    placed.push({
      task: ready,
      start: now,
      handsEnd: now + ready.handsMin,
      end: now + ready.handsMin + ready.waitMin,
      cause: last && last.end >= now - 1e-9 ? last.task.key : before,
    })
    now += ready.handsMin
    before = ready.key
    left.splice(left.indexOf(ready), 1)
  }
  return placed
}

function criticalKeys(placed: readonly Placed[]): string[] {
  const last = placed.reduce((late, one) => (one.end > late.end ? one : late))
  const keys: string[] = []
  for (let at: Placed | undefined = last; at; at = placed.find(one => one.task.key === at.cause)) {
    if (keys.includes(at.task.key)) break
    keys.unshift(at.task.key)
  }
  return keys
}

/** What cools by itself is not begun too soon, or it is cold before its time: it ends as lye meets oils, hands permitting. */
function asLateAsMayBe(placed: Placed[], lengthMin: number): void {
  for (const one of placed) {
    const { handsMin, waitMin } = one.task
    if (waitMin === 0) continue
    let start = lengthMin - handsMin - waitMin
    const isBusy = (at: number) =>
      placed.find(other => other !== one && other.start < at + handsMin - 1e-9 && other.handsEnd > at + 1e-9)
    for (let other = isBusy(start); other && start > one.start; other = isBusy(start)) start = other.start - handsMin
    if (start <= one.start) continue
    Object.assign(one, { start, handsEnd: start + handsMin, end: start + handsMin + waitMin })
  }
}

function aheadOf(plan: Plan, shelf: Shelf, portions: Portions): RunSheet['ahead'] {
  const ahead: RunSheet['ahead'] = []
  for (const part of plan.recipe.oils) {
    if (!part.infusion) continue
    const oil = portions.oils.find(one => one.oil === part.oil)
    const makeG = Math.ceil((oil?.massG ?? 0) * part.infusion.makeFactor)
    const plantG = Math.ceil(makeG * part.infusion.plantPerOil)
    ahead.push({
      key: `ahead:infuse:${part.oil}`,
      what: `Steep ${plantG} g of ${part.infusion.plant} in ${makeG} g of ${oil?.name ?? part.oil}; decant the clear part, label and date it`,
      when: 'warm for hours, or cold for weeks',
    })
  }
  for (const part of portions.liquids) {
    const liquid = findById(shelf.liquids, part.id)
    if (liquid?.useFrozen)
      ahead.push({
        key: `ahead:freeze:${part.id}`,
        what: `Freeze ${Math.ceil(part.massG)} g of ${part.name} in cubes or flat bags`,
        when: 'the evening before',
      })
  }
  const iceG = plainIceG(plan, shelf, portions)
  if (iceG >= 1)
    ahead.push({
      key: 'ahead:ice',
      what: `Make ${Math.ceil(iceG)} g of ice from the recipe’s water`,
      when: 'the evening before',
    })
  if (plan.heat.lyeCooling === 'ice-bath' || plan.heat.oilsCooling === 'ice-bath')
    ahead.push({
      key: 'ahead:ice-bath',
      what: `${plan.heat.iceKg} kg of ice for the bath, kept apart from food`,
      when: 'the evening before',
    })
  return ahead
}

/** The preparation as steps that end together when lye meets oils, with the chain that sets its length. */
export function runSheet(plan: Plan, shelf: Shelf, portions: Portions, heat: HeatPlan): RunSheet {
  const placed = place(tasksOf(plan, shelf, portions, heat))
  const lengthMin = Math.max(...placed.map(one => one.end))
  const critical = criticalKeys(placed)
  asLateAsMayBe(placed, lengthMin)
  placed.sort((a, b) => a.start - b.start)
  return {
    steps: placed.map(({ task, start, end }) => ({
      key: task.key,
      what: task.what,
      why: task.why,
      startsMin: lengthMin - start,
      endsMin: lengthMin - end,
      handsMin: task.handsMin,
      isCritical: critical.includes(task.key),
    })),
    lengthMin,
    busyMin: placed.reduce((sum, one) => sum + one.task.handsMin, 0),
    ahead: aheadOf(plan, shelf, portions),
    critical,
  }
}
