import type { Profile } from './program.ts'

/** How a stream's material lies across its width: running sum, density and slope of density at u, from -1 to 1. */
export function running(profile: Profile, u: number): number {
  if (u <= -1) return -1
  if (u >= 1) return 1
  return profile === 'soft' ? (u * (15 - 10 * u * u + 3 * u * u * u * u)) / 8 : (u * (3 - u * u)) / 2
}

export function density(profile: Profile, u: number): number {
  if (u <= -1 || u >= 1) return 0
  const rest = 1 - u * u
  return profile === 'soft' ? (15 / 8) * rest * rest : 1.5 * rest
}

export function slope(profile: Profile, u: number): number {
  if (u <= -1 || u >= 1) return 0
  return profile === 'soft' ? -7.5 * u * (1 - u * u) : -3 * u
}
