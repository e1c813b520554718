import { quickensSentence, showMinutes } from '@ostler/core'
import { useForecast } from '../plan/context.tsx'
import { useSay } from '../ui/say.tsx'
import { t } from '../words/index.ts'

/** Shorter is no time at all, min. */
const AT_ONCE_MIN = 0.4

/** What quickens and slows the batter that is too thick first, each with its part; wanted and feared are told apart. */
export function QuickensLine({ className = '' }: { className?: string }) {
  const say = useSay()
  const quickens = useForecast()?.quickens
  if (!quickens) return null
  const { cupName, minutes, isWanted } = quickens
  const long = minutes >= 60 ? t('an hour or more') : showMinutes(minutes)
  const feared =
    minutes < AT_ONCE_MIN
      ? t('{cupName} is too thick to pour as soon as it is blended.', { cupName })
      : t('{cupName} can be poured for {long} after blending.', { cupName, long })
  return (
    <p className={className}>
      <strong>
        {isWanted ? t('{cupName} is to thicken: it takes {long} from the end of blending.', { cupName, long }) : feared}
      </strong>{' '}
      {say(quickensSentence(quickens))}
    </p>
  )
}
