import { TIME_KINDS, fact, timesTaken } from '@ostler/core'
import type { HandTime, OwnTime } from '@ostler/core'
import { useQueryClient } from '@tanstack/react-query'
import { useMemo } from 'react'
import { saveTimes, shelfQuery } from '../../api/client.ts'
import { useBatch } from '../../plan/context.tsx'
import { useNoted, useNotedState } from '../../run/noted.tsx'
import { Say } from '../../ui/say.tsx'
import { Section } from '../../ui/section.tsx'
import { useAct } from '../../ui/use-act.ts'
import { t } from '../../words/index.ts'

const tidyS = (seconds: number): number => Math.round(seconds * 2) / 2

/** What the hands took at the bench, beside the times that the forecast reckons with; each is taken over on its own. */
export function HandsTaught() {
  const { run } = useNoted()
  const noted = useNotedState()
  const batch = useBatch()
  const client = useQueryClient()
  const act = useAct()
  const taken = useMemo(() => (run && noted ? timesTaken(run.following.input, noted.state) : []), [noted, run])
  if (taken.length === 0) return null
  const own = batch.shelf.times
  const keep = (times: readonly OwnTime[]) =>
    act.run(async () => {
      await saveTimes(times)
      batch.renewShelf({ times })
      await client.invalidateQueries({ queryKey: shelfQuery.queryKey })
    })
  const take = ({ kind, seconds }: HandTime) =>
    keep([...own.filter(one => one.kind !== kind), { kind, seconds: tidyS(seconds) }])
  return (
    <Section
      title={t('Your hands')}
      aside={<span className="text-soft">{t('seconds at the bench')}</span>}
      className="mt-8"
    >
      <table className="w-full">
        <thead>
          <tr className="text-left text-[13px] text-soft">
            {['', t('reckoned with'), t('took'), ''].map((head, i) => (
              <th key={i} className="pr-4 font-normal">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {taken.map(one => {
            const mine = own.find(time => time.kind === one.kind)
            const isTaken = mine?.seconds === tidyS(one.seconds)
            return (
              <tr key={one.kind} className="border-b border-line">
                <th scope="row" className="py-1.5 pr-4 text-left font-normal first-letter:uppercase">
                  <Say of={fact(TIME_KINDS[one.kind])} />
                </th>
                <td className="pr-4 text-soft">{Math.round(one.plannedS)} s</td>
                <td className="pr-4 text-lg">
                  <strong>{Math.round(one.seconds)} s</strong>{' '}
                  <span className="text-[13px] text-soft">
                    {one.count === 1 ? t('once') : t('middle of {one}', { one: one.count })}
                  </span>
                </td>
                <td className="text-right">
                  {isTaken ? (
                    <button
                      className="quiet min-h-9"
                      disabled={act.busy}
                      onClick={() => void keep(own.filter(time => time.kind !== one.kind))}
                    >
                      {t('✓ yours; take it back')}
                    </button>
                  ) : (
                    <button className="button min-h-9" disabled={act.busy} onClick={() => void take(one)}>
                      {t('Reckon with it')}
                    </button>
                  )}
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
      {act.sentence !== '' && (
        <p role="alert" className="text-rust">
          {act.sentence}
        </p>
      )}
    </Section>
  )
}
