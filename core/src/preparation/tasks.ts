import { celsius, fact, keepingZeros, plain, listOf } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import type { HeatPlan } from '../batter/heat/index.ts'
import type { Plan } from '../plan/index.ts'
import { dustedLines } from '../portions/index.ts'
import type { Portions } from '../portions/index.ts'
import { findById, isHard } from '../shelf/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { divisionSheet } from './division.ts'
import { topSheet } from './top.ts'

/** A piece of preparation before it has its time. */
export interface Task {
  key: string
  what: Words
  why: Words
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

/** What the tasks are counted from. */
interface Bench {
  plan: Plan
  portions: Portions
  heat: HeatPlan
  hardKg: number
  /** Colours to mix. */
  colours: number
  /** Liquids and additives that go into the lye's water, and all others. */
  lyeExtras: number
  laterExtras: number
  /** Jugs of lye. */
  jugs: number
  /** Oils on the scale. */
  oilLines: number
}

function benchOf(plan: Plan, shelf: Shelf, portions: Portions, heat: HeatPlan): Bench {
  const hard = portions.oils.filter(part => {
    const oil = findById(shelf.oils, part.oil)
    return oil ? isHard(oil) && !part.late : false
  })
  const hardKg = hard.reduce((sum, part) => sum + part.massG, 0) / 1000
  const colours = plan.cups.reduce((sum, cup) => sum + cup.colorants.length, 0)
  const lyeExtras = [...portions.additives, ...portions.liquids].filter(part => part.moment === 'lye').length
  const laterExtras = [...portions.additives, ...portions.liquids].filter(part => part.moment !== 'lye').length
  const sheet = plan.division.mode === 'own-batters' ? divisionSheet(plan, shelf, portions) : null
  const jugs = sheet && !sheet.solution ? Math.max(1, sheet.batters.length) : 1
  const oilLines = sheet
    ? sheet.meltOils.length +
      sheet.batters.reduce((sum, batter) => sum + batter.oils.filter(part => !part.fromMelt).length + 1, 0)
    : portions.oils.length
  return { plan, portions, heat, hardKg, colours, lyeExtras, laterExtras, jugs, oilLines }
}

/** Everything that has to be ready when lye meets oils, and what each piece waits for. */
export function tasksOf(plan: Plan, shelf: Shelf, portions: Portions, heat: HeatPlan): Task[] {
  const bench = benchOf(plan, shelf, portions, heat)
  return [
    ...lyeTasks(bench),
    ...oilTasks(bench),
    ...mouldTasks(bench),
    ...cupTasks(bench),
    ...besideThePot(plan, shelf),
  ]
}

const asked = (tasks: readonly (Task | false)[]): Task[] => tasks.filter(task => task !== false)

function lyeTasks({ plan, portions, heat, jugs, lyeExtras }: Bench): Task[] {
  const first = portions.additives.filter(part => part.moment === 'lye').map(part => part.name)
  const transfer = plan.heat.rule === 'transfer'
  return [
    {
      key: 'gather',
      what: fact('preparation.gear-on-tools-vessels'),
      why: fact('preparation.tool-missing-more-often'),
      handsMin: MINUTES.gather,
      waitMin: 0,
      after: [],
    },
    {
      key: 'water',
      what: jugs > 1 ? fact('preparation.weigh-lye-water-jugs', { jugs }) : fact('preparation.weigh-lye-water'),
      why:
        first.length > 0
          ? fact('preparation.dissolves-first', { names: listOf(first) })
          : fact('preparation.with-what-dissolves'),
      handsMin: jugs * MINUTES.weighLine * (1 + lyeExtras) + (lyeExtras > 0 ? 1 : 0),
      waitMin: 0,
      after: ['gather'],
    },
    {
      key: 'lye',
      what: fact('preparation.weigh-lye'),
      why: fact('preparation.its-own-cup-never'),
      handsMin: jugs * MINUTES.weighLye,
      waitMin: 0,
      after: ['gather'],
    },
    {
      key: 'dissolve',
      what: fact('preparation.lye-into-water-stir'),
      why: fact('preparation.rises-about-air-goggles', { peakC: keepingZeros(celsius(heat.peak.peakC, 0)) }),
      handsMin: jugs * MINUTES.dissolve,
      // As the heat plan has it: from the first grain of lye to its target.
      waitMin: plan.whipped
        ? 0
        : Math.max(0, (transfer ? heat.peak.peakS / 60 : (heat.lye.startsMin ?? 0)) - jugs * MINUTES.dissolve),
      after: ['water', 'lye'],
    },
  ]
}

function oilTasks({ plan, heat, hardKg, oilLines }: Bench): Task[] {
  const transfer = plan.heat.rule === 'transfer'
  const cooling = (min: number | undefined) => Math.max(0, min ?? 0)
  return asked([
    {
      key: 'oils',
      what: fact('preparation.weigh-oils'),
      why: fact('preparation.hard-fats-first'),
      handsMin: MINUTES.weighLine * oilLines,
      waitMin: 0,
      after: ['gather'],
    },
    plan.whipped !== null && {
      key: 'chill',
      what: fact('preparation.chill-lye-covered-labelled', { lyeC: keepingZeros(celsius(plan.whipped.lyeC, 0)) }),
      why: fact('preparation.cold-lye-keeps-fats'),
      handsMin: 1,
      waitMin: 60,
      after: ['dissolve'],
    },
    plan.whipped !== null && {
      key: 'cream',
      what: hardKg > 0 ? fact('preparation.soften-hard-fats-cream') : fact('preparation.beat-oils-cold'),
      why: fact('preparation.about-min-at-not', {
        creamMin: keepingZeros(plain(plan.whipped.creamMin, 0)),
        fatsC: keepingZeros(celsius(plan.whipped.fatsC, 0)),
      }),
      handsMin: plan.whipped.creamMin,
      waitMin: 0,
      after: ['oils'],
    },
    plan.whipped !== null && {
      key: 'bags',
      what: fact('preparation.bags-tips-trays-set'),
      why: fact('preparation.whipped-batter-holds-its'),
      handsMin: 2,
      waitMin: 0,
      after: ['gather'],
    },
    plan.whipped === null &&
      !transfer && {
        key: 'melt',
        what: hardKg > 0 ? fact('preparation.melt-hard-fats-add') : fact('preparation.warm-oils'),
        why: fact('preparation.gently-until-clear-about', { meltC: celsius(plan.heat.meltC) }),
        handsMin: MINUTES.melt,
        waitMin: Math.max(3, meltingMin(hardKg)) + cooling(heat.oils.cooling?.min),
        after: ['oils'],
      },
  ])
}

function mouldTasks({ plan }: Bench): Task[] {
  return asked([
    plan.mould.lining !== 'none' && {
      key: 'line',
      what: fact('preparation.cut-fit-liner'),
      why: fact('preparation.before-hands-are-oily'),
      handsMin: MINUTES.line,
      waitMin: 0,
      after: [],
    },
    {
      key: 'level',
      what: fact('preparation.level-mould-mark-its'),
      why: fact('preparation.one-degree-4-mm'),
      handsMin: MINUTES.level,
      waitMin: 0,
      after: plan.mould.lining !== 'none' ? ['line'] : [],
    },
  ])
}

/** What stands beside the pot in cups of its own. */
function cupTasks({ portions, colours, laterExtras }: Bench): Task[] {
  return asked([
    colours > 0 && {
      key: 'colours',
      what:
        colours === 1
          ? fact('preparation.mix-colour-its-liquid')
          : fact('preparation.mix-colours-their-liquid', { colours }),
      why: fact('preparation.mask-on-while-powders'),
      handsMin: MINUTES.colour * colours,
      waitMin: 0,
      after: ['gather'],
    },
    laterExtras > 0 && {
      key: 'extras',
      what: fact('preparation.weigh-additives-what-goes'),
      why: fact('preparation.each-its-own-cup'),
      handsMin: MINUTES.additive * laterExtras,
      waitMin: 0,
      after: ['gather'],
    },
    (portions.scents.length > 0 || portions.ownScents.some(Boolean)) && {
      key: 'scent',
      what: fact('preparation.weigh-scent'),
      why: fact('preparation.its-cup-stands-mould'),
      handsMin: 1 + portions.scents.length + portions.ownScents.reduce((sum, own) => sum + (own?.length ?? 0), 0),
      waitMin: 0,
      after: ['gather'],
    },
  ])
}

/** The top's own batter, lines of powder and toppings: made ready before the clock runs. */
function besideThePot(plan: Plan, shelf: Shelf): Task[] {
  const top = topSheet(plan, shelf)
  const lines = dustedLines(plan, shelf).length
  const toppings = plan.finish.toppings.length
  const task = (key: string, what: Words, why: Words, handsMin: number, after: string[]): Task => ({
    key,
    what,
    why,
    handsMin,
    after,
    waitMin: 0,
  })
  return [
    ...(top
      ? [
          task(
            'top',
            fact('preparation.weigh-tops-own-oils'),
            fact('preparation.second-lye-jug-cream'),
            MINUTES.weighLine * (top.oils.length + 1) + MINUTES.weighLye,
            ['gather'],
          ),
          task(
            'top-lye',
            fact('preparation.tops-lye-into-its'),
            fact('preparation.trickled-at-10-20'),
            MINUTES.dissolve,
            ['top'],
          ),
        ]
      : []),
    ...(lines > 0
      ? [
          task(
            'lines',
            lines === 1
              ? fact('preparation.powder-for-line-into')
              : fact('preparation.powder-for-lines-into', { lines }),
            fact('preparation.mask-on-while-dry'),
            MINUTES.additive * lines,
            ['gather'],
          ),
        ]
      : []),
    ...(toppings > 0
      ? [
          task(
            'toppings',
            fact('preparation.toppings-small-pots-within'),
            fact('preparation.top-waits-for-nothing'),
            toppings,
            ['gather'],
          ),
        ]
      : []),
  ]
}
