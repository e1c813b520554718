import { colorantEffect } from '../batter/trace/index.ts'
import { coloursOfPlan, newCupColorant } from '../look/cups/index.ts'
import { deltaE } from '../look/colour/index.ts'
import { applyEdit } from '../plan/index.ts'
import type { Edit, Plan } from '../plan/index.ts'
import { portionsOf } from '../portions/index.ts'
import { findById } from '../shelf/index.ts'
import type { Shelf } from '../shelf/index.ts'

/** Choices about colour, side by side: what each comes to and what it costs. */

export interface WhiteChoice {
  id: string
  name: string
  doseGPerKg: number
  /** Lightness of the cured soap with it, 0 to 100: not gelled, and gelled. */
  lightness: { no: number; yes: number }
  hex: { no: string; yes: string }
  /** Against the plain base. */
  plainLightness: number
  /** Trace is so much thicker with it, as a factor of its viscosity. */
  thickens: number
  /** Chalky smears under the wire and rivers when it gels with much water. */
  drags: boolean
}

/** White powder from so much on drags under the wire, g of titanium dioxide per kg; zinc oxide counts half. Makers' rule. */
const DRAGS_FROM = 5
const WHITE = ['titanium', 'zinc']
/** A dose that whites are compared at where nothing is said, g per kg of batter. */
const USUAL_WHITE = 6

/** Every white of the shelf in this batch's base at one dose. */
export function whiteChoices(plan: Plan, shelf: Shelf, doseGPerKg = USUAL_WHITE): WhiteChoice[] {
  const whites = shelf.colorants.filter(one => !one.archived && WHITE.includes(one.spectrum))
  const cup = { ...plan.cups[0]!, colorants: [], scented: false, ownScent: null, wish: null, stabiliserRatio: null }
  const coloursWith = (part: Plan['cups'][number]['colorants']) => {
    const made: Plan = { ...plan, cups: [{ ...cup, colorants: part }, ...plan.cups.slice(1)], ladders: [] }
    return coloursOfPlan(made, portionsOf(made, shelf), shelf)
  }
  const plainLightness = coloursWith([]).cups[0]!.stages.cured.no.lab.l
  return whites.map((white): WhiteChoice => {
    const part = newCupColorant(white, doseGPerKg)
    const { cured } = coloursWith([part]).cups[0]!.stages
    const effect = colorantEffect({
      medium: part.medium,
      powderShareOfOils: (doseGPerKg / 1000) * 1.45,
      mediumShareOfPortion: part.medium === 'none' ? 0 : (doseGPerKg / 1000) * part.mediumRatio,
      lnRatePerPercent: white.lnRatePerPercent,
      lnViscosityPerPercent: white.lnViscosityPerPercent,
    })
    const counts = white.spectrum === 'zinc' ? doseGPerKg / 2 : doseGPerKg
    return {
      id: white.id,
      name: white.name,
      doseGPerKg,
      plainLightness,
      lightness: { no: cured.no.lab.l, yes: cured.yes.lab.l },
      hex: { no: cured.no.hex, yes: cured.yes.hex },
      thickens: Math.exp(effect.lnViscosity + effect.lnSwell),
      drags: counts >= DRAGS_FROM,
    }
  })
}

export const VANILLIN_ANSWERS = {
  plain: 'leave this cup unscented',
  stabiliser: 'a stabiliser in its scent',
  white: 'white against it',
  brown: 'let it brown, and plan for it',
} as const
export type VanillinAnswerKind = keyof typeof VANILLIN_ANSWERS

export interface VanillinAnswer {
  kind: VanillinAnswerKind
  /** Cured, as it is reckoned to gel. */
  hex: string
  /** From the same cup without scent. */
  deltaE: number
  /** What it takes more, g in the batch. */
  moreG: number
  /** Null: nothing is to be changed. */
  edit: Edit | null
}

/** Grams of stabiliser a gram of scent, and of white a kg of batter, that are tried. Suppliers say more. */
const STABILISER = 1
const MORE_WHITE = 5

/** Four answers to a scent that browns a cup, side by side. Empty where it has no vanillin. */
export function vanillinAnswers(plan: Plan, shelf: Shelf, i: number): VanillinAnswer[] {
  const cup = plan.cups[i]!
  const seen = (edit: Edit | null) => {
    const made = edit ? applyEdit(plan, edit) : ({ ok: true, plan } as const)
    if (!made.ok) return null
    const portions = portionsOf(made.plan, shelf)
    const colour = coloursOfPlan(made.plan, portions, shelf).cups[i]!
    return { portions, cured: colour.stages.cured[colour.gelled], browning: colour.browning }
  }
  const now = seen(null)!
  if (!now.browning) return []
  const at = (key: string, value: unknown): Edit => ({ kind: 'set', path: ['cups', i, key], value })
  const plainEdit: Edit = { kind: 'many', edits: [at('scented', false), at('ownScent', null)] }
  const plain = seen(plainEdit)
  const white = shelf.colorants.find(one => !one.archived && one.spectrum === 'titanium')
  const has = cup.colorants.find(part => findById(shelf.colorants, part.colorant)?.spectrum === 'titanium')
  const whitened = has
    ? cup.colorants.map(part => (part === has ? { ...part, doseGPerKg: part.doseGPerKg + MORE_WHITE } : part))
    : white && [...cup.colorants, newCupColorant(white, MORE_WHITE)]
  const options: readonly (readonly [VanillinAnswerKind, Edit | null])[] = [
    ['plain', plainEdit],
    [
      'stabiliser',
      cup.ownScent
        ? at('ownScent', { ...cup.ownScent, stabiliserRatio: STABILISER })
        : at('stabiliserRatio', STABILISER),
    ],
    ...(whitened ? [['white', at('colorants', whitened)] as const] : []),
    ['brown', null],
  ]
  return options.flatMap(([kind, edit]): VanillinAnswer[] => {
    const made = seen(edit)
    if (!made || !plain) return []
    const grams = (of: typeof now) => of.portions.cups.reduce((sum, one) => sum + one.stabiliserG, 0)
    const whiteG = (MORE_WHITE * made.portions.cups[i]!.batterG) / 1000
    const moreG = kind === 'stabiliser' ? Math.max(0, grams(made) - grams(now)) : kind === 'white' ? whiteG : 0
    return [{ kind, hex: made.cured.hex, deltaE: deltaE(made.cured.lab, plain.cured.lab), moreG, edit }]
  })
}
