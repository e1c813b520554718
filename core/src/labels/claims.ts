import { fact } from '../quantities/facts/index.ts'
import type { Fact } from '../quantities/facts/index.ts'

/** Words on a label that make more of soap than soap. */

const CLAIMS: readonly { words: RegExp; of: 'medicine' | 'biocide' | 'cosmetic' }[] = [
  {
    of: 'medicine',
    words:
      /\b(?:heals?|healing|cures?|curing skin|treats|treatments?|therap\w*|medic\w*|remed\w*|acne|eczema|psoriasis|dermatitis|rosacea|fung\w*|anti-?inflammator\w*|pain|scars?|wounds?|sunburns?)\b/iu,
  },
  {
    of: 'biocide',
    words:
      /\b(?:anti-?bacterial|anti-?microbial|disinfect\w*|kills? germs|germs?|sanitis\w*|sanitiz\w*|repels?|repellent|insects?)\b/iu,
  },
  {
    of: 'cosmetic',
    words:
      /\b(?:moisturi[sz]\w*|anti-?ag(?:e|ing|eing)|wrinkles?|detox\w*|hypo-?allergenic|nourish\w*|rejuvenat\w*|firming|whitening|sun ?protection|spf)\b/iu,
  },
]

/** Claims in the words of a label that put it under other rules, each with the word. Local rules come first. */
export function claimsIn(text: string): Fact[] {
  return CLAIMS.flatMap(({ words, of }) => {
    const found = words.exec(text)
    if (!found) return []
    const word = found[0]
    if (of === 'medicine') return [fact('labels.claim-medicine', { word })]
    if (of === 'biocide') return [fact('labels.claim-biocide', { word })]
    return [fact('labels.claim-cosmetic', { word })]
  })
}
