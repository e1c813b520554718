import { CONSTANTS, shown } from '../constants/index.ts'
import type { Plan } from '../plan/index.ts'
import type { Working } from '../working/index.ts'
import type { BodyPlan, HeatPlan } from './heat-plan.ts'

const WAYS = { air: 'open air', bath: 'cool bath', 'ice-bath': 'ice bath' } as const

const LOSSES =
  'Losses through wall, base and surface and, for lye, by evaporation; 5 s steps. Wall values are engineering estimates; before any reading right to a quarter.'

const cooling = (
  title: string,
  plan: Plan,
  body: BodyPlan,
  way: keyof typeof WAYS,
  before: Working['inputs'],
): Working => ({
  title,
  value: body.startsMin ?? Infinity,
  unit: 'min before mixing',
  formula: `time to cool from ${body.fromC.toFixed(1)} to ${body.targetC.toFixed(1)} °C in ${WAYS[way]}${before.length > 0 ? ' + time to its peak' : ''}`,
  inputs: [
    ...before,
    { name: 'weight', value: body.massG, unit: 'g' },
    { name: 'room', value: plan.conditions.roomC, unit: '°C' },
    ...(way === 'air' ? [] : [{ name: 'bath', value: plan.heat.bathC, unit: `°C, ${plan.heat.bathLitres} l` }]),
    { name: 'cools in', value: body.cooling?.min ?? Infinity, unit: 'min' },
    { name: 'as fast as expected, by readings', value: Math.exp(body.fit.lnKappa), unit: '×' },
  ],
  source: LOSSES,
})

/** How the times and temperatures of the heat plan came about. */
export function heatWorkings(plan: Plan, heat: HeatPlan): Record<'lye' | 'oils' | 'mix' | 'peak', Working> {
  const { lye, oils, peak } = heat
  return {
    lye: cooling('Lye into water', plan, lye, plan.heat.lyeCooling, [
      { name: 'to its peak', value: peak.peakS / 60, unit: 'min' },
    ]),
    oils: cooling('Oils off the heat', plan, oils, plan.heat.oilsCooling, []),
    peak: {
      title: 'Peak of the lye',
      value: peak.peakC,
      unit: '°C',
      formula: 'heat of solution of NaOH in this much water, less losses while stirring, second by second',
      inputs: [
        { name: 'NaOH in the solution', value: heat.w * 100, unit: '%' },
        { name: 'water starts at', value: plan.heat.waterC, unit: '°C' },
        { name: 'of it ice', value: plan.heat.iceShare * 100, unit: '%' },
        { name: 'without any loss', value: heat.limitC, unit: '°C' },
      ],
      source: 'Handbook heats of solution and specific heats. Pauses in stirring lower the peak by several degrees.',
    },
    mix: {
      title: 'Together',
      value: heat.mixC,
      unit: '°C',
      formula: `(oils × ${shown('oilHeatCapacity')} × their °C + lye × its specific heat × its °C) ÷ the same without °C − ${shown('pouringLoss')}`,
      inputs: [
        { name: 'oils', value: oils.massG, unit: 'g' },
        { name: 'oils', value: heat.oilsC, unit: '°C' },
        { name: 'lye solution', value: lye.massG, unit: 'g' },
        { name: 'lye', value: heat.lyeC, unit: '°C' },
      ],
      source: `Specific heat of oils ${shown('oilHeatCapacity')} ${CONSTANTS.oilHeatCapacity.unit}; of the lye from handbook tables; ${shown('pouringLoss')} K is lost in pouring. The reaction then adds a few degrees.`,
    },
  }
}
