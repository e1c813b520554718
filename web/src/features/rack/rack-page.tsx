import { FITNESS, USUAL_RACK, daysBetween, isHeld, placeUses, showMass, signOf } from '@ostler/core'
import type { PlaceUse, RackBatch } from '@ostler/core'
import { useQuery } from '@tanstack/react-query'
import { format, parseISO } from 'date-fns'
import { Link } from 'react-router'
import { faceAddress, rackQuery } from '../../api/client.ts'
import { rackPlanQuery } from '../../api/workshop.ts'
import { Places } from '../../frame/places.tsx'
import { TopBar } from '../../frame/top-bar.tsx'
import { useHabits } from '../../plan/context.tsx'
import { Section } from '../../ui/section.tsx'
import { RackPlanFields } from './rack-plan-fields.tsx'
import { WeighHere } from './weigh-here.tsx'

const DAY = 'd MMM'
const day = (on: string) => format(parseISO(on), DAY)
/** A place without a name is the last. */
const NOWHERE = 'No place noted'

/** Every curing bar of the workshop, by the place where it lies: how long, how many, and when it is ready by its weight. */
export function RackPage() {
  const today = format(new Date(), 'yyyy-MM-dd')
  const { data, error, isPending } = useQuery(rackQuery(today))
  const { data: rack } = useQuery(rackPlanQuery)
  const uses = placeUses(rack ?? USUAL_RACK, data ?? [])
  const places = [
    ...uses.filter(use => use.bars > 0 || use.holds !== null).map(use => use.name),
    ...((data ?? []).some(one => one.place === '') ? [NOWHERE] : []),
  ]
  const bars = (data ?? []).reduce((sum, one) => sum + (one.bars ?? 0), 0)
  const ready = (data ?? []).filter(one => one.life === 'ready').reduce((sum, one) => sum + (one.bars ?? 0), 0)
  return (
    <>
      <TopBar>
        <Places />
      </TopBar>
      <main className="mx-auto w-full max-w-260 px-5 py-6 max-[900px]:px-3">
        <div className="flex flex-wrap items-baseline gap-x-6">
          <h1 className="text-3xl">Rack</h1>
          {bars > 0 && (
            <p className="text-lg">
              <strong>{bars}</strong> bars, <strong>{ready}</strong> of them ready
            </p>
          )}
        </div>
        {error && <p className="text-rust">{error.message}</p>}
        {isPending && <p className="text-soft">Looking along the rack …</p>}
        {data?.length === 0 && (
          <p className="mt-3 max-w-140 text-lg">
            No bars are curing. A batch stands here from when it comes out of its mould, noted on its page Outcome,
            until its bars are gone.
          </p>
        )}
        {places.map(place => (
          <Section
            key={place}
            title={place}
            aside={<Fullness use={uses.find(use => use.name === place)} />}
            className="mt-6"
          >
            <ul>
              {(data ?? [])
                .filter(one => (one.place || NOWHERE) === place)
                .map(one => (
                  <RackRow key={one.id} batch={one} today={today} />
                ))}
            </ul>
          </Section>
        ))}
        {rack && <RackPlanFields rack={rack} />}
      </main>
    </>
  )
}

/** How full a place is; one that is not in the plan of the rack says nothing. */
function Fullness({ use }: { use: PlaceUse | undefined }) {
  if (use?.holds == null) return null
  const over = use.bars - use.holds
  return (
    <span className={over > 0 ? 'text-rust' : 'text-soft'}>
      {over > 0
        ? `△ ${use.bars} bars where ${use.holds} have room`
        : use.bars === 0
          ? `empty, room for ${use.holds}`
          : `${use.bars} of ${use.holds}`}
    </span>
  )
}

/** How far the cure is: from the pour to when it is ready, as a bar that fills. */
function Filling({ batch, today }: { batch: RackBatch; today: string }) {
  const { readyOn, pouredAt } = batch
  if (readyOn === null) return null
  const whole = Math.max(1, daysBetween(pouredAt, readyOn))
  const share = Math.min(1, daysBetween(pouredAt, today) / whole)
  return (
    <span aria-hidden className="block h-2 w-full border border-ink">
      <span className="block h-full bg-ink" style={{ width: `${share * 100}%` }} />
    </span>
  )
}

function RackRow({ batch, today }: { batch: RackBatch; today: string }) {
  const habits = useHabits()
  const { readyOn, readyRange, bars, barG, curedG, signs } = batch
  const left = readyOn === null ? null : daysBetween(today, readyOn)
  return (
    <li className="grid grid-cols-[72px_minmax(0,1fr)_210px_210px] items-center gap-5 border-b border-line py-3 max-[900px]:grid-cols-[56px_minmax(0,1fr)]">
      <span className="grid place-items-center rounded bg-booth p-1.5">
        {batch.face !== null && (
          <img
            src={faceAddress({ id: batch.id, face: batch.face })}
            alt=""
            height={48}
            loading="lazy"
            className="block h-12 max-w-full object-contain"
          />
        )}
      </span>
      <span className="min-w-0">
        <Link to={`/batches/${batch.id}/outcome`} className="font-title text-xl font-semibold hover:underline">
          {batch.name}
        </Link>
        <span className="block text-soft">
          {bars === null ? 'bars not counted' : `${bars} ${bars === 1 ? 'bar' : 'bars'}`} · day {batch.day} since{' '}
          {day(batch.pouredAt)}
          {barG !== null && curedG !== null && ` · ${showMass(barG, habits, 1)} to ${showMass(curedG, habits, 1)}`}
        </span>
        {isHeld(batch.fitness) && (
          <Link to={`/batches/${batch.id}/faults`} className="block font-semibold text-rust underline">
            ▲ {FITNESS[batch.fitness]}: not to be used or sold
          </Link>
        )}
        {signs.length > 0 && (
          <span className="block text-[14px]">△ {signs.map(sign => signOf(sign)?.words ?? sign).join(' · ')}</span>
        )}
      </span>
      <span className="max-[900px]:col-start-2">
        <strong className="block text-lg">
          {isHeld(batch.fitness)
            ? '▲ held'
            : batch.life === 'ready'
              ? '✓ ready'
              : left === null
                ? 'curing'
                : `ready ${day(readyOn!)}, in ${left} ${left === 1 ? 'day' : 'days'}`}
        </strong>
        <Filling batch={batch} today={today} />
        <span className="block text-[13px] text-soft">
          {readyRange && batch.life !== 'ready' && `${day(readyRange[0])} to ${day(readyRange[1])} by its weight; `}
          {isHeld(batch.fitness)
            ? 'not to be sold'
            : batch.life === 'ready'
              ? 'test one before any is sold'
              : 'too early to sell'}
        </span>
      </span>
      <span className="text-[14px] text-soft max-[900px]:col-start-2">
        <span className="block">
          <WeighHere batch={batch} />
        </span>
        {batch.weighedDay === null ? 'not weighed yet' : `weighed on day ${Math.round(batch.weighedDay)}`}
        <br />
        {batch.turnedAt === null ? 'not turned yet' : `turned ${day(batch.turnedAt)}`}
      </span>
    </li>
  )
}
