/** What can be seen of a soap, by where and when it shows. */

export const SIGN_STAGES = {
  pot: 'in the pot',
  cup: 'in the cups',
  mould: 'in the mould',
  unmoulding: 'as it came out',
  cut: 'at the cut',
  cure: 'on the rack',
  use: 'in use',
  test: 'tested',
} as const
export type SignStage = keyof typeof SIGN_STAGES

/** What a batch must have for a sign to be looked for; empty: anything. */
export type SignNeeds =
  | ''
  | 'liquid'
  | 'colour'
  | 'scent'
  | 'layers'
  | 'toppings'
  | 'white'
  | 'colours2'
  | 'embeds'
  | 'cups2'

export interface Sign {
  id: string
  stage: SignStage
  where: string
  words: string
  /** How some of it looks, and much of it. */
  some: string
  strong: string
  needs: SignNeeds
}
