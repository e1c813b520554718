import { Id, NumberFrom, Parts, Text } from '../document/fields/index.ts'
import { Amount, Flag, OneOf, WordList, Words } from './fields.ts'
import { Finding, MAX_FINDINGS } from './finding.ts'
import { Ingredient } from './item.ts'

export const TEXTURES = { soft: 'liquid or soft', hard: 'hard', brittle: 'brittle butter', wax: 'wax' } as const
export type Texture = keyof typeof TEXTURES

const LYE = 'Lye'
const ACIDS = 'Fatty acids, % of all'
const SETTING = 'In the mould'
export const TRACE = 'Trace and melting, for the forecast'

const acid = (label: string) => Amount({ label, quantity: 'share', unit: '%', min: 0, max: 1, group: ACIDS })
const TINT = 'Colour of its soap, 1 = strong'
const tint = (label: string, max: number, start: number) =>
  Amount({ label, quantity: 'plain', unit: '', min: 0, max, start, group: TINT })
const solid = (label: string) => Amount({ label, quantity: 'share', unit: '%', min: 0, max: 1, group: TRACE })

/** A part of a ready blend of oils. */
export class OilShare {
  @Id('An oil is named by its id on the shelf.')
  oil!: string
  @NumberFrom(0, 1, 'A part’s share is from 0 to 100 %.')
  share!: number
}

const MAX_OIL_PARTS = 12

export class Oil extends Ingredient {
  @Amount({
    label: 'Saponification value',
    quantity: 'plain',
    unit: 'mg KOH/g',
    min: 60,
    max: 400,
    start: 190,
    group: LYE,
    inList: true,
  })
  sapKohMgPerG!: number

  @Amount({ label: 'usual low', quantity: 'plain', unit: 'mg KOH/g', min: 60, max: 400, start: 184, group: LYE })
  sapKohLowMgPerG!: number

  @Amount({ label: 'usual high', quantity: 'plain', unit: 'mg KOH/g', min: 60, max: 400, start: 196, group: LYE })
  sapKohHighMgPerG!: number

  @Amount({
    label: 'Iodine value',
    quantity: 'plain',
    unit: 'g/100 g',
    min: 0,
    max: 220,
    start: 85,
    group: LYE,
    inList: true,
  })
  iodineValue!: number

  @Amount({ label: 'Unsaponifiable', quantity: 'share', unit: '%', min: 0, max: 0.6, group: LYE })
  unsaponifiableShare!: number

  @OneOf({ label: 'At room warmth', options: TEXTURES, start: 'soft', inList: true })
  texture!: Texture

  @Amount({ label: 'Melts at', quantity: 'temperature', unit: '°C', min: -30, max: 90, start: 0 })
  meltC!: number

  @Amount({ label: 'Density', quantity: 'density', unit: 'g/ml', min: 0.8, max: 1.1, start: 0.915 })
  densityGPerMl!: number

  @Amount({ label: 'Usual most', quantity: 'share', unit: '% of oils', min: 0, max: 1, start: 0.3, inList: true })
  usualMostShare!: number

  @acid('C6 to C10')
  shortChain!: number
  @acid('Lauric')
  lauric!: number
  @acid('Myristic')
  myristic!: number
  @acid('Palmitic')
  palmitic!: number
  @acid('Stearic')
  stearic!: number
  @acid('Oleic and other mono-unsaturated')
  oleic!: number
  @acid('Ricinoleic')
  ricinoleic!: number
  @acid('Linoleic')
  linoleic!: number
  @acid('Linolenic')
  linolenic!: number

  @Amount({ label: 'Free fatty acid', quantity: 'share', unit: '%', min: 0, max: 1, start: 0.001, group: TRACE })
  freeAcidShare!: number

  @Amount({
    label: 'Extra quickness, ln of the rate',
    quantity: 'plain',
    unit: '',
    min: -1,
    max: 1.5,
    start: 0,
    group: TRACE,
  })
  quickness!: number

  @Words({ label: 'Name of its soap (INCI)', max: 160, group: 'On labels and when to buy' })
  inciSoap!: string

  @solid('Sets as tri-saturated (51 °C)')
  solidTri!: number
  @solid('Sets as cocoa-like (34 °C)')
  solidSus!: number
  @solid('Sets as lauric, high (30 °C)')
  solidLauricHigh!: number
  @solid('Sets as lauric, low (21 °C)')
  solidLauricLow!: number
  @solid('Sets as wax (63 °C)')
  solidWax!: number

  @tint('Yellow (carotenoid)', 10, 0.033)
  carotene!: number
  @tint('Green (chlorophyll)', 5, 0)
  chlorophyll!: number
  @tint('Brown', 3, 0.004)
  brown!: number
  @Amount({ label: 'Opacity of its soap', quantity: 'plain', unit: '', min: 0.3, max: 1.5, start: 0.88, group: TINT })
  scatter!: number

  @Parts(() => OilShare, 0, MAX_OIL_PARTS, `A blend has at most ${MAX_OIL_PARTS} oils.`)
  blend!: OilShare[]
}

export const HEATS = { none: 'none', low: 'low', medium: 'medium', high: 'high' } as const
export type HeatClass = keyof typeof HEATS

export class Liquid extends Ingredient {
  @Amount({ label: 'Water', quantity: 'share', unit: '%', min: 0.2, max: 1, start: 1, inList: true })
  waterShare!: number
  @Amount({ label: 'Fat', quantity: 'share', unit: '%', min: 0, max: 0.6, inList: true })
  fatShare!: number
  @Amount({ label: 'Sugar', quantity: 'share', unit: '%', min: 0, max: 0.6, inList: true })
  sugarShare!: number
  @Amount({ label: 'NaOH its fat takes', quantity: 'plain', unit: 'g per g', min: 0, max: 0.2, group: LYE })
  fatLyePerG!: number
  @Amount({ label: 'NaOH its acid takes', quantity: 'plain', unit: 'g per g', min: 0, max: 0.2, group: LYE })
  acidLyePerG!: number
  @Amount({ label: 'Density', quantity: 'density', unit: 'g/ml', min: 0.8, max: 1.4, start: 1 })
  densityGPerMl!: number
  @Amount({ label: 'Sensible most', quantity: 'share', unit: '% of the water', min: 0, max: 1, start: 1 })
  mostShareOfWater!: number
  @Flag({ label: 'Use frozen or as slush' })
  useFrozen!: boolean
  @OneOf({ label: 'Extra heat', options: HEATS, start: 'none' })
  heat!: HeatClass
  /** 0.05 for whole milk: added to the base's brown for each 100 g in a kg of batter, twice when gelled. */
  @Amount({ label: 'Browns soap, per 100 g/kg', quantity: 'plain', unit: '', min: 0, max: 1, start: 0 })
  brownPer100GPerKg!: number
  @Words({ label: 'Preparation', max: 200 })
  preparation!: string
}

export const MOMENTS = { lye: 'in the lye water', oils: 'in the oils', trace: 'at light trace' } as const
export type Moment = keyof typeof MOMENTS

export class Additive extends Ingredient {
  @Words({ label: 'Does', max: 60, inList: true })
  role!: string
  @Amount({ label: 'Usual least', quantity: 'plain', unit: 'g per kg of oils', min: 0, max: 1000, inList: true })
  usualLeastGPerKg!: number
  @Amount({
    label: 'Usual most',
    quantity: 'plain',
    unit: 'g per kg of oils',
    min: 0,
    max: 1000,
    start: 20,
    inList: true,
  })
  usualMostGPerKg!: number
  @Amount({ label: 'Level teaspoon', quantity: 'mass', unit: 'g', min: 0.1, max: 20, start: 4 })
  teaspoonG!: number
  @OneOf({ label: 'Goes', options: MOMENTS, start: 'trace', inList: true })
  moment!: Moment
  @Words({ label: 'How it goes in', max: 120 })
  how!: string
  @Amount({ label: 'NaOH its acid takes', quantity: 'plain', unit: 'g per g', min: 0, max: 1, group: LYE })
  acidLyePerG!: number
  @Amount({ label: 'NaOH its fat takes', quantity: 'plain', unit: 'g per g', min: 0, max: 0.3, group: LYE })
  fatLyePerG!: number
  @Amount({ label: 'Water', quantity: 'share', unit: '%', min: 0, max: 1, group: LYE })
  waterShare!: number
  @Amount({ label: 'Sugar', quantity: 'share', unit: '%', min: 0, max: 1, group: LYE })
  sugarShare!: number
  @OneOf({ label: 'Extra heat', options: HEATS, start: 'none' })
  heat!: HeatClass
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
  @Amount({
    label: 'Sets, ln of the time per % of oils',
    quantity: 'plain',
    unit: '',
    min: -1,
    max: 1,
    start: 0,
    group: SETTING,
  })
  settingPerPercent!: number
  @Amount({ label: 'Sets, up to', quantity: 'plain', unit: '% of oils', min: 0, max: 20, start: 3, group: SETTING })
  settingCapPercent!: number
}

export const ACCELERATIONS = {
  slows: 'slows',
  none: 'none',
  mild: 'mild',
  moderate: 'moderate',
  strong: 'strong',
  seizes: 'seizes',
  unknown: 'not known',
} as const
/** 'unknown': nobody has told; the forecast allows for all of them. */
export type AccelerationClass = keyof typeof ACCELERATIONS

export const SCENT_TYPES = { fragrance: 'fragrance', 'essential-oil': 'essential oil', blend: 'blend' } as const
export const LIMIT_BASES = { oils: 'of the oils', batter: 'of the batter', soap: 'of the cured soap' } as const
export type LimitBasis = keyof typeof LIMIT_BASES

/** A part of a blend, or of what a batch is scented with. */
export class ScentPart {
  @Id('A scent is named by its id on the shelf.')
  scent!: string
  @NumberFrom(0, 1, 'A part’s share is from 0 to 100 %.')
  share!: number
}

export const MAX_SCENT_PARTS = 12
export const MAX_ALLERGENS = 80

/** One allergen of a scent by its supplier's list, with its share of the scent. */
export class Allergen {
  @Text(1, 80, 'An allergen has a name of 1 to 80 letters.')
  name!: string
  @NumberFrom(0, 1, 'An allergen’s share of the scent is from 0 to 100 %.')
  share!: number
}
const SAFETY = 'Limits'

export class Scent extends Ingredient {
  @OneOf({ label: 'Kind', options: SCENT_TYPES, start: 'fragrance', inList: true })
  type!: keyof typeof SCENT_TYPES
  @OneOf({ label: 'Acceleration', options: ACCELERATIONS, start: 'moderate', inList: true })
  acceleration!: AccelerationClass
  @OneOf({ label: 'Supplier says', options: { ...ACCELERATIONS, unknown: 'nothing' }, start: 'unknown' })
  supplierSays!: AccelerationClass | 'unknown'
  @Amount({ label: 'Own batches behind it', quantity: 'plain', unit: '', min: 0, max: 1000, inList: true })
  ownRuns!: number
  @Amount({ label: 'Limit', quantity: 'share', unit: '%', min: 0, max: 0.2, start: 0.03, group: SAFETY, inList: true })
  limitShare!: number
  @OneOf({ label: 'Limit is', options: LIMIT_BASES, start: 'oils', group: SAFETY })
  limitBasis!: LimitBasis
  @Amount({ label: 'Usual', quantity: 'share', unit: '% of oils', min: 0, max: 0.1, start: 0.025 })
  usualShareOfOils!: number
  @OneOf({ label: 'Ricing', options: HEATS, start: 'none' })
  ricing!: HeatClass
  @OneOf({ label: 'Extra heat', options: HEATS, start: 'none' })
  heat!: HeatClass
  @Amount({ label: 'Vanillin, all kinds', quantity: 'share', unit: '%', min: 0, max: 0.5 })
  vanillinShare!: number
  @Amount({ label: 'Density', quantity: 'density', unit: 'g/ml', min: 0.7, max: 1.3, start: 0.95 })
  densityGPerMl!: number
  @Amount({ label: 'Flash point', quantity: 'temperature', unit: '°C', min: 0, max: 200, start: 80 })
  flashC!: number
  @WordList({ label: 'Constituents to watch', most: 12, group: SAFETY })
  constituents!: string[]
  @OneOf({
    label: 'Sensitiser',
    options: { low: 'low', moderate: 'moderate', high: 'high' },
    start: 'low',
    group: SAFETY,
  })
  sensitiser!: 'low' | 'moderate' | 'high'
  @OneOf({ label: 'Phototoxic', options: { no: 'no', check: 'check', yes: 'yes' }, start: 'no', group: SAFETY })
  phototoxic!: 'no' | 'check' | 'yes'

  @Parts(() => ScentPart, 0, MAX_SCENT_PARTS, `A blend has at most ${MAX_SCENT_PARTS} parts.`)
  parts!: ScentPart[]

  @Parts(() => Allergen, 0, MAX_ALLERGENS, `A scent has at most ${MAX_ALLERGENS} allergens.`)
  allergens!: Allergen[]

  @Parts(() => Finding, 0, MAX_FINDINGS, `A scent keeps at most ${MAX_FINDINGS} findings of trials.`, {
    optional: true,
  })
  findings?: Finding[]
}
