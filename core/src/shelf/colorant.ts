import { Choice, Choices, Id, Like, NumberFrom, Parts, Text } from '../document/fields/index.ts'
import { Finding, MAX_FINDINGS } from './finding.ts'
import { Amount, Colour, Flag, OneOf, Words } from './fields.ts'
import { HEATS, TRACE } from './ingredients.ts'
import type { HeatClass } from './ingredients.ts'
import { Ingredient, ShelfItem } from './item.ts'

export const MEDIA = { oil: 'oil', water: 'water', glycerin: 'glycerin', alcohol: 'alcohol', none: 'none' } as const
export type Medium = keyof typeof MEDIA

/** What a swatch of one's own can show beside its colour. */
export const SWATCH_FAULTS = {
  clumps: 'clumps',
  weak: 'too weak',
  hue: 'another hue than expected',
  bleeds: 'bleeds',
  specks: 'specks',
} as const
export type SwatchFault = keyof typeof SWATCH_FAULTS

const HEX = /^#[0-9a-f]{6}$/
/** A small picture, kept with the item. */
const THUMBNAIL = /^(?:data:image\/jpeg;base64,[A-Za-z0-9+/=]{1,10000})?$/

/** A trial of a colorant in the workshop's own soap, and the colour that came of it. */
export class OwnSwatch {
  @Id()
  id!: string

  @Like(/^(?:\d{4}-(?:0[1-9]|1[0-2])-(?:0[1-9]|[12]\d|3[01]))?$/, 'A date is written like 2027-05-31, or left empty.')
  date!: string

  @NumberFrom(0, 500, 'A dose is from 0 to 500 g per kg of batter.')
  doseGPerKg!: number

  @Choice(Object.keys(MEDIA), `The dispersing liquid is one of ${Object.keys(MEDIA).join(', ')}.`)
  medium!: Medium

  @NumberFrom(0, 50, 'White beside it is from 0 to 50 g per kg of batter.', { says: 'Titanium dioxide beside it.' })
  whiteGPerKg!: number

  @NumberFrom(0, 3650, 'Its age is from 0 to 3650 days.')
  days!: number

  @NumberFrom(0, 1, 'Gel is from 0 (not gelled) to 100 % (fully).')
  gel!: number

  @Like(HEX, 'A colour is written like #3e8f82, in small letters.')
  hex!: string

  @NumberFrom(0, 10, 'The base’s yellow is from 0 to 10.', { says: 'Tint of the base that it lay in.' })
  carotene!: number
  @NumberFrom(0, 5, 'The base’s green is from 0 to 5.')
  chlorophyll!: number
  @NumberFrom(0, 3, 'The base’s brown is from 0 to 3.')
  brown!: number
  @NumberFrom(0.3, 1.5, 'The base’s opacity is from 0.3 to 1.5.')
  scatter!: number

  @Choices(Object.keys(SWATCH_FAULTS), 5, 'Faults are a list.')
  faults!: SwatchFault[]

  @Text(0, 200, 'A note has at most 200 letters.')
  note!: string

  @Like(THUMBNAIL, 'The picture is a small JPEG, or left out.')
  picture!: string
}

export const MAX_SWATCHES = 24

export const SPECTRA = {
  swatch: 'from its swatch',
  titanium: 'as titanium dioxide',
  zinc: 'as zinc oxide',
  kaolin: 'as white clay',
  pearl: 'as white pearl mica',
  clear: 'nothing: it is clear',
} as const

export const COLORANT_FORMS = { powder: 'powder', oil: 'an oil', water: 'a watery solution' } as const

const COLOUR = 'Colour in soap'

export class Colorant extends Ingredient {
  @Words({ label: 'Family', max: 40, inList: true })
  family!: string
  @Colour({ label: 'Colour of the powder', start: '#b0663f', inList: true })
  hex!: string
  @Colour({ label: 'Colour in cured soap, at its reference dose', start: '#b0663f', inList: true })
  soapHex!: string
  @Amount({
    label: 'Reference dose',
    quantity: 'plain',
    unit: 'g per kg of batter',
    min: 0.01,
    max: 300,
    start: 5,
    inList: true,
  })
  referenceDoseGPerKg!: number
  @Amount({
    label: 'Usual most',
    quantity: 'plain',
    unit: 'g per kg of batter',
    min: 0.01,
    max: 400,
    start: 10,
    inList: true,
  })
  usualMaxGPerKg!: number
  /** 0: nobody has weighed it yet. */
  @Amount({ label: 'Level teaspoon (0 = not known)', quantity: 'mass', unit: 'g', min: 0, max: 20, start: 2.5 })
  teaspoonG!: number
  @OneOf({ label: 'It is', options: COLORANT_FORMS, start: 'powder' })
  form!: keyof typeof COLORANT_FORMS
  @OneOf({ label: 'Dispersed in', options: MEDIA, start: 'oil', inList: true })
  medium!: Medium
  @Amount({ label: 'Medium to powder, by weight', quantity: 'plain', unit: '', min: 0, max: 10, start: 2 })
  mediumRatio!: number
  @OneOf({ label: 'Clumping', options: HEATS, start: 'low' })
  clumping!: HeatClass
  @OneOf({
    label: 'In lye',
    options: { stable: 'stable', shifts: 'shifts to another colour', dies: 'is destroyed' },
    start: 'stable',
  })
  inLye!: 'stable' | 'shifts' | 'dies'
  @OneOf({ label: 'In light', options: { fast: 'lightfast', moderate: 'moderate', fades: 'fades' }, start: 'fast' })
  inLight!: 'fast' | 'moderate' | 'fades'
  @Flag({ label: 'Dusty: wear a mask while it is dry' })
  dusty!: boolean

  @OneOf({ label: 'Absorbs', options: SPECTRA, start: 'swatch', group: COLOUR })
  spectrum!: keyof typeof SPECTRA
  @Amount({
    label: 'Covers, scattering per g/kg',
    quantity: 'plain',
    unit: '',
    min: 0,
    max: 2,
    start: 0.06,
    group: COLOUR,
  })
  scatter!: number
  @Colour({ label: 'While alkali is strong', start: '#b0663f', group: COLOUR })
  freshHex!: string
  @Amount({
    label: 'That lasts about (0 = no shift)',
    quantity: 'plain',
    unit: 'days',
    min: 0,
    max: 365,
    start: 0,
    group: COLOUR,
  })
  shiftDays!: number
  @Amount({
    label: 'Light takes (below 0 it darkens)',
    quantity: 'share',
    unit: '%',
    min: -0.5,
    max: 0.95,
    start: 0,
    group: COLOUR,
  })
  fadeShare!: number
  @Amount({ label: 'Fades over', quantity: 'plain', unit: 'days', min: 1, max: 3650, start: 90, group: COLOUR })
  fadeDays!: number
  @Amount({
    label: 'Quickens, ln of the rate per % of oils',
    quantity: 'plain',
    unit: '',
    min: -0.5,
    max: 1,
    start: 0,
    group: TRACE,
  })
  lnRatePerPercent!: number
  @Amount({
    label: 'Thickens, ln of viscosity per % of oils',
    quantity: 'plain',
    unit: '',
    min: -0.5,
    max: 1,
    start: 0,
    group: TRACE,
  })
  lnViscosityPerPercent!: number

  @Parts(() => OwnSwatch, 0, MAX_SWATCHES, `A colorant keeps at most ${MAX_SWATCHES} swatches.`)
  swatches!: OwnSwatch[]

  @Parts(() => Finding, 0, MAX_FINDINGS, `A colorant keeps at most ${MAX_FINDINGS} findings of trials.`, {
    optional: true,
  })
  findings?: Finding[]
}

/** One of a palette's colours: what it looks like, and how it was made if that is known. */
export class PaletteDose {
  @Id('A colorant is named by its id on the shelf.')
  colorant!: string
  @NumberFrom(0, 500, 'A dose is from 0 to 500 g per kg of batter.')
  doseGPerKg!: number
}

export const MAX_PALETTE = 256
export const MAX_CUP_COLORANTS = 6

export class PaletteColour {
  @Text(0, 60, 'A colour’s name has at most 60 letters.')
  name!: string
  @Like(HEX, 'A colour is written like #3e8f82, in small letters.')
  hex!: string
  @Parts(() => PaletteDose, 0, MAX_CUP_COLORANTS, `A colour is made of at most ${MAX_CUP_COLORANTS} colorants.`)
  doses!: PaletteDose[]
}

export class Palette extends ShelfItem {
  @Parts(() => PaletteColour, 0, MAX_PALETTE, `A palette has at most ${MAX_PALETTE} colours.`)
  colours!: PaletteColour[]
}
