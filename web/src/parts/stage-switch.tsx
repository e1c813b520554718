import { GELS, STAGES, gelOf } from '@ostler/core'
import type { Gelled, Stage } from '@ostler/core'
import { setColourView, useColourView } from '../plan/colour-view.ts'
import { useForecast, usePlan } from '../plan/context.tsx'
import { Segments } from '../ui/segments.tsx'
import { t } from '../words/index.ts'
import { inWords } from '../ui/options.ts'

const STAGE_OPTIONS = inWords<Stage>(STAGES).map(([value, text]) => ({ value, text }))
const GEL_OPTIONS = inWords<Gelled>(GELS).map(([value, text]) => ({ value, text }))

/** At which age the soap on screen is shown, and whether it gelled. Changes nothing in the plan. */
export function StageSwitch() {
  const view = useColourView()
  const plan = usePlan(state => state.plan)
  const forecast = useForecast()
  const gelled = view.gelled ?? forecast?.colours.gelled ?? gelOf(plan)
  return (
    <div className="flex flex-wrap gap-2">
      <Segments
        label={t('Age shown')}
        value={view.stage}
        options={STAGE_OPTIONS}
        onValue={stage => setColourView({ stage })}
      />
      {view.stage !== 'pour' && (
        <Segments
          label={t('Gel shown')}
          value={gelled}
          options={GEL_OPTIONS}
          onValue={next => setColourView({ gelled: next })}
        />
      )}
      {view.sight !== 'full' && (
        <button className="button bg-paper" onClick={() => setColourView({ sight: 'full' })}>
          {t('seen with weak colour sight: end')}
        </button>
      )}
    </div>
  )
}
