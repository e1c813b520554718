import { LINER_WAYS, levelError, linersOf, releaseSentence, runSheet, showLength, toolList, at } from '@ostler/core'
import type { Forecast, HeatPlan, LinerWay, Plan, UnitHabits, Words } from '@ostler/core'
import { useMemo } from 'react'
import { useBatch, useForecast, useHabits, usePlan } from '../../plan/context.tsx'
import { useTicks } from '../../parts/ticks.ts'
import { LastDays } from '../../parts/last-days.tsx'
import { NextTime } from '../../parts/next-time.tsx'
import { useHeatPlan } from '../../parts/use-heat.ts'
import { Check } from '../../ui/check.tsx'
import { Choice } from '../../ui/choice.tsx'
import { options } from '../../ui/options.ts'
import { ForecastRefused } from '../../parts/forecast-refused.tsx'
import { LinerDrawing } from '../../parts/liner-drawing.tsx'
import { NotedGate } from '../../parts/noted-gate.tsx'
import { PlanField, useTold } from '../../parts/plan-field.tsx'
import { Section } from '../../ui/section.tsx'
import { DivisionSection } from './division-section.tsx'
import { RunSheetSection } from './run-sheet-section.tsx'
import { StockSection } from './stock-section.tsx'
import { Say, useSay } from '../../ui/say.tsx'
import { lowered, t } from '../../words/index.ts'

/** What is made ready, when, and with what: run sheet, tools, stock, mould, and one pot or several. */
export function PreparePage() {
  const forecast = useForecast()
  const heat = useHeatPlan()
  const plan = usePlan(state => state.plan)
  return (
    <main className="grid flex-1 grid-cols-2 content-start gap-x-10 gap-y-8 p-5 max-[1000px]:grid-cols-1 max-[900px]:p-3">
      <div className="col-span-full empty:hidden">
        <NextTime at="prepare" />
        <Brief />
      </div>
      {forecast && heat ? (
        <NotedGate>
          <Parts plan={plan} forecast={forecast} heat={heat} />
        </NotedGate>
      ) : (
        <ForecastRefused />
      )}
    </main>
  )
}

/** What it is for, and by when. */
function Brief() {
  const { occasion, forWhom, wish, priceFrom, priceTo } = usePlan(state => state.plan.brief)
  const price =
    priceTo > 0
      ? t('{priceFrom}{priceTo} a bar', {
          priceFrom: priceFrom > 0 ? t('{priceFrom} to ', { priceFrom }) : t('up to '),
          priceTo,
        })
      : ''
  const said = [occasion, forWhom && t('for {forWhom}', { forWhom }), price].filter(Boolean)
  return (
    <div className="empty:hidden">
      {said.length > 0 && <p className="text-lg font-semibold">{said.join(' · ')}</p>}
      {wish && <p className="max-w-180 whitespace-pre-line">{wish}</p>}
      <LastDays />
    </div>
  )
}

function Parts({ plan, forecast, heat }: { plan: Plan; forecast: Forecast; heat: HeatPlan }) {
  const { shelf } = useBatch()
  const sheet = useMemo(() => runSheet(plan, shelf, forecast.portions, heat), [plan, shelf, forecast, heat])
  return (
    <>
      <RunSheetSection sheet={sheet} startAt={plan.heat.startAt} />
      <div className="flex flex-col gap-8">
        <Tools plan={plan} forecast={forecast} />
        <StockSection plan={plan} forecast={forecast} />
      </div>
      <MouldSection plan={plan} />
      <DivisionSection plan={plan} forecast={forecast} />
    </>
  )
}

const STATE_WORDS = { here: '', few: t('too few'), missing: t('missing') } as const

/** Tools and vessels to have out before the lye. */
function Tools({ plan, forecast }: { plan: Plan; forecast: Forecast }) {
  const { shelf } = useBatch()
  const say = useSay()
  const ticks = useTicks()
  const lines = toolList(plan, shelf, forecast.portions)
  const missing = lines.filter(line => line.state !== 'here')
  const left = lines.filter(line => !ticks.isDone(line.key)).length
  return (
    <Section
      title={t('Tools and vessels')}
      aside={
        <p className={missing.length > 0 ? 'font-semibold text-rust' : 'text-soft'}>
          {missing.length > 0
            ? t('▲ {missing} {missing2, plural, one {is} other {are}} not on the shelf', {
                missing: missing.map(line => lowered(say(line.what))).join(', '),
                missing2: missing.length,
              })
            : left === 0
              ? t('all out')
              : t('{left} to fetch', { left })}
        </p>
      }
    >
      <ul>
        {lines.map(line => (
          <li key={line.key} className="border-b border-line">
            <Check
              className="min-h-11 w-full"
              checked={ticks.isDone(line.key)}
              onChange={done => ticks.set(line.key, done)}
              label={
                <span className="flex-1">
                  {line.count > 1 && `${line.count} × `}
                  <Say of={line.what} />{' '}
                  <span className="text-[13px] text-soft">
                    <Say of={line.why} />
                  </span>
                  {line.sentence && (
                    <span className={`block text-[13px] ${line.state === 'here' ? 'text-soft' : 'text-rust'}`}>
                      {STATE_WORDS[line.state] && `▲ ${STATE_WORDS[line.state]}: `}
                      {say(line.sentence)}
                    </span>
                  )}
                </span>
              }
            />
          </li>
        ))}
      </ul>
    </Section>
  )
}

/** What is done to the mould before the batter is there, each with the name of its tick. */
function stepsOfMould(plan: Plan, habits: UnitHabits): [string, Words][] {
  const off = levelError(plan.mould.innerLengthMm, 1)
  return [
    [
      'mould:level',
      t('Level on both axes, shim, mark the outline. One degree off is {off} over its length.', {
        off: showLength(Number(off.toFixed(1)), habits),
      }),
    ],
    [
      'mould:fill',
      t('Mark the fill line at {fillMm}; {innerHeightMm} stay free for the top.', {
        fillMm: showLength(plan.mould.fillMm, habits),
        innerHeightMm: showLength(plan.mould.innerHeightMm - plan.mould.fillMm, habits),
      }),
    ],
    ['mould:release', releaseSentence(plan)],
  ]
}

/** Lining, level and release. */
function MouldSection({ plan }: { plan: Plan }) {
  const habits = useHabits()
  const say = useSay()
  const ticks = useTicks()
  const liners = linersOf(plan)
  const batch = useBatch()
  const told = useTold()
  const steps = stepsOfMould(plan, habits)
  return (
    <Section title={t('Mould: {mould}', { mould: plan.mould.name })}>
      <ul>
        {steps.map(([key, sentence]) => (
          <li key={key} className="border-b border-line">
            <Check
              className="min-h-11"
              checked={ticks.isDone(key)}
              onChange={done => ticks.set(key, done)}
              label={say(sentence)}
            />
          </li>
        ))}
      </ul>
      {liners.length > 0 ? (
        <>
          <div className="mt-3 flex flex-wrap items-end gap-x-6 gap-y-2">
            <PlanField
              label={t('Liner stands over by')}
              kind="length"
              width={70}
              path={at(plan => plan.preparation.overhangMm)}
            />
            <PlanField
              label={t('Roll is wide')}
              kind="length"
              width={70}
              path={at(plan => plan.preparation.rollWidthMm)}
            />
            <PlanField
              label={t('Layers')}
              kind="plain"
              decimals={0}
              width={56}
              path={at(plan => plan.preparation.linerLayers)}
            />
            {plan.mould.form === 'box' && (
              <Choice<LinerWay>
                label={t('Cut as')}
                value={plan.preparation.linerWay}
                options={options(LINER_WAYS)}
                onValue={value => told(batch.edit({ kind: 'set', path: at(one => one.preparation.linerWay), value }))}
              />
            )}
          </div>
          {liners.map((liner, i) => (
            <figure key={`${i} ${liner.mould}`} className="mt-3">
              {liners.length > 1 && <figcaption className="font-semibold">{liner.mould}</figcaption>}
              <LinerDrawing liner={liner} className="max-h-80 w-full" />
              <p className="mt-1 text-[13px] text-soft">
                {t('{sentence} Dashed: fold{some}. The Sheet prints it with its measures.', {
                  sentence: say(liner.sentence),
                  some: liner.sheets.some(sheet => sheet.slits.length > 0) && t('; thick: cut'),
                })}
              </p>
            </figure>
          ))}
        </>
      ) : (
        <p className="mt-2 text-[13px] text-soft">
          {t('Without a lining. Choose one on the Batter page to get its sheets.')}
        </p>
      )}
    </Section>
  )
}
