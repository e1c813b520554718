import { fact, millimetres } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import { Fixed, Id, Like, Part, Parts, Text, problemsIn, tidied } from '../document/fields/index.ts'
import { opened } from '../document/kept/index.ts'
import type { Kind, Loose, Opened } from '../document/kept/index.ts'
import type { Problem } from '../document/fields/index.ts'
import {
  Cutting,
  Finish,
  MAX_CUPS,
  MAX_MOVES,
  MAX_POURS,
  Mould,
  Move,
  Pour,
  changedParts,
  THINNEST_LAYER_MM,
  cuttingIn13,
  finishIn13,
  mouldIn13,
  ordered,
  plainCup,
  planChanges,
  starterPlan,
} from '../plan/index.ts'
import type { Edit, Plan } from '../plan/index.ts'

/** Goes up whenever the form of kept designs changes; the way up is below. */
export const DESIGN_VERSION = 3

export class KeptCup {
  @Id()
  id!: string

  @Text(1, 60, 'A cup’s name has 1 to 60 letters.')
  name!: string

  @Like(/^#[0-9a-f]{6}$/, 'A colour is written like #3a5f7c.')
  hex!: string
}

export class KeptDesign {
  @Fixed('ostler-design', 'The format is "ostler-design".')
  format!: 'ostler-design'

  @Fixed(DESIGN_VERSION, `The version is ${DESIGN_VERSION}.`)
  version!: typeof DESIGN_VERSION

  @Text(1, 80, 'A design has a name of 1 to 80 letters.')
  name!: string

  @Text(0, 1000, 'What is said of a design has at most 1000 letters.')
  notes!: string

  @Part(() => Mould, 'The mould that it was made for is missing.')
  mould!: Mould

  @Parts(() => KeptCup, 1, MAX_CUPS, `A design has 1 to ${MAX_CUPS} cups.`)
  cups!: KeptCup[]

  @Parts(() => Pour, 1, MAX_POURS, `A score has 1 to ${MAX_POURS} pours.`)
  score!: Pour[]

  @Parts(() => Move, 0, MAX_MOVES, `A score has at most ${MAX_MOVES} moves of tools.`)
  moves!: Move[]

  @Part(() => Finish, 'What goes in and on top beside pours is missing.')
  finish!: Finish

  @Part(() => Cutting, 'How the loaf is cut is missing.')
  cutting!: Cutting
}

const isObject = (value: unknown): value is Loose =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** Pours got cavities and a depth of their own. */
function toVersion2(design: Loose): Loose {
  const { score } = design
  const pours = Array.isArray(score)
    ? score.map((pour: unknown) =>
        isObject(pour)
          ? { cavities: [], ...pour, ...(isObject(pour['shape']) && { shape: { depth: 'auto', ...pour['shape'] } }) }
          : pour,
      )
    : score
  return { ...design, version: 2, score: pours }
}

/** Moulds that narrow, blades, embeds that are cast before, toppings in halves. */
const toVersion3 = ({ mould, cutting, finish, ...design }: Loose): Loose => ({
  ...design,
  version: 3,
  ...{ mould: mouldIn13(mould), cutting: cuttingIn13(cutting), finish: finishIn13(finish) },
})

/** Names that the parts of a design refer to must exist. */
function lostNames(design: KeptDesign): Problem[] {
  const cups = new Set(design.cups.map(cup => cup.id))
  const pours = new Set(design.score.map(pour => pour.id))
  const lost = design.score.find(pour => !cups.has(pour.cup))
  if (lost) return [{ path: 'score', value: '', sentence: fact('design.there-no-cup', { cup: lost.cup }) }]
  const loose = design.moves.find(move => !pours.has(move.after))
  return loose
    ? [{ path: 'moves', value: '', sentence: fact('design.there-no-pour-move', { after: loose.after }) }]
    : []
}

/** Designs, of every version that there has been. */
const DESIGNS: Kind<KeptDesign> = {
  format: 'ostler-design',
  version: DESIGN_VERSION,
  steps: { 1: toVersion2, 2: toVersion3 },
  says: {
    noObject: fact('design.design-object'),
    otherFormat: fact('design.other-format'),
    tooDeep: fact('design.this-too-deep-or'),
    newer: version => fact('design.newer', { version, newest: DESIGN_VERSION }),
  },
  read(document) {
    const amiss = problemsIn(KeptDesign, document)
    if (amiss.length > 0) return { ok: false, problems: amiss }
    const design = tidied(KeptDesign, document as unknown as KeptDesign)
    const problems = lostNames(design)
    return problems.length > 0 ? { ok: false, problems } : { ok: true, value: design }
  },
}

/** A design as it was kept, of whatever version. Never throws. */
export const openedDesign = (value: unknown): Opened<KeptDesign> => opened(DESIGNS, value)

/** Checks a design that comes from outside. */
export function readDesign(value: unknown): { ok: true; design: KeptDesign } | { ok: false; problems: Problem[] } {
  const read = openedDesign(value)
  return read.ok ? { ok: true, design: read.value } : read
}

/** What became of a design from one version of it to another, in words; none where they are the same. */
export function designChanges(before: KeptDesign, after: KeptDesign): Words[] {
  const base = starterPlan('')
  const [old, now] = [planOfDesign({ ...before, name: after.name }, base), planOfDesign(after, base)]
  const named: Words[] =
    before.name === after.name
      ? []
      : [fact('shelf.changes-to', { label: fact('name'), from: before.name, to: after.name })]
  const noted: Words[] = before.notes === after.notes ? [] : [fact('notes')]
  return [...named, ...changedParts(planChanges(old, now), now), ...noted]
}

/** What a plan's design is by itself; colours as they are seen now. */
export function designFrom(plan: Plan, name: string, hexOf: (cup: string) => string): KeptDesign {
  const { mould, score, moves, finish, cutting } = ordered(plan)
  const used = new Set(score.map(pour => pour.cup))
  const cups = plan.cups.filter(cup => used.has(cup.id)).map(({ id, name: of }) => ({ id, name: of, hex: hexOf(id) }))
  return {
    format: 'ostler-design',
    version: DESIGN_VERSION,
    name,
    notes: '',
    mould,
    cups,
    score,
    moves,
    finish,
    cutting,
  }
}

/** A plan that shows a design as it was kept: for pictures, and as a start for a new batch. */
export function planOfDesign(design: KeptDesign, base: Plan): Plan {
  const { mould, score, moves, finish, cutting, name } = design
  const cups = design.cups.map(cup => ({ ...plainCup(cup.id, cup.name), wish: cup.hex }))
  return {
    ...base,
    ...{
      name,
      mould,
      cups,
      score,
      moves,
      finish,
      cutting,
      moreMoulds: [],
      ladders: [],
      reserves: [],
      aside: [],
      planB: null,
    },
    division: { ...base.division, actual: [], makesUp: '' },
  }
}

/** What it takes to use a design in a plan: edits, and what had to be fitted, in sentences. */
export interface Fitted {
  edits: Edit[]
  sentences: Words[]
}

const FORM_WORDS = {
  box: 'straight',
  cylinder: 'round',
  hexagon: 'six-sided',
  ellipse: 'oval',
  dome: 'half-round',
} as const
/** Tools that need straight walls. */
const NEEDS_BOX: readonly Move['tool'][] = ['hanger', 'spoon', 'fold']

const widthOf = (mould: Mould): number =>
  mould.form === 'box' || mould.form === 'ellipse' ? mould.innerWidthMm : mould.innerLengthMm

/** Every layer as thick as survives; those that are thicker give what that takes. Null: there is no room for so many. */
function thickEnough(plan: Plan, score: readonly Pour[]): { score: Pour[]; raised: number } | null {
  const least = (THINNEST_LAYER_MM / plan.mould.fillMm) * 1.0005
  const isLayer = (pour: Pour) => pour.shape.way === 'layer'
  const whole = score.reduce((sum, pour) => sum + pour.share, 0)
  const shares = score.map(pour => pour.share / whole)
  const thin = score.map((pour, i) => isLayer(pour) && shares[i]! < least)
  const need = thin.reduce((sum, isThin) => sum + (isThin ? least : 0), 0)
  const rest = shares.reduce((sum, share, i) => sum + (thin[i] ? 0 : share), 0)
  if (need >= 0.98 || (rest <= 0 && need > 0)) return null
  const raised = thin.filter(Boolean).length
  return {
    raised,
    score: score.map((pour, i) => ({
      ...pour,
      share: Number((thin[i] ? least : (shares[i]! * (1 - need)) / (rest || 1)).toFixed(6)),
    })),
  }
}

/** Which of the plan's cups takes each of the design's; a colour too many brings a cup of its own. */
function cupsFor(design: KeptDesign, plan: Plan): { ids: Map<string, string>; edits: Edit[]; sentences: Words[] } {
  const edits: Edit[] = []
  const ids = new Map<string, string>()
  const added: { name: string; id: string }[] = []
  design.cups.forEach((cup, i) => {
    const here = plan.cups[i]
    if (here) return ids.set(cup.id, here.id)
    if (plan.cups.length + added.length >= MAX_CUPS) return ids.set(cup.id, plan.cups[i % plan.cups.length]!.id)
    const id = `cup-${[...Array(100).keys()].find(n => n > 0 && !plan.cups.some(one => one.id === `cup-${n}`) && !added.some(one => one.id === `cup-${n}`))}`
    edits.push({ kind: 'add-cup', cup: { ...plainCup(id, cup.name), wish: cup.hex } })
    added.push({ id, name: cup.name })
    return ids.set(cup.id, id)
  })
  if (added.length === 0) return { ids, edits, sentences: [] }
  const sentence =
    added.length === 1
      ? fact('design.design-has-colour-more', { added: added[0]!.name })
      : fact('design.design-has-colours-more', {
          addedCount: added.length,
          added: added.map(cup => cup.name).join(', '),
        })
  return { ids, edits, sentences: [sentence] }
}

/** Pours that this mould has the height for, the last ones left out first. */
function poursFor(plan: Plan, raw: Pour[]): { score: Pour[]; sentences: Words[] } {
  const sentences: Words[] = []
  let fitted = thickEnough(plan, raw)
  let kept = raw
  while (!fitted && kept.length > 1) {
    kept = kept.slice(0, -1)
    fitted = thickEnough(plan, kept)
  }
  if (kept.length < raw.length)
    sentences.push(fact('design.this-mould-too-low', { rawCount: raw.length, rawCount2: raw.length - kept.length }))
  else if (fitted && fitted.raised > 0)
    sentences.push(
      fitted.raised === 1
        ? fact('design.one-layer-would-be', { thinnest: millimetres(THINNEST_LAYER_MM) })
        : fact('design.layers-would-be-thinner', {
            raised: fitted.raised,
            thinnest: millimetres(THINNEST_LAYER_MM),
          }),
    )
  return { score: fitted?.score ?? kept, sentences }
}

/** Fits a design to a plan's mould and cups. Nothing of the plan's recipe, scent or dosed colours changes. */
export function fitDesign(design: KeptDesign, plan: Plan): Fitted {
  const { ids, edits, sentences } = cupsFor(design, plan)
  const isBox = plan.mould.form === 'box'
  const lost = isBox ? [] : design.moves.filter(move => NEEDS_BOX.includes(move.tool))
  if (lost.length > 0) sentences.push(fact('design.hanger-spoon-folds-need'))
  if (plan.mould.form !== design.mould.form)
    sentences.push(
      fact('design.was-made-for-mould', {
        madeFor: fact(FORM_WORDS[design.mould.form]),
        here: fact(FORM_WORDS[plan.mould.form]),
      }),
    )
  const ratio = Math.sqrt((widthOf(plan.mould) / widthOf(design.mould)) * (plan.mould.fillMm / design.mould.fillMm))
  const scaled = (mm: number, low: number, high: number) =>
    mm === 0 ? 0 : Number(Math.min(high, Math.max(low, mm * ratio)).toFixed(1))
  if (
    Math.abs(ratio - 1) > 0.05 &&
    (design.finish.embeds.length > 0 || design.score.some(pour => pour.shape.spreadMm > 0))
  )
    sentences.push(fact('design.streams-embeds-were-made', { ratio, ratio2: Math.round(Math.abs(ratio - 1) * 100) }))
  const raw = design.score.map((pour): Pour => ({
    ...pour,
    cavities: pour.cavities.filter(k => k <= plan.mould.cavities),
    cup: ids.get(pour.cup)!,
    shape: { ...pour.shape, spreadMm: scaled(pour.shape.spreadMm, 1, 200) },
  }))
  const { score, sentences: left } = poursFor(plan, raw)
  sentences.push(...left)
  const pours = new Set(score.map(pour => pour.id))
  const moves = design.moves.filter(move => pours.has(move.after) && !lost.includes(move))
  const most = Math.min(widthOf(plan.mould), plan.mould.innerHeightMm)
  const embeds = design.finish.embeds.map(embed => ({
    ...embed,
    widthMm: Math.min(most, scaled(embed.widthMm, 2, 200)),
    heightMm: Math.min(most, scaled(embed.heightMm, 2, 200)),
    lengthMm: scaled(embed.lengthMm, 2, 600),
  }))
  edits.push(
    { kind: 'set', path: ['score'], value: score },
    { kind: 'set', path: ['moves'], value: moves },
    { kind: 'set', path: ['finish'], value: { ...design.finish, embeds } },
  )
  const isAlike = plan.mould.form === design.mould.form && Math.abs(ratio - 1) < 0.3
  if (isAlike) edits.push({ kind: 'set', path: ['cutting'], value: design.cutting })
  return { edits, sentences }
}
