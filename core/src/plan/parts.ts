import { fact } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import type { Plan } from './document.ts'

/** What each part of a plan is called when two versions of it differ. Every part has its words. */
export const PART_WORDS: Readonly<Record<Exclude<keyof Plan, 'format' | 'version'>, string>> = {
  name: 'name',
  notes: 'notes',
  madeBy: 'who makes it',
  brief: 'what it is made for',
  isTrial: 'trial or not',
  freeLye: 'answer to free lye',
  whipped: 'whipped or blended',
  recipe: 'recipe',
  mould: 'mould and height of the soap',
  moreMoulds: 'further moulds',
  pot: 'what clings to the pot',
  scent: 'scent',
  potColorants: 'colour of the whole pot',
  cups: 'cups and their colours',
  ladders: 'ladders of tints',
  reserves: 'batter kept back',
  score: 'pours',
  moves: 'tools',
  aside: 'pours set aside',
  finish: 'embeds, toppings and mat',
  planB: 'plan B',
  cutting: 'how it is cut',
  conditions: 'temperatures, blending and scales',
  hands: 'hands and their order',
  seen: 'trace that was seen',
  blendedS: 'seconds of blending',
  rest: 'rest, readings and cure',
  heat: 'heat plan',
  division: 'how the batter is divided',
  colour: 'how colours are judged',
  preparation: 'lining of the mould',
}

/** The parts in which two plans differ, in words and in the order of the document. */
export const differingParts = (a: Plan, b: Plan): Words[] =>
  (Object.keys(PART_WORDS) as (keyof typeof PART_WORDS)[])
    .filter(key => JSON.stringify(a[key]) !== JSON.stringify(b[key]))
    .map(key => fact(PART_WORDS[key]))
