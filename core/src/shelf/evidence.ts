/** What batches have taught, as the workshop keeps it. */

/** What one batch says of a pace: a sum of ln(rate) that was seen, with the variance of seeing it. */
export interface PaceReading {
  /** Of a cup without scent, of one with, or of the seconds that blending took. */
  stage: 'plain' | 'scented' | 'blend'
  /** Scents at work, each with the weight that its own ln(rate factor) has at the dose used. */
  scents: { scent: string; weight: number }[]
  value: number
  variance: number
}

/** What a batch's thermometer said of its rest: ln of factors on what is expected. */
export interface RestReadings {
  /** Mould, wall, lining and wrap that the losses belong to; oils and scents that the rate belongs to. */
  wrap: string
  rateOf: string
  rate: { value: number; variance: number } | null
  losses: { value: number; variance: number } | null
}

/** A reading of ln of a factor on what is expected, with its variance. */
export interface FactorReading {
  value: number
  variance: number
}

/** What a batch's weigh-ins said of its cure: of how much bars lose, and of how long they take. */
export interface CureReadings {
  loss: FactorReading | null
  time: FactorReading | null
}

/** All that a batch taught, and whether it counts. */
export interface Evidence {
  batch: string
  name: string
  /** When it was last written down, ISO 8601. */
  at: string
  /** The oils, so that the same recipe is known again. */
  recipe: string
  counts: boolean
  observations: PaceReading[]
  /** Null without readings of the rest. */
  rest: RestReadings | null
  /** Null without weigh-ins that tell. */
  cure?: CureReadings | null
  /** Its plan cannot be read any more: these are numbers of the former models, brought over. */
  formerModel?: boolean
}
