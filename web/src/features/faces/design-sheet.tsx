import { acrossView, barCount, levelView, showLength, showMass } from '@ostler/core'
import type { Design, Plan, Words } from '@ostler/core'
import { Printer } from 'lucide-react'
import { Link } from 'react-router'
import { useForecast, useHabits, usePlan } from '../../plan/context.tsx'
import { useCupHex } from '../../plan/colour-view.ts'
import { ShareLinks } from '../../parts/share-links.tsx'
import { Swatch } from '../../ui/swatch.tsx'
import { howMoved, howPoured, howSetIn } from '../../parts/how-done.ts'
import { FaceCanvas } from '../../drawing/face-canvas.tsx'
import { SavePicture } from './save-picture.tsx'
import { useDesign, useDesignHexes, useDesignNames } from '../../drawing/use-design.ts'
import { t, tidy } from '../../words/index.ts'

const FINE = 2
/** Where the small faces are cut, shares of the length. */
const PLACES = [0.1, 0.26, 0.58, 0.74, 0.9]

/** One page that says all of a design: what it looks like, its colours, and what the hands do. */
export function DesignSheet() {
  const plan = usePlan(state => state.plan)
  const design = useDesign()
  const hexes = useDesignHexes(design)
  const names = useDesignNames(design)
  return (
    <main className="flex-1 bg-booth py-6 max-[600px]:py-0 print:bg-white print:p-0">
      <div className="mx-auto mb-4 flex max-w-200 flex-wrap gap-3 px-4 max-[600px]:pt-3 print:hidden">
        <button className="button button-main" onClick={() => print()}>
          <Printer size={16} aria-hidden /> {t('Print')}
        </button>
        <ShareLinks what="design" />
        <Link to="../bars" className="button">
          {t('Every bar')}
        </Link>
        <Link to="../score" className="button">
          {t('Back to the score')}
        </Link>
      </div>
      <article className="sheet mx-auto max-w-200 bg-paper p-8 text-[14px] max-[600px]:p-4 print:max-w-none print:p-0 print:text-[9.5pt]">
        <Pictures {...{ plan, design, hexes, names }} />
        <div className="mt-4 grid grid-cols-[240px_1fr] gap-8 max-[600px]:grid-cols-1">
          <Colours plan={plan} />
          <Steps plan={plan} />
        </div>
      </article>
    </main>
  )
}

interface Props {
  plan: Plan
  design: Design
  hexes: readonly string[]
  names: readonly Words[]
}

function Pictures({ plan, design, hexes, names }: Props) {
  const habits = useHabits()
  const { program } = design
  const { mould } = plan
  const round = program.radiusMm > 0
  const widthMm = round ? 2 * program.halfWidthMm : program.widthMm
  const small = round ? PLACES.map(at => 1 - at) : PLACES
  const cutAt = (at: number) => (width: number) =>
    round ? levelView(program, at, width) : acrossView(program, at, width)
  return (
    <>
      <header className="mb-3">
        <h1 className="text-3xl">{plan.name}</h1>
        <p className="text-soft">
          {t('{mould}, {innerLengthMm} × {innerWidthMm}, soap {fillMm} high · {plan} bars{rows}{onSide}', {
            mould: mould.name,
            innerLengthMm: showLength(mould.innerLengthMm, habits),
            innerWidthMm: showLength(mould.innerWidthMm, habits),
            fillMm: showLength(mould.fillMm, habits),
            plan: barCount(plan),
            rows: plan.cutting.rows > 1 && t(' ({rows} across)', { rows: plan.cutting.rows }),
            onSide: plan.cutting.onSide && t(', cut on its side'),
          })}
        </p>
      </header>
      <div className="flex flex-wrap items-start gap-5">
        <figure className="w-70">
          <FaceCanvas
            {...{ program, hexes, names }}
            drawnWith={plan}
            view={cutAt(0.42)(280 * FINE)}
            label={t('The face of a bar')}
            className="w-full"
          />
          <SavePicture
            {...{ program, plan, hexes, widthMm }}
            viewAt={cutAt(0.42)}
            name={t('{plan} face', { plan: plan.name })}
          />
        </figure>
        <div className="min-w-70 flex-1">
          <FaceCanvas
            {...{ program, hexes, names, plan }}
            view={levelView(program, 1, 420 * FINE)}
            label={t('The top')}
            className="max-h-50 max-w-full"
          />
          <div className="mt-3 flex gap-2">
            {small.map(at => (
              <FaceCanvas
                key={at}
                {...{ program, hexes, names }}
                view={cutAt(at)(90 * FINE)}
                label={t('Cut at {at} %', { at: Math.round(at * 100) })}
                className="min-w-0 flex-1"
              />
            ))}
          </div>
        </div>
      </div>
    </>
  )
}

function Colours({ plan }: { plan: Plan }) {
  const habits = useHabits()
  const hexOf = useCupHex()
  const cups = useForecast()?.portions.cups
  return (
    <section aria-label={t('Colours')}>
      <h2 className="mb-1 text-lg">{t('Colours')}</h2>
      <ul className="flex flex-col gap-1">
        {plan.cups.map((cup, i) => (
          <li key={cup.id} className="flex items-center gap-2 border-b border-line py-0.5">
            <Swatch hex={hexOf(cup.id)} />
            <span className="flex-1">{cup.name}</span>
            <strong>{cups ? showMass(cups[i]!.pouredG, habits, 1) : ''}</strong>
          </li>
        ))}
        {plan.finish.embeds.map(embed => (
          <li key={embed.id} className="flex items-center gap-2 border-b border-line py-0.5">
            <Swatch hex={embed.hex} />
            <span>{t('{embed}, ready-made', { embed: embed.name })}</span>
          </li>
        ))}
        {plan.finish.toppings.map(topping => (
          <li key={topping.id} className="flex items-center gap-2 border-b border-line py-0.5">
            <Swatch hex={topping.hex} />
            <span className="flex-1">{t('{topping}, on top', { topping: topping.name })}</span>
            <strong>{showMass(topping.massG, habits)}</strong>
          </li>
        ))}
      </ul>
    </section>
  )
}

/** Steps alike one after another are told once. */
function Steps({ plan }: { plan: Plan }) {
  const habits = useHabits()
  const pours = useForecast()?.lanes.pours
  const nameOf = (id: string) => plan.cups.find(cup => cup.id === id)?.name ?? id
  return (
    <section aria-label={t('Steps')}>
      <h2 className="mb-1 text-lg">{t('What the hands do')}</h2>
      <ol className={plan.score.length > 16 ? 'columns-2 gap-6' : ''}>
        {plan.score.map((pour, i) => (
          <li key={pour.id} className="break-inside-avoid border-b border-line py-0.5">
            <strong>
              {i + 1} {nameOf(pour.cup)}
            </strong>{' '}
            {howPoured(pour)}
            {pours?.[i] && (
              <span className="text-soft">
                {t('trace {lo}–{hi}', { lo: tidy(pours[i].window.lo, 1), hi: tidy(pours[i].window.hi, 1) })}
              </span>
            )}
            {plan.finish.embeds
              .filter(embed => embed.after === pour.id)
              .map(embed => (
                <span key={embed.id} className="block pl-4">
                  {t('Set in: {embed}', { embed: howSetIn(embed, habits) })}
                </span>
              ))}
            {plan.moves
              .filter(move => move.after === pour.id && !move.off)
              .map(move => (
                <span key={move.id} className="block pl-4">
                  {t('Then: {move}', { move: howMoved(move) })}
                </span>
              ))}
          </li>
        ))}
      </ol>
    </section>
  )
}
