import { celsius, fact, keepingZeros, plain, warmerBy } from '../../quantities/facts/index.ts'
import type { Words } from '../../quantities/facts/index.ts'
import { CONSTANTS, shown } from '../../quantities/constants/index.ts'
import type { Plan } from '../../plan/index.ts'
import type { Working } from '../../quantities/working/index.ts'
import type { BodyPlan, HeatPlan } from './heat-plan.ts'

const WAYS = { air: 'open air', bath: 'cool bath', 'ice-bath': 'ice bath' } as const

const LOSSES = fact('heat.losses-through-wall-base')

const cooling = (
  title: Words,
  plan: Plan,
  body: BodyPlan,
  way: keyof typeof WAYS,
  before: Working['inputs'],
): Working => ({
  title,
  value: body.startsMin ?? Infinity,
  unit: 'min before mixing',
  formula: fact('heat.time-cool-from', {
    fromC: keepingZeros(plain(body.fromC, 1)),
    targetC: keepingZeros(celsius(body.targetC, 1)),
    way: fact(WAYS[way]),
    which: before.length > 0 ? fact('heat.time-its-peak') : '',
  }),
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
    lye: cooling(fact('heat.lye-into-water'), plan, lye, plan.heat.lyeCooling, [
      { name: 'to its peak', value: peak.peakS / 60, unit: 'min' },
    ]),
    oils: cooling(fact('heat.oils-off-heat'), plan, oils, plan.heat.oilsCooling, []),
    peak: {
      title: fact('heat.peak-lye'),
      value: peak.peakC,
      unit: '°C',
      formula: fact('heat.heat-solution-naoh-this'),
      inputs: [
        { name: 'NaOH in the solution', value: heat.w * 100, unit: '%' },
        { name: 'water starts at', value: plan.heat.waterC, unit: '°C' },
        { name: 'of it ice', value: plan.heat.iceShare * 100, unit: '%' },
        { name: 'without any loss', value: heat.limitC, unit: '°C' },
      ],
      source: fact('heat.handbook-heats-solution-specific'),
    },
    mix: {
      title: fact('Together'),
      value: heat.mixC,
      unit: '°C',
      formula: fact('heat.oils-their-c-lye', {
        n: shown('oilHeatCapacity'),
        n2: shown('pouringLoss'),
      }),
      inputs: [
        { name: 'oils', value: oils.massG, unit: 'g' },
        { name: 'oils', value: heat.oilsC, unit: '°C' },
        { name: 'lye solution', value: lye.massG, unit: 'g' },
        { name: 'lye', value: heat.lyeC, unit: '°C' },
      ],
      source: fact('heat.specific-heat-oils-lye', {
        n: shown('oilHeatCapacity'),
        unit: CONSTANTS.oilHeatCapacity.unit,
        n2: warmerBy(CONSTANTS.pouringLoss.value),
      }),
    },
  }
}
