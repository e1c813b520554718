import { inverseNormal } from '../quantities/chance/index.ts'

/**
 * Numbers from a seed: each thing that varies has a stream of its own, named, so that one can be set without moving the others. The same
 * seed and name always give the same number.
 */

/** A name as a number of 32 bits (FNV-1a). */
function hashed(name: string): number {
  let hash = 0x811c9dc5
  for (let i = 0; i < name.length; i += 1) hash = Math.imul(hash ^ name.charCodeAt(i), 0x01000193)
  return hash >>> 0
}

/** Mixes 32 bits so that neighbours have nothing in common (finaliser of murmur3). */
function mixed(bits: number): number {
  let h = bits >>> 0
  h = Math.imul(h ^ (h >>> 16), 0x85ebca6b)
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35)
  return (h ^ (h >>> 16)) >>> 0
}

/** A number from 0 to below 1 for a seed and a name. */
export const evenly = (seed: number, name: string): number =>
  (mixed(mixed(seed ^ 0x9e3779b9) ^ hashed(name)) + 0.5) / 2 ** 32

/** A standard normal number for a seed and a name. */
export const normally = (seed: number, name: string): number => inverseNormal(evenly(seed, name))
