import { t } from '../words/index.ts'

/** Cautions of the craft for lye, hot batter, powders and scent. */
export const SAFETY: readonly string[] = [
  t('Goggles, gloves, long sleeves, closed shoes; fresh air.'),
  t('Children and pets out of the room.'),
  t('Lye into water, never water into lye; stir until clear.'),
  t('Jugs of stainless steel, polypropylene or HDPE; never aluminium, no glass. Label the lye.'),
  t('Fresh batter burns like lye: wipe up splashes at once.'),
  t(
    'On skin: take off what is splashed, rinse with plenty of cool running water for 15 to 20 minutes. No vinegar on a burn.',
  ),
  t('In the eyes: rinse at once, keep rinsing, get emergency help.'),
  t('Scent: the supplier’s limit and safety sheet come first. Never taste soap to test it.'),
]
