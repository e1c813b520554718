import type { Plan } from '../../plan/index.ts'

const DAY_MIN = 24 * 60

/** What the alcohol of a mist would meet within a day: heat, or a closed appliance that collects its vapour; null: nothing. */
export function mistMeets({ rest }: Plan): 'heat' | 'closed' | null {
  const places = rest.steps.filter(step => step.atMin < DAY_MIN).map(step => step.place)
  if (places.some(place => place === 'oven' || place === 'mat')) return 'heat'
  return places.some(place => place !== 'room') ? 'closed' : null
}

export const mistWorks = (plan: Plan): boolean => mistMeets(plan) === null
