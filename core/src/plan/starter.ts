import { PLAN_FORMAT, PLAN_VERSION } from './document.ts'
import type { Plan } from './document.ts'

/** What a new batch starts with: a calm balanced recipe, three cups, three layers, no scent. */
export const starterPlan = (name: string): Plan => ({
  format: PLAN_FORMAT,
  version: PLAN_VERSION,
  name,
  notes: '',
  recipe: {
    oils: [
      { oil: 'olive', share: 0.4 },
      { oil: 'coconut', share: 0.25 },
      { oil: 'palm', share: 0.15 },
      { oil: 'sunflower-high-oleic', share: 0.15 },
      { oil: 'castor', share: 0.05 },
    ],
    superfatShare: 0.05,
    lyePurityShare: 0.98,
    lyeConcentrationShare: 0.29,
  },
  mould: { name: 'Silicone loaf, about 1 kg', innerLengthMm: 230, innerWidthMm: 75, innerHeightMm: 70, fillMm: 60 },
  pot: { clingG: 16 },
  scent: null,
  cups: [
    {
      id: 'cup-1',
      name: 'Slate',
      swatch: '#5d6468',
      colorant: dose('charcoal', 1.5, 'oil', 3),
      scented: true,
      clingG: 5,
    },
    {
      id: 'cup-2',
      name: 'Oat',
      swatch: '#d9bc82',
      colorant: dose('yellow-clay', 10, 'water', 2),
      scented: true,
      clingG: 5,
    },
    { id: 'cup-3', name: 'Bone', swatch: '#f1ebdc', colorant: null, scented: true, clingG: 5 },
  ],
  score: ['cup-1', 'cup-2', 'cup-3'].map((cup, i) => ({
    id: `pour-${i + 1}`,
    kind: 'pour',
    cup,
    share: [0.4, 0.3, 0.3][i]!,
    dropMm: 10,
    overSpatula: true,
    waitMin: 0,
  })),
  conditions: {
    roomC: 21,
    mixC: 30,
    stopLevel: 1.6,
    blenderStrength: 1,
    densityGPerMl: 1.03,
    scaleStepG: 1,
    fineScaleStepG: 0.1,
  },
})

const dose = (colorant: string, doseGPerKg: number, medium: 'oil' | 'water', mediumRatio: number) => ({
  colorant,
  doseGPerKg,
  medium,
  mediumRatio,
})
