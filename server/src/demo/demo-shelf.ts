import { USUAL_LABELLING, USUAL_PRICING, newItem, plainOil, starterPlan } from '@ostler/core'
import type {
  Allergen,
  Labelling,
  Lot,
  OilPart,
  OwnSwatch,
  Palette,
  Pricing,
  RackPlan,
  Recipe,
  ShelfKind,
} from '@ostler/core'

const lot = (id: string, mark: string, bought: number, left: number, cost: number, useBy = ''): Lot => ({
  id,
  mark,
  bought,
  left,
  cost,
  useBy,
})

/** What the made-up workshop has bought. */
export const DEMO_LOTS: readonly (readonly [ShelfKind, string, Lot[]])[] = [
  ['oils', 'olive', [lot('lot-1', 'OL-118', 5000, 3120, 38, '2027-08-31')]],
  ['oils', 'coconut', [lot('lot-1', 'CN-40', 5000, 2240, 31, '2027-10-31')]],
  ['oils', 'palm', [lot('lot-1', 'PA-9', 2500, 90, 14, '2027-06-30')]],
  ['oils', 'sunflower-high-oleic', [lot('lot-1', 'SF-77', 3000, 1850, 13.5, '2027-04-30')]],
  ['oils', 'castor', [lot('lot-1', 'CA-3', 1000, 410, 9.8, '2027-12-31')]],
  ['oils', 'shea', [lot('lot-1', 'SH-21', 2000, 1300, 27, '2027-03-31')]],
  ['oils', 'cocoa-butter', [lot('lot-1', 'CB-6', 1000, 640, 19, '2028-01-31')]],
  ['liquids', 'goat-milk', [lot('lot-1', 'frozen', 1000, 600, 4.2, '2027-01-31')]],
  ['additives', 'sodium-lactate-60', [lot('lot-1', 'SL-2', 500, 320, 7.5, '2028-05-31')]],
  ['additives', 'citric-acid-anhydrous', [lot('lot-1', 'CI-1', 500, 480, 3.9)]],
  ['scents', 'tin-roof-rain', [lot('lot-1', 'TR-5', 250, 22, 19.5, '2027-05-31')]],
  ['scents', 'moss-cathedral', [lot('lot-1', 'MC-2', 250, 180, 22, '2027-09-30')]],
  ['scents', 'eo-lavender', [lot('lot-1', 'LV-14', 100, 74, 21, '2027-11-30')]],
  ['scents', 'eo-patchouli', [lot('lot-1', 'PT-2', 50, 41, 16.5, '2029-01-31')]],
  ['colorants', 'charcoal', [lot('lot-1', '', 200, 130, 6)]],
  ['colorants', 'titanium-white', [lot('lot-1', '', 250, 170, 7.4)]],
  ['colorants', 'mica-teal', [lot('lot-1', '', 30, 4, 5.2)]],
  ['colorants', 'ultramarine-blue', [lot('lot-1', '', 100, 61, 5.9)]],
  ['colorants', 'rose-clay', [lot('lot-1', '', 250, 190, 4.5)]],
  ['colorants', 'titanium-dioxide-oil', [lot('lot-1', '', 100, 72, 6.6)]],
]

/** At or below it something is to be bought again, g. */
export const DEMO_REORDERS: Readonly<Record<string, number>> = { palm: 500, 'tin-roof-rain': 50, 'mica-teal': 5 }

const allergen = (name: string, percent: number): Allergen => ({ name, share: percent / 100 })

/** By the lists of the made-up workshop's suppliers. */
export const DEMO_ALLERGENS: Readonly<Record<string, Allergen[]>> = {
  'tin-roof-rain': [allergen('Linalool', 4.1), allergen('Limonene', 2.2), allergen('Citronellol', 0.8)],
  'moss-cathedral': [allergen('Limonene', 1.4), allergen('Evernia Prunastri Extract', 0.3)],
  'eo-lavender': [allergen('Linalool', 34), allergen('Geraniol', 0.6), allergen('Limonene', 0.4)],
  'eo-patchouli': [allergen('Limonene', 0.1)],
}

export const DEMO_LABELLING: Labelling = {
  ...USUAL_LABELLING,
  maker: 'Sluice Lane Workshop, 4 Sluice Lane, Lower Weir',
  words: 'Made by hand in small batches.',
}

export const DEMO_RACK: RackPlan = {
  turnDays: 7,
  places: ['rack 1, shelf 1', 'rack 1, shelf 2', 'rack 2, shelf 1', 'rack 2, shelf 2'].map(name => ({
    name,
    holds: 24,
  })),
}

export const DEMO_PRICING: Pricing = { ...USUAL_PRICING, bandLow: 5.5, bandHigh: 8 }

const swatch = (id: string, date: string, doseGPerKg: number, hex: string): OwnSwatch => ({
  ...{ id, date, doseGPerKg, medium: 'oil', whiteGPerKg: 0, days: 44, gel: 0, hex },
  ...{ carotene: 0.12, chlorophyll: 0, brown: 0.001, scatter: 1, faults: [], note: '', picture: '' },
})

/** Trials of colorants in the workshop's own soap. */
export const DEMO_SWATCHES: readonly (readonly [string, OwnSwatch[]])[] = [
  [
    'ultramarine-blue',
    [swatch('swatch-1', '2026-05-03', 2.5, '#6580ba'), swatch('swatch-2', '2026-05-03', 6, '#4c64b2')],
  ],
  ['rose-clay', [{ ...swatch('swatch-1', '2026-06-14', 12, '#cfa08f'), faults: ['weak'], note: 'Paler than hoped.' }]],
]

const colour = (name: string, hex: string) => ({ name, hex, doses: [] })

export const DEMO_PALETTE: Palette = {
  ...newItem('palettes'),
  id: 'towpath-in-october',
  name: 'Towpath in October',
  source: 'measured',
  note: 'Picked from a picture taken below the weir.',
  colours: [
    colour('wet slate', '#474c52'),
    colour('lock gate', '#6b4a32'),
    colour('bracken', '#a9713f'),
    colour('late oak', '#c79a4b'),
    colour('water', '#6f8fa8'),
    colour('mist', '#dfe0d8'),
  ],
}

const recipe = (oils: OilPart[], change: Partial<Recipe> = {}): Recipe => ({
  ...starterPlan('').recipe,
  oils,
  ...change,
})

const concentration = (value: number) => ({ basis: 'concentration' as const, value, fullShareOfOils: 0.38 })

/** Recipes of the made-up workshop, each with the reason for its versions. */
export const DEMO_RECIPES: readonly { name: string; versions: { reason: string; recipe: Recipe }[] }[] = [
  {
    name: 'Slow Quarry',
    versions: [
      {
        reason: 'Soft and slow, for swirls.',
        recipe: recipe([
          plainOil('olive', 0.42),
          plainOil('coconut', 0.25),
          plainOil('palm', 0.13),
          plainOil('sunflower-high-oleic', 0.15),
          plainOil('castor', 0.05),
        ]),
      },
      {
        reason: 'Palm was short: shea and a little more coconut.',
        recipe: recipe([
          plainOil('olive', 0.42),
          plainOil('coconut', 0.27),
          plainOil('shea', 0.11),
          plainOil('sunflower-high-oleic', 0.15),
          plainOil('castor', 0.05),
        ]),
      },
    ],
  },
  {
    name: 'Weir Milk',
    versions: [
      {
        reason: 'Half milk, mild, a little hardener.',
        recipe: recipe(
          [
            plainOil('olive', 0.45),
            plainOil('coconut', 0.22),
            plainOil('shea', 0.13),
            plainOil('almond-sweet', 0.15),
            plainOil('castor', 0.05),
          ],
          {
            water: concentration(0.3),
            liquids: [{ liquid: 'goat-milk', shareOfWater: 0.5, measure: 'water', moment: 'lye', countFat: true }],
            additives: [{ additive: 'sodium-lactate-60', gPerKgOils: 15, moment: 'lye', addLye: false }],
          },
        ),
      },
    ],
  },
  {
    name: 'Gate Hard',
    versions: [
      {
        reason: 'Firm and quick, for layers that hold.',
        recipe: recipe(
          [
            plainOil('coconut', 0.28),
            plainOil('palm', 0.3),
            plainOil('cocoa-butter', 0.07),
            plainOil('olive', 0.3),
            plainOil('castor', 0.05),
          ],
          { water: concentration(0.33) },
        ),
      },
    ],
  },
]
