import { dayAfter, showMass, showShare, showTemperature } from '@ostler/core'
import type { RecordState } from '@ostler/core'
import { format, parseISO } from 'date-fns'
import { useHabits, usePlan } from '../../plan/context.tsx'
import { useYield, yieldLines } from '../../parts/use-yield.ts'
import { Part, Table } from './part.tsx'
import { useCure } from './use-cure.ts'

const day = (on: string): string => format(parseISO(on), 'd MMM yyyy')

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
        <Part title="In the mould">
          <Table
            heads={['read', 'at']}
            rows={readings.map(reading => ({
              what: `${(reading.atMin / 60).toFixed(1)} h after the pour`,
              cells: [showTemperature(reading.tempC, habits)],
            }))}
          />
        </Part>
      )}
      {cure && (
        <Part title="On the rack">
          {weighIns.length > 0 && (
            <Table
              heads={['weighed', 'a bar', 'lost']}
              rows={[...weighIns]
                .sort((a, b) => a.day - b.day)
                .map(one => ({
                  what: `${day(dayAfter(pouredAt, Math.round(one.day)))}, day ${Math.round(one.day)}${one.bar === '' ? '' : `, bar ${one.bar}`}`,
                  cells: [
                    showMass(one.massG / one.count, habits, 0.1),
                    showShare(Math.max(0, 1 - one.massG / one.count / cure.freshG), 1),
                  ],
                }))}
            />
          )}
          <p className="mt-1">
            Ready by its weight {day(dayAfter(pouredAt, cure.readyDay))} ({day(dayAfter(pouredAt, cure.readyRange[0]))}{' '}
            to {day(dayAfter(pouredAt, cure.readyRange[1]))}), a bar then {g(cure.curedG)}.
          </p>
        </Part>
      )}
      {reckoned && (
        <Part title="Where the soap went">
          <Table
            rows={[
              ...yieldLines(reckoned).map(({ what, grams }) => ({ what, cells: [g(grams)] })),
              {
                what: reckoned.gapG >= 0 ? 'not accounted for' : 'more than went in',
                cells: [g(Math.abs(reckoned.gapG))],
              },
            ]}
          />
        </Part>
      )}
    </>
  )
}
