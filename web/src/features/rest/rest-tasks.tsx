import type { RestTask, Words } from '@ostler/core'
import { addMinutes, format } from 'date-fns'
import { CalendarPlus } from 'lucide-react'
import { useState } from 'react'
import { useBatch, usePlan } from '../../plan/context.tsx'
import { showHours } from '../../ui/clock.ts'
import { useTold } from '../../parts/plan-field.tsx'
import { Section } from '../../ui/section.tsx'
import { calendarOf } from './calendar.ts'
import { Say, useSay } from '../../ui/say.tsx'
import { dated, t } from '../../words/index.ts'

const LOCAL = "yyyy-MM-dd'T'HH:mm"

/** What to do when, by the clock once the last pour is known, and as a calendar file. */
export function RestTasks({ tasks }: { tasks: readonly RestTask[] }) {
  const say = useSay()
  const batch = useBatch()
  const told = useTold()
  const name = usePlan(state => state.plan.name)
  const { pouredAt } = usePlan(state => state.plan.rest)
  const [opened] = useState(() => format(new Date(), LOCAL))
  const [isEmpty, setEmpty] = useState(false)
  const poured = isEmpty ? '' : pouredAt || opened
  const [sentence, setSentence] = useState<Words>('')
  const at = new Date(poured)
  const isKnown = !Number.isNaN(at.getTime())
  const save = async () => {
    try {
      const text = await calendarOf({ id: batch.get().id, name }, tasks, at, say)
      const link = document.createElement('a')
      link.href = URL.createObjectURL(new Blob([text], { type: 'text/calendar' }))
      link.download = 'rest.ics'
      link.click()
      URL.revokeObjectURL(link.href)
      setSentence('')
    } catch (error) {
      setSentence((error as Error).message)
    }
  }
  return (
    <Section title={t('What to do when')}>
      <div className="mb-2 flex flex-wrap items-end gap-4">
        <label className="flex flex-col gap-0.5 text-[13px] text-soft">
          {t('Last pour')}
          <input
            type="datetime-local"
            className="field min-h-9 text-ink"
            value={poured}
            onChange={event => {
              setEmpty(event.target.value === '')
              told(batch.edit({ kind: 'set', path: ['rest', 'pouredAt'], value: event.target.value }, 'poured at'))
            }}
          />
        </label>
        <button className="button" disabled={!isKnown || tasks.length === 0} onClick={() => void save()}>
          <CalendarPlus size={16} aria-hidden /> {t('Calendar file')}
        </button>
      </div>
      {isKnown && pouredAt === '' && (
        <p className="mb-1 text-[13px] text-soft">{t('As if it were poured now: say when it was.')}</p>
      )}
      {!isKnown && <p className="text-rust">{t('Say when the last pour is, day and time.')}</p>}
      {sentence && (
        <p role="alert" className="text-rust">
          <Say of={sentence} />
        </p>
      )}
      <table className="w-full max-w-180">
        <tbody>
          {tasks.map(task => (
            <tr key={`${task.atMin} ${say(task.what)}`} className="border-t border-line align-baseline">
              <td className="w-24 py-1 pr-4 font-semibold whitespace-nowrap">
                {isKnown ? dated(addMinutes(at, task.atMin), 'EEE HH:mm') : ''}
              </td>
              <td className="w-28 pr-4 whitespace-nowrap text-soft">{showHours(task.atMin)}</td>
              <td>{say(task.what)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Section>
  )
}
