import { Cup, CupColorant, Pour, batterDensity, plainCup, starterPlan } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import { started } from '../document/fields/index.ts'
import { findById } from '../shelf/index.ts'
import type { Shelf } from '../shelf/index.ts'
import type { Trial, TrialSample } from './document.ts'

/** A trial as a batch plan: every sample a cup and a cavity of its own. Weighing, lye, cards and the Bench are those of any batch. */

/** A small square cavity: its side, and how high its wall stands above the soap, mm. */
const SIDE_MM = 45
const WALL_MM = 10
const LEAST_FILL_MM = 5

const WHITE = 'titanium-white'

function colorantsOf({ colorant, gPerKg, whiteGPerKg }: TrialSample, shelf: Shelf): CupColorant[] {
  const dose = (id: string, doseGPerKg: number): CupColorant[] => {
    const item = findById(shelf.colorants, id)
    if (!item || doseGPerKg <= 0) return []
    const { medium, mediumRatio } = item
    return [started(CupColorant, { colorant: id, doseGPerKg, basis: 'batter', medium, mediumRatio })]
  }
  return [...dose(colorant, gPerKg), ...dose(WHITE, whiteGPerKg)]
}

const idOf = ({ label }: TrialSample): string => `sample-${label.toLowerCase()}`

/**
 * @param like a batch whose recipe, scales and conditions it is made with; left out: those of a new batch
 */
export function planOfTrial(trial: Pick<Trial, 'name' | 'question' | 'samples'>, shelf: Shelf, like?: Plan): Plan {
  const base = like ?? starterPlan(trial.name)
  const { samples, question } = trial
  const perMm = (SIDE_MM * SIDE_MM * batterDensity(base)) / 1000
  const fillMm = Math.max(LEAST_FILL_MM, Math.round((10 * question.sampleG) / perMm) / 10)
  return {
    ...starterPlan(trial.name.slice(0, 60)),
    recipe: base.recipe,
    conditions: { ...base.conditions, fineScaleStepG: question.stepG },
    heat: { ...base.heat, startAt: '' },
    // Unscented: a scent’s browning would be read as colour.
    scent: null,
    mould: {
      ...{ name: 'Small cavities', form: 'box', innerLengthMm: SIDE_MM, innerWidthMm: SIDE_MM, lining: 'none' },
      ...{ innerHeightMm: Math.ceil(fillMm + WALL_MM), fillMm, taperMm: 0, cavities: samples.length },
    },
    cups: samples.map(sample =>
      started(Cup, {
        ...plainCup(idOf(sample), sample.label),
        ...{ scented: false, colorants: colorantsOf(sample, shelf) },
      }),
    ),
    score: samples.map((sample, i) =>
      started(Pour, { id: `pour-${i + 1}`, cup: idOf(sample), share: 1 / samples.length, cavities: [i + 1] }),
    ),
  }
}
