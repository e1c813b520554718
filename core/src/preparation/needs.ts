import { fact, keepingZeros, kilograms, together } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import type { MoveTool, Plan } from '../plan/index.ts'
import type { Portions } from '../portions/index.ts'
import { divisionSheet } from './division.ts'
import { MATERIAL_VERDICTS, findById, vesselFit } from '../shelf/index.ts'
import type { Shelf, Vessel } from '../shelf/index.ts'

/** A tool or vessel to have ready before the lye. */
export interface ToolLine {
  key: string
  what: Words
  count: number
  why: Words
  /** In the workshop by the shelf: yes, no, or not known. */
  state: 'here' | 'missing' | 'few'
  sentence: Words
}

interface Wanted {
  id: string
  what: Words
  count: number
  why: Words
}

/** Ids of all colorants of a plan: in cups, in the pot, whites of ladders, lines of powder. */
const coloursOf = (plan: Plan): string[] => [
  ...plan.cups.flatMap(cup => cup.colorants.map(part => part.colorant)),
  ...plan.potColorants.map(part => part.colorant),
  ...plan.ladders.flatMap(ladder => (ladder.white === '' ? [] : [ladder.white])),
  ...dustedColours(plan),
]

const dustedColours = (plan: Plan): string[] =>
  plan.score.flatMap(({ shape }, i) => (i > 0 && shape.pencil !== '' ? [shape.pencil] : []))

/** What each move of the score is made with. */
const MOVE_NEEDS: Partial<Record<MoveTool, Omit<Wanted, 'count'>>> = {
  hanger: { id: 'wire', what: fact('Hanger wire'), why: fact('lifted swirls') },
  skewer: { id: 'skewer', what: fact('Skewer'), why: fact('fine swirls') },
  stick: { id: 'chopstick', what: fact('Chopstick'), why: fact('drawn swirls') },
  comb: { id: 'comb', what: fact('Comb'), why: fact('combed tops') },
  spoon: { id: 'spoon-steel', what: fact('Stainless spoon'), why: fact('folding and heaps') },
}

/** Tools that the design asks for: moves, piping, lines of powder, a tilted mould. */
export function designTools(plan: Plan): Wanted[] {
  const used = new Set(plan.moves.filter(move => !move.off).map(move => move.tool))
  const list: Wanted[] = [...used].flatMap(tool => {
    const need = MOVE_NEEDS[tool]
    return need ? [{ ...need, count: 1 }] : []
  })
  const piped = new Set(plan.score.filter(pour => pour.shape.way === 'piped').map(pour => pour.cup)).size
  if (piped > 0 || plan.division.top)
    list.push(
      {
        id: 'piping-bag',
        what: fact('preparation.piping-bag'),
        count: Math.max(1, piped),
        why: fact('preparation.piped-top'),
      },
      { id: 'piping-tips', what: fact('preparation.piping-tips'), count: 1, why: fact('preparation.piped-top') },
    )
  if (dustedColours(plan).length > 0)
    list.push({
      id: 'sieve',
      what: fact('preparation.fine-sieve'),
      count: 1,
      why: fact('preparation.lines-powder-between-layers'),
    })
  if (plan.score.some(pour => pour.shape.tiltDeg !== 0))
    list.push({
      id: 'wedge',
      what: fact('preparation.wedge-or-block'),
      count: 1,
      why: fact('preparation.tilting-mould'),
    })
  return list
}

function wantedTools(plan: Plan, shelf: Shelf): Wanted[] {
  const colours = coloursOf(plan)
  const dusty = colours.some(id => findById(shelf.colorants, id)?.dusty)
  const poured = new Set(plan.score.map(pour => pour.cup)).size
  const letters = new Set(plan.cups.map(cup => cup.batter).filter(letter => letter !== ''))
  const alone = plan.cups.filter(cup => cup.batter === '' && plan.score.some(pour => pour.cup === cup.id)).length
  const pots = plan.division.mode === 'own-batters' ? letters.size + alone : 1
  const list: (Wanted | false)[] = [
    { id: 'goggles', what: fact('Goggles'), count: 1, why: fact('preparation.from-opening-lye-until') },
    { id: 'gloves', what: fact('preparation.gloves-long'), count: 2, why: fact('preparation.one-pair-on-one') },
    dusty && {
      id: 'dust-mask',
      what: fact('preparation.dust-mask'),
      count: 1,
      why: fact('preparation.powders-while-they-are'),
    },
    { id: 'scale-1g', what: fact('Scale'), count: 1, why: fact('preparation.oils-water') },
    { id: 'scale-fine', what: fact('preparation.fine-scale'), count: 1, why: fact('preparation.lye-scent-colours') },
    {
      id: 'thermometer',
      what: fact('Thermometer'),
      count: plan.heat.rule === 'transfer' ? 1 : 2,
      why: fact('preparation.lye-oils'),
    },
    {
      id: 'spoon-steel',
      what: fact('preparation.stainless-spoon'),
      count: 1,
      why: fact('preparation.lye-stirred-clear'),
    },
    plan.whipped
      ? {
          id: 'mixer',
          what: fact('preparation.electric-mixer-with-whisks'),
          count: 1,
          why: fact('preparation.creaming-fats-beating-air'),
        }
      : {
          id: 'stick-blender',
          what: fact('preparation.stick-blender'),
          count: 1,
          why: fact('preparation.the-emulsion'),
        },
    {
      id: 'spatula',
      what: fact('Spatula'),
      count: Math.max(1, Math.min(poured, 4)),
      why: plan.score.some(pour => pour.overSpatula) ? fact('preparation.scraping-pouring-over') : fact('scraping'),
    },
    colours.length > 0 && {
      id: 'mini-mixer',
      what: fact('preparation.mini-mixer'),
      count: 1,
      why: fact('preparation.colours-their-liquid'),
    },
    { id: 'level', what: fact('preparation.spirit-level'), count: 1, why: fact('preparation.mould-on-two-axes') },
    plan.mould.lining !== 'none' && {
      id: 'scissors',
      what: fact('Scissors'),
      count: 1,
      why: fact('preparation.the-liner'),
    },
    pots > 1 && {
      id: 'whisk',
      what: fact('preparation.hand-whisk'),
      count: 1,
      why: fact('preparation.if-blender-fails-between'),
    },
    { id: 'cover', what: fact('preparation.cover-towel'), count: 1, why: fact('preparation.rest-mould') },
  ]
  const all = [...list.filter(one => one !== false), ...designTools(plan)]
  return all.filter((one, i) => all.findIndex(other => other.id === one.id) === i)
}

function toolLine(wanted: Wanted, shelf: Shelf): ToolLine {
  const tool = findById(shelf.tools, wanted.id)
  const count = tool && !tool.archived ? tool.count : 0
  const battery = tool?.battery ? fact('preparation.check-its-batteries') : ''
  const state = count >= wanted.count ? 'here' : count > 0 ? 'few' : 'missing'
  const sentence =
    state === 'here'
      ? battery
      : state === 'few'
        ? together([fact('preparation.only-on-shelf', { count }), battery])
        : fact('preparation.not-among-tools-on')
  return { key: `tool:${wanted.id}`, what: wanted.what, count: wanted.count, why: wanted.why, state, sentence }
}

interface WantedVessel {
  key: string
  what: Words
  massG: number
  content: 'oils' | 'lye' | 'batter'
  count: number
  /** The one that the plan names. */
  chosen?: string | undefined
}

const WHYS = { lye: 'lye into water, hot', batter: 'with room to stir', oils: 'with room for the lye' }

/**
 * The smallest of the workshop's vessels for a use that hold it and stand it. Each can be used once: `taken` counts what the
 * lines before have out already.
 */
function vesselLine(shelf: Shelf, wanted: WantedVessel, taken: Map<string, number>): ToolLine {
  const { key, what, massG, content, count } = wanted
  const use = content === 'lye' ? 'lye' : 'batter'
  const line = { key, what, count, why: fact(WHYS[content]) }
  const own = wanted.chosen ? findById(shelf.vessels, wanted.chosen) : undefined
  if (own) {
    taken.set(own.id, (taken.get(own.id) ?? 0) + 1)
    return { ...line, ...chosenVessel(own, massG, content, use) }
  }
  const free = (vessel: Vessel) => Math.max(0, Math.floor(vessel.count) - (taken.get(vessel.id) ?? 0))
  const ready = shelf.vessels
    .filter(
      vessel =>
        !vessel.archived &&
        vessel.role !== 'bath' &&
        MATERIAL_VERDICTS[vessel.material][use] === 'yes' &&
        vesselFit(vessel, massG, content).fits,
    )
    .sort((a, b) => a.capacityMl - b.capacityMl)
  const out: { vessel: Vessel; n: number }[] = []
  let left = count
  for (const vessel of ready) {
    const n = Math.min(left, free(vessel))
    if (n > 0) out.push({ vessel, n })
    left -= n
  }
  for (const { vessel, n } of out) taken.set(vessel.id, (taken.get(vessel.id) ?? 0) + n)
  const names = out.map(({ vessel, n }) => (n > 1 ? `${n} × ${vessel.name}` : vessel.name)).join(', ')
  if (left === 0) return { ...line, state: 'here', sentence: `${names}.` }
  const ml = Math.ceil(massG / 0.8 / 10) * 10
  const need = fact('preparation.about-ml-polypropylene-or', { ml, left })
  return out.length === 0
    ? { ...line, state: 'missing', sentence: fact('preparation.no-vessel-on-shelf', { need }) }
    : { ...line, state: 'few', sentence: fact('preparation.on-shelf-more', { names, left, need }) }
}

function chosenVessel(
  vessel: Vessel,
  massG: number,
  content: WantedVessel['content'],
  use: 'lye' | 'batter',
): Pick<ToolLine, 'state' | 'sentence'> {
  const verdict = MATERIAL_VERDICTS[vessel.material]
  const size = vesselFit(vessel, massG, content)
  if (verdict[use] === 'no') return { state: 'missing', sentence: together([vessel.name, verdict.sentence], ': ') }
  if (!size.fits) return { state: 'missing', sentence: size.sentence }
  const care = verdict[use] === 'care' ? verdict.sentence : ''
  return { state: 'here', sentence: together([`${vessel.name}.`, care]) }
}

/** Whipped batter grows, and a bowl is filled to four fifths: six times the batter in all. */
const WHIPPED = 4.8

const HEAVY_G = 6000

/** Cups that the plan gives a vessel of their own. */
function ownVessels(plan: Plan, portions: Portions): WantedVessel[] {
  if (plan.division.mode === 'own-batters') return []
  return plan.cups.flatMap((cup, i) =>
    cup.vessel !== '' && portions.cups[i]!.totalG > 0
      ? [
          {
            ...{
              key: `vessel:cup:${cup.id}`,
              what: fact('preparation.jug-for', { cup: cup.name }),
              massG: portions.cups[i]!.totalG,
            },
            ...{ content: 'batter' as const, count: 1, chosen: cup.vessel },
          },
        ]
      : [],
  )
}

/** How many jugs the other cups need, and the largest of what they hold. */
function jugsFor(plan: Plan, portions: Portions): { massG: number; count: number } {
  const cups = portions.cups.filter((cup, i) => cup.totalG > 0 && plan.cups[i]!.vessel === '')
  return { massG: Math.max(0, ...cups.map(cup => cup.totalG)), count: cups.length }
}

/** Tools and vessels for a plan, the ones missing told. Ticked before the lye is opened. */
export function toolList(plan: Plan, shelf: Shelf, portions: Portions): ToolLine[] {
  const poured = portions.cups.filter(cup => cup.totalG > 0)
  const largest = Math.max(0, ...poured.map(cup => cup.totalG))
  const own = plan.division.mode === 'own-batters'
  const isDivided = !own || plan.division.lye === 'divided'
  const sheet = own ? divisionSheet(plan, shelf, portions) : null
  const potG = sheet ? Math.max(largest, ...sheet.batters.map(batter => batter.batterG)) : portions.potG
  const inJugG = (isFor: (moment: string) => boolean) =>
    [...portions.liquids, ...portions.additives].reduce((sum, part) => (isFor(part.moment) ? sum + part.massG : sum), 0)
  const solutionG = sheet
    ? (sheet.solution?.totalG ?? Math.max(0, ...sheet.batters.map(batter => batter.own?.totalG ?? 0)))
    : portions.lyeG + portions.waterG + inJugG(moment => moment === 'lye')
  const batters = sheet?.batters.length ?? 1
  const jugs = isDivided ? 1 : batters
  const taken = new Map<string, number>()
  const wanted: (WantedVessel | false)[] = [
    {
      ...{
        key: 'vessel:lye',
        what: jugs > 1 ? fact('preparation.lye-jug-for-each') : fact('preparation.lye-jug'),
        massG: solutionG,
      },
      ...{ content: 'lye', count: jugs, chosen: jugs > 1 ? undefined : plan.heat.lyeVessel },
    },
    (sheet?.meltG ?? 0) > 0 && {
      ...{ key: 'vessel:melt', what: fact('preparation.melting-pot'), massG: sheet!.meltG, content: 'oils', count: 1 },
      chosen: plan.heat.oilsVessel,
    },
    own
      ? {
          key: 'vessel:pot',
          what: fact('preparation.pot-for-each-batter'),
          massG: potG,
          content: 'batter',
          count: batters,
        }
      : {
          ...{ key: 'vessel:pot', what: fact('preparation.mixing-pot'), massG: potG, content: 'batter', count: 1 },
          chosen: plan.heat.oilsVessel,
        },
    ...ownVessels(plan, portions),
    (!own || batters < poured.length) &&
      poured.length > 1 && {
        ...{ key: 'vessel:cups', what: fact('preparation.pouring-jugs'), content: 'batter' as const },
        ...jugsFor(plan, portions),
      },
    plan.whipped !== null && {
      ...{
        key: 'vessel:whip',
        what: fact('preparation.whipping-bowl'),
        massG: portions.potG * WHIPPED,
        content: 'batter' as const,
        count: 1,
      },
    },
    plan.division.top !== null && {
      ...{ key: 'vessel:top', what: fact('preparation.whipping-bowl'), massG: plan.division.top.massG * WHIPPED },
      ...{ content: 'batter' as const, count: 1 },
    },
    plan.division.top !== null && {
      ...{ key: 'vessel:top-lye', what: fact('preparation.lye-jug-for-top'), massG: plan.division.top.massG / 2 },
      ...{ content: 'lye' as const, count: 1 },
    },
  ]
  const vessels = wanted.flatMap(one => (one && one.count > 0 ? [vesselLine(shelf, one, taken)] : []))
  const lines = [...vessels, ...wantedTools(plan, shelf).map(wanted => toolLine(wanted, shelf))]
  if (potG > HEAVY_G)
    lines.push({
      key: 'care:lift',
      what: fact('preparation.second-pair-hands'),
      count: 1,
      why: fact('preparation.to-lift'),
      state: 'here',
      sentence: fact('preparation.caustic-batter-lift-two', { potG: keepingZeros(kilograms(potG / 1000, 1)) }),
    })
  return lines
}
