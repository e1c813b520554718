import { PlannedScent } from '../recipe/index.ts'
import { Choice, Id, Ids, Like, NumberFrom, Part, Parts, Text, YesNo } from '../document/fields/index.ts'
import { MAX_CUP_COLORANTS, MEDIA } from '../shelf/index.ts'
import type { Medium } from '../shelf/index.ts'
import { MOST_STOP } from './preparation-part.ts'

/** What a plan says of cups: colour, scent, what is kept back. Masses in g, shares from 0 to 1. */

export const MAX_RESERVES = 12
export const MAX_POT_COLORANTS = 4

const HEX = /^#[0-9a-f]{6}$/

/** A colorant as it was made into a slurry, and how much of that went into the cup. */
export class Slurry {
  @NumberFrom(0.01, 5000, 'The powder of a slurry is from [0.01 g] to [5 kg].')
  powderG!: number

  @NumberFrom(0, 20_000, 'The liquid of a slurry is from [0 to 20 kg].')
  mediumG!: number

  @NumberFrom(0, 25_000, 'What was used of a slurry is at most what was made.')
  usedG!: number
}

export class CupColorant {
  @Id('A colorant is named by its id on the shelf.')
  colorant!: string

  @NumberFrom(0, 300, 'A dose is from 0 to 300 g per kg; 1 to 12 is usual for pigments, up to 25 for clays.')
  doseGPerKg!: number

  @Choice(['batter', 'oils'], 'A dose is measured by the batter or by the oils.', {
    says: "What the dose is measured by: the cup's batter, or the oils in it.",
  })
  basis!: 'batter' | 'oils'

  @Choice(Object.keys(MEDIA), `The dispersing liquid is one of ${Object.keys(MEDIA).join(', ')}.`)
  medium!: Medium

  @NumberFrom(0, 10, 'The dispersing liquid is 0 to 10 times the powder’s weight; 2 to 3 is usual.')
  mediumRatio!: number

  @Part(() => Slurry, 'The slurry is null, or what was made and used of it.', {
    says: 'As made and used; then the dose follows from it.',
    orNull: true,
  })
  slurry!: Slurry | null
}

/** A cup filled while the pot is still being blended. */
export class CupDraw {
  @Choice(['level', 'seconds'], 'A cup is drawn at a trace, or after so many seconds.')
  by!: 'level' | 'seconds'

  @NumberFrom(0, 1200, 'A cup is drawn at a trace from 0 to 4.4, or after 0 to 1200 seconds.')
  value!: number
}

export class Cup {
  @Id()
  id!: string

  @Text(1, 40, 'A cup’s name has 1 to 40 letters.')
  name!: string

  @Like(HEX, 'A colour is written like #3e8f82, in small letters.', {
    says: 'The colour wished for; null: whatever comes.',
    orNull: true,
  })
  wish!: string | null

  @Parts(() => CupColorant, 0, MAX_CUP_COLORANTS, `A cup has at most ${MAX_CUP_COLORANTS} colorants.`, {
    elements: 'colorant',
  })
  colorants!: CupColorant[]

  @YesNo('Scented is true or false.', { start: true })
  scented!: boolean

  @Part(() => PlannedScent, 'A cup’s own scent is null, or a scent with its share and moment.', {
    says: "Instead of the batch's scent.",
    orNull: true,
  })
  ownScent!: PlannedScent | null

  @NumberFrom(0, 3, 'Vanilla stabiliser is from 0 to 3 g per g of scent; the supplier’s document says how much.', {
    says: "Vanilla stabiliser in this cup, g per g of the batch's scent in it; null: as the batch has it.",
    orNull: true,
  })
  stabiliserRatio!: number | null

  @NumberFrom(0, 100, 'What clings to a cup is from [0 to 100 g]; [3 to 10 g] is usual.', {
    says: 'What stays in the cup; null: by how thick it is poured.',
    orNull: true,
  })
  clingG!: number | null

  @Id('A vessel is named by its id on the shelf.', { orEmpty: true })
  vessel!: string

  @NumberFrom(0.9, MOST_STOP, 'A cup is blended on to a trace from 0.9 to 4.4; at 5 it is set and cannot be poured.', {
    says: 'Blended further by itself up to this trace; null: as the pot was stopped.',
    orNull: true,
  })
  stop!: number | null

  @Part(() => CupDraw, 'When a cup is drawn is null, or a trace or seconds.', {
    says: 'Drawn while the pot is still being blended; null: when it is stopped.',
    orNull: true,
  })
  draw!: CupDraw | null

  @Like(/^[a-z]?$/, 'A batter that cups share is named by one small letter, or left empty.', {
    says: 'Cups with the same letter are one batter, split when it is blended; empty: a batter of its own. With batters of their own only.',
    start: '',
  })
  batter!: string

  @NumberFrom(0.25, 0.45, 'A cup’s own lye is from 25 to 45 % strong.', {
    says: "NaOH of NaOH and water in this cup's batter; null: the recipe's. With batters and lye of their own only.",
    orNull: true,
  })
  lyeShare!: number | null
}

export const RESERVE_USES = {
  top: 'for the top',
  piping: 'for piping',
  sample: 'sample',
  blank: 'blank, plain',
  spare: 'spare mould',
} as const
export type ReserveUse = keyof typeof RESERVE_USES

/** Batter that does not go into the mould with the layers. */
export class Reserve {
  @Id()
  id!: string

  @Choice(Object.keys(RESERVE_USES), `A reserve is one of ${Object.values(RESERVE_USES).join(', ')}.`)
  use!: ReserveUse

  @Id('A reserve names its cup by id.', {
    says: 'Empty: plain, drawn from the pot before scent and colour.',
    orEmpty: true,
  })
  cup!: string

  @NumberFrom(0, 5000, 'A reserve is from [0 to 5000 g].')
  massG!: number
}

/** Colour of the whole pot, in the lye water, in the oils, or in the batter before it is split. */
export class PotColorant {
  @Id('A colorant is named by its id on the shelf.')
  colorant!: string

  @NumberFrom(0, 300, 'A dose is from 0 to 300 g per kg of batter.')
  doseGPerKg!: number

  @Choice(['lye', 'oils', 'trace'], 'Colour of the whole pot goes into the lye, the oils, or in at trace.')
  moment!: 'lye' | 'oils' | 'trace'
}

/** How colours are judged, and the plain soap they lie in. */
export class ColourWish {
  @Like(HEX, 'A colour is written like #3e8f82, in small letters.', {
    says: 'A plain bar of this base, photographed; null: forecast from the oils.',
    orNull: true,
  })
  baseHex!: string | null

  @NumberFrom(0, 365, 'The plain bar’s age is from 0 to 365 days.', { start: 42 })
  baseDays!: number

  @NumberFrom(0, 1, 'Gel is from 0 (not gelled) to 100 % (fully), or as the rest is forecast.', {
    says: 'Null: as the rest is forecast, cup by cup.',
    orNull: true,
  })
  gel!: number | null

  @NumberFrom(0, 365, 'Unmoulding and cutting is from 0 to 365 days after the pour.', { start: 2 })
  cutDays!: number

  @NumberFrom(1, 365, 'A cure is from 1 to 365 days; four to six weeks is usual.', { start: 42 })
  curedDays!: number
}

export const MAX_LADDERS = 4

/** Cups that are one mother cup: poured in this order, what is left lightened in between. */
export class TintLadder {
  @Id()
  id!: string

  @Ids(2, 12, 'A ladder names its cups by id.')
  cups!: string[]

  @Id('A colorant is named by its id on the shelf.', {
    says: 'What lightens: a colorant on the shelf; empty: plain batter.',
    orEmpty: true,
  })
  white!: string
}

/** A cup whose vanilla stabiliser is weighed for it alone: not as the batch's scent has it. */
export const hasStabiliserApart = (cup: Pick<Cup, 'ownScent' | 'stabiliserRatio'>): boolean =>
  cup.ownScent !== null || cup.stabiliserRatio !== null
