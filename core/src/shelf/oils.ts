import type { Oil } from './types.ts'

/**
 * Starting values for common soap oils.
 * Saponification values and ranges: typical literature ranges for fats, about ±2 % within the range given.
 * Fatty-acid groups: textbook profiles, ±10–20 % for the major acids. Free acid, quickness and the solid-fat parts are
 * engineering estimates fitted to typical solid-fat tables. An oil's own certificate comes first.
 */
type Row = [
  id: string,
  name: string,
  sap: [value: number, low: number, high: number],
  fatty: [number, number, number, number, number],
  freeAcidShare: number,
  quickness: number,
  solid?: [triSaturated: number, sus: number, lauricHigh: number, lauricLow: number, wax: number],
]

const ROWS: readonly Row[] = [
  ['coconut', 'Coconut oil', [256, 248, 265], [0.8, 0.12, 0.06, 0, 0.02], 0.0008, 0, [0, 0, 0.477, 0.358, 0]],
  [
    'palm-kernel',
    'Palm kernel oil',
    [245, 230, 254],
    [0.72, 0.11, 0.15, 0, 0.02],
    0.001,
    0,
    [0, 0.046, 0.523, 0.223, 0],
  ],
  ['babassu', 'Babassu oil', [247, 245, 256], [0.7, 0.14, 0.13, 0, 0.03], 0.001, 0, [0, 0, 0.43, 0.36, 0]],
  ['palm', 'Palm oil', [199, 190, 209], [0.01, 0.49, 0.39, 0, 0.1], 0.001, 0, [0.133, 0.187, 0, 0.299, 0]],
  ['lard', 'Lard', [196, 192, 203], [0.02, 0.4, 0.46, 0, 0.11], 0.004, -0.5, [0.109, 0.163, 0, 0.18, 0]],
  ['tallow', 'Tallow', [197, 190, 202], [0.04, 0.48, 0.44, 0, 0.04], 0.004, -0.2, [0.257, 0.198, 0, 0.219, 0]],
  ['cocoa-butter', 'Cocoa butter', [194, 188, 200], [0, 0.6, 0.35, 0, 0.03], 0.012, 0, [0, 0.742, 0, 0.182, 0]],
  ['shea', 'Shea butter, refined', [180, 170, 190], [0, 0.46, 0.46, 0, 0.07], 0.004, 0.1, [0.184, 0.287, 0, 0.224, 0]],
  ['mango-butter', 'Mango butter', [190, 183, 198], [0, 0.49, 0.45, 0, 0.06], 0.005, 0, [0.127, 0.356, 0, 0.213, 0]],
  ['olive', 'Olive oil, refined', [190, 184, 196], [0, 0.14, 0.72, 0, 0.13], 0.0008, 0],
  ['olive-virgin', 'Olive oil, extra virgin', [190, 184, 196], [0, 0.14, 0.72, 0, 0.13], 0.004, 0.1],
  ['olive-pomace', 'Olive pomace oil', [188, 182, 193], [0, 0.15, 0.7, 0, 0.14], 0.003, 0.75],
  ['sunflower-high-oleic', 'Sunflower oil, high oleic', [189, 182, 194], [0, 0.07, 0.84, 0, 0.09], 0.0008, 0],
  ['sunflower', 'Sunflower oil', [190, 188, 194], [0, 0.11, 0.23, 0, 0.65], 0.0008, 0],
  ['canola', 'Canola oil', [188, 182, 193], [0, 0.06, 0.62, 0, 0.3], 0.0008, 0],
  ['rice-bran', 'Rice bran oil', [187, 180, 199], [0, 0.2, 0.42, 0, 0.36], 0.002, 0.2],
  ['almond-sweet', 'Sweet almond oil', [192, 188, 200], [0, 0.08, 0.67, 0, 0.25], 0.001, 0],
  ['avocado', 'Avocado oil', [188, 177, 198], [0, 0.18, 0.66, 0, 0.15], 0.001, 0.05],
  ['castor', 'Castor oil', [180, 176, 187], [0, 0.02, 0.04, 0.89, 0.05], 0.005, 0],
  ['beeswax', 'Beeswax', [94, 87, 104], [0, 0.6, 0.4, 0, 0], 0, 0, [0, 0, 0, 0, 1]],
]

const asOil = ([id, name, sap, fatty, freeAcidShare, quickness, solid = [0, 0, 0, 0, 0]]: Row): Oil => ({
  id,
  name,
  sapKohMgPerG: sap[0],
  sapKohLowMgPerG: sap[1],
  sapKohHighMgPerG: sap[2],
  fatty: {
    shortSaturated: fatty[0],
    longSaturated: fatty[1],
    oleic: fatty[2],
    ricinoleic: fatty[3],
    polyunsaturated: fatty[4],
  },
  freeAcidShare,
  quickness,
  solid: { triSaturated: solid[0], sus: solid[1], lauricHigh: solid[2], lauricLow: solid[3], wax: solid[4] },
})

export const REFERENCE_OILS: readonly Oil[] = ROWS.map(asOil)
