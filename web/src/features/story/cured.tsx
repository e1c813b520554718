import { dayAfter, showMass, showTemperature } from '@ostler/core'
import type { RecordState } from '@ostler/core'
import { parseISO } from 'date-fns'
import { useHabits, usePlan } from '../../plan/context.tsx'
import { useYield, yieldLines } from '../../parts/use-yield.ts'
import { Part, Table } from './part.tsx'
import { useCure } from './use-cure.ts'
import { dated, fixed, showShare, t } from '../../words/index.ts'

const day = (on: string): string => dated(parseISO(on), 'd MMM yyyy')

/** The rest in the mould, the bars on the scale as they dried, and where the soap went. */
export function Cured({ state }: { state: RecordState }) {
  const habits = useHabits()
  const { rest } = usePlan(one => one.plan)
  const cure = useCure()
  const reckoned = useYield(state)
  const { pouredAt, readings, weighIns } = rest
  const g = (grams: number) => showMass(grams, habits, 1)
  if (pouredAt === '') return null
  return (
    <>
      {readings.length > 0 && (
        <Part title={t('In the mould')}>
          <Table
            heads={['read', 'at']}
            rows={readings.map(reading => ({
              what: t('{atMin} h after the pour', { atMin: fixed(reading.atMin / 60, 1) }),
              cells: [showTemperature(reading.tempC, habits)],
            }))}
          />
        </Part>
      )}
      {cure && (
        <Part title={t('On the rack')}>
          {weighIns.length > 0 && (
            <Table
              heads={['weighed', t('a bar'), 'lost']}
              rows={[...weighIns]
                .sort((a, b) => a.day - b.day)
                .map(one => ({
                  what: t('{pouredAt}, day {day}{bar}', {
                    pouredAt: day(dayAfter(pouredAt, Math.round(one.day))),
                    day: Math.round(one.day),
                    bar: one.bar === '' ? '' : t(', bar {bar}', { bar: one.bar }),
                  }),
                  cells: [
                    showMass(one.massG / one.count, habits, 0.1),
                    showShare(Math.max(0, 1 - one.massG / one.count / cure.freshG), 1),
                  ],
                }))}
            />
          )}
          <p className="mt-1">
            {t('Ready by its weight {pouredAt} ({pouredAt2} to {pouredAt3}), a bar then {curedG}.', {
              pouredAt: day(dayAfter(pouredAt, cure.readyDay)),
              pouredAt2: day(dayAfter(pouredAt, cure.readyRange[0])),
              pouredAt3: day(dayAfter(pouredAt, cure.readyRange[1])),
              curedG: g(cure.curedG),
            })}
          </p>
        </Part>
      )}
      {reckoned && (
        <Part title={t('Where the soap went')}>
          <Table
            rows={[
              ...yieldLines(reckoned).map(({ what, grams }) => ({ what, cells: [g(grams)] })),
              {
                what: reckoned.gapG >= 0 ? t('not accounted for') : t('more than went in'),
                cells: [g(Math.abs(reckoned.gapG))],
              },
            ]}
          />
        </Part>
      )}
    </>
  )
}
