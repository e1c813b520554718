import { FITNESS, USUAL_RACK, daysBetween, isHeld, placeUses, showMass, signOf } from '@ostler/core'
import type { PlaceUse, RackBatch } from '@ostler/core'
import { useQuery } from '@tanstack/react-query'
import { parseISO } from 'date-fns'
import { Link } from 'react-router'
import { faceAddress, rackQuery } from '../../api/client.ts'
import { rackPlanQuery } from '../../api/workshop.ts'
import { Places } from '../../frame/places.tsx'
import { TopBar } from '../../frame/top-bar.tsx'
import { useHabits } from '../../plan/context.tsx'
import { Section } from '../../ui/section.tsx'
import { RackPlanFields } from './rack-plan-fields.tsx'
import { WeighHere } from './weigh-here.tsx'
import { dated, rich, t, todayHere } from '../../words/index.ts'

const DAY = 'd MMM'
const day = (on: string) => dated(parseISO(on), DAY)
/** A place without a name is the last. */
const NOWHERE = t('No place noted')

/** Every curing bar of the workshop, by the place where it lies: how long, how many, and when it is ready by its weight. */
export function RackPage() {
  const today = todayHere()
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
          <h1 className="text-3xl">{t('Rack')}</h1>
          {bars > 0 && (
            <p className="text-lg">
              {rich('{bars} bars, {ready} of them ready', {
                bars: <strong>{bars}</strong>,
                ready: <strong>{ready}</strong>,
              })}
            </p>
          )}
        </div>
        {error && <p className="text-rust">{error.message}</p>}
        {isPending && <p className="text-soft">{t('Looking along the rack …')}</p>}
        {data?.length === 0 && (
          <p className="mt-3 max-w-140 text-lg">
            {t(
              'No bars are curing. A batch stands here from when it comes out of its mould, noted on its page Outcome, until its bars are gone.',
            )}
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
        ? t('△ {bars} bars where {holds} have room', { bars: use.bars, holds: use.holds })
        : use.bars === 0
          ? t('empty, room for {holds}', { holds: use.holds })
          : t('{bars} of {holds}', { bars: use.bars, holds: use.holds })}
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

function standsWords({ fitness, life, readyOn }: RackBatch, today: string): string {
  if (isHeld(fitness)) return t('▲ held')
  if (life === 'ready') return t('✓ ready')
  if (readyOn === null) return t('curing')
  const left = daysBetween(today, readyOn)
  return t('ready {readyOn}, in {left} {left, plural, one {day} other {days}}', { readyOn: day(readyOn), left })
}

function RackRow({ batch, today }: { batch: RackBatch; today: string }) {
  const habits = useHabits()
  const { readyRange, bars, barG, curedG, signs } = batch
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
          {t('{bars} · day {day} since {pouredAt}{barG}', {
            bars: bars === null ? t('bars not counted') : t('{bars, plural, one {# bar} other {# bars}}', { bars }),
            day: batch.day,
            pouredAt: day(batch.pouredAt),
            barG:
              barG !== null &&
              curedG !== null &&
              t(' · {barG} to {curedG}', { barG: showMass(barG, habits, 1), curedG: showMass(curedG, habits, 1) }),
          })}
        </span>
        {isHeld(batch.fitness) && (
          <Link to={`/batches/${batch.id}/faults`} className="block font-semibold text-rust underline">
            {t('▲ {fitness}: not to be used or sold', { fitness: t(FITNESS[batch.fitness]) })}
          </Link>
        )}
        {signs.length > 0 && (
          <span className="block text-[14px]">△ {signs.map(sign => t(signOf(sign)?.words ?? sign)).join(' · ')}</span>
        )}
      </span>
      <span className="max-[900px]:col-start-2">
        <strong className="block text-lg">{standsWords(batch, today)}</strong>
        <Filling batch={batch} today={today} />
        <span className="block text-[13px] text-soft">
          {readyRange &&
            batch.life !== 'ready' &&
            t('{readyRange} to {readyRange2} by its weight; ', {
              readyRange: day(readyRange[0]),
              readyRange2: day(readyRange[1]),
            })}
          {isHeld(batch.fitness)
            ? t('not to be sold')
            : batch.life === 'ready'
              ? t('test one before any is sold')
              : t('too early to sell')}
        </span>
      </span>
      <span className="text-[14px] text-soft max-[900px]:col-start-2">
        <span className="block">
          <WeighHere batch={batch} />
        </span>
        {batch.weighedDay === null
          ? t('not weighed yet')
          : t('weighed on day {weighedDay}', { weighedDay: Math.round(batch.weighedDay) })}
        <br />
        {batch.turnedAt === null ? t('not turned yet') : t('turned {turnedAt}', { turnedAt: day(batch.turnedAt) })}
      </span>
    </li>
  )
}
