import {
  MAX_RESERVES,
  RESERVE_USES,
  at,
  findById,
  freshId,
  readQuantity,
  showMass,
  suspectBlank,
  suspects,
} from '@ostler/core'
import type { Plan, Reserve, ReserveUse, Suspect } from '@ostler/core'
import { Plus, Trash2 } from 'lucide-react'
import { useState } from 'react'
import { useBatch, useHabits } from '../../plan/context.tsx'
import { AddChoice } from '../../ui/add-choice.tsx'
import { Choice } from '../../ui/choice.tsx'
import { PlanField, useTold } from '../../parts/plan-field.tsx'
import { Section } from '../../ui/section.tsx'
import { decimalMark, t } from '../../words/index.ts'
import { Term } from '../../ui/term.tsx'
import { inWords } from '../../ui/options.ts'

const USES = inWords<ReserveUse>(RESERVE_USES)
const PLAIN = ''

/** Batter that is kept back: for the top, for piping, a sample, a blank, a spare mould. */
export function ReservesSection({ plan }: { plan: Plan }) {
  const batch = useBatch()
  const told = useTold()
  const set = (reserves: Reserve[]) =>
    told(batch.edit({ kind: 'set', path: at(plan => plan.reserves), value: reserves }))
  const add = (use: ReserveUse) => {
    const cup = use === 'blank' || use === 'sample' ? PLAIN : plan.cups.at(-1)!.id
    const massG = { top: 60, piping: 80, sample: 20, blank: 20, spare: 100 }[use]
    set([...plan.reserves, { id: freshId('reserve', plan.reserves), use, cup, massG }])
  }
  return (
    <Section title={t('Kept back')} aside={<Term at="reserve">{t('why?')}</Term>}>
      {plan.reserves.length === 0 && <p className="text-soft">{t('Nothing: every cup goes into the mould whole.')}</p>}
      <ul>
        {plan.reserves.map((reserve, i) => (
          <li key={reserve.id} className="border-b border-line py-1.5">
            <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
              <Choice<ReserveUse>
                bare
                label={t('What portion {i} is for', { i: i + 1 })}
                value={reserve.use}
                options={USES.map(([value, text]) => ({ value, text }))}
                onValue={use => set(plan.reserves.map((one, j) => (j === i ? { ...one, use } : one)))}
              />
              <Choice
                bare
                label={t('Where portion {i} comes from', { i: i + 1 })}
                value={reserve.cup}
                options={[
                  { value: PLAIN, text: t('plain, from the pot') },
                  ...plan.cups.map(cup => ({ value: cup.id, text: t('of {cup}', { cup: cup.name }) })),
                ]}
                onValue={cup => set(plan.reserves.map((one, j) => (j === i ? { ...one, cup } : one)))}
              />
              <PlanField
                bare
                label={t('Weight of portion {i}', { i: i + 1 })}
                kind="mass"
                width={72}
                path={at(plan => plan.reserves[i]!.massG)}
              />
              <button
                className="quiet ml-auto"
                aria-label={t('Remove portion {i}', { i: i + 1 })}
                onClick={() => set(plan.reserves.filter((_, j) => j !== i))}
              >
                <Trash2 size={15} aria-hidden />
              </button>
            </div>
            {reserve.use === 'piping' && (
              <Pieces onMass={massG => set(plan.reserves.map((one, j) => (j === i ? { ...one, massG } : one)))} />
            )}
          </li>
        ))}
      </ul>
      {plan.reserves.length < MAX_RESERVES && (
        <div className="mt-1.5 flex flex-wrap gap-1">
          {USES.map(([use, text]) => (
            <button key={use} className="quiet text-ink" onClick={() => add(use)}>
              <Plus size={15} aria-hidden /> {text}
            </button>
          ))}
          <SuspectAlone plan={plan} />
        </div>
      )}
    </Section>
  )
}

/** A second blank, with one thing alone that may be to blame: the scent, or one colour. */
function SuspectAlone({ plan }: { plan: Plan }) {
  const batch = useBatch()
  const told = useTold()
  const nameOf = (suspect: Suspect) =>
    suspect.is === 'scent' ? t('Scent') : (findById(batch.shelf.colorants, suspect.part.colorant)?.name ?? t('Colour'))
  const idOf = (suspect: Suspect) => (suspect.is === 'scent' ? suspect.is : suspect.part.colorant)
  const all = suspects(plan)
  const add = (id: string) => {
    const suspect = all.find(one => idOf(one) === id)
    if (suspect) told(batch.edit(suspectBlank(plan, suspect, t('Blank: {cup} alone', { cup: nameOf(suspect) }))))
  }
  return (
    <AddChoice
      what={t('a blank with one suspect')}
      options={all.map(suspect => ({
        ...{ id: idOf(suspect), name: t('{cup} alone', { cup: nameOf(suspect) }) },
        detail:
          suspect.is === 'scent'
            ? t('beside the plain blank it tells whether the scent sets, rices or browns it')
            : t('beside the plain blank it tells whether this colour spots, thickens or turns'),
      }))}
      onAdd={add}
    />
  )
}

/** What stays in bag and nozzle, share of what is piped. */
const PIPING_LOSS = 1.15

/** Pieces by their weight, with what stays in the bag. */
function Pieces({ onMass }: { onMass: (massG: number) => void }) {
  const habits = useHabits()
  const [count, setCount] = useState('')
  const [each, setEach] = useState('')
  const pieces = readQuantity(count, 'plain', '', undefined, decimalMark())
  const grams = readQuantity(each, 'mass', habits.mass, undefined, decimalMark())
  const massG = pieces.ok && grams.ok ? Math.round(pieces.value * grams.value * PIPING_LOSS * 10) / 10 : null
  return (
    <p className="mt-1 flex flex-wrap items-center gap-1.5 text-[13px] text-soft">
      <input
        aria-label={t('Pieces to pipe')}
        className="field w-14 text-right"
        inputMode="numeric"
        value={count}
        onChange={event => setCount(event.target.value)}
      />
      {t('pieces of')}
      <input
        aria-label={t('Weight of a piece, {mass}', { mass: habits.mass })}
        className="field w-16 text-right"
        inputMode="decimal"
        value={each}
        onChange={event => setEach(event.target.value)}
      />
      {t('{mass}, with 15 % for the bag:', { mass: habits.mass })}
      <button className="button" disabled={massG === null || massG <= 0} onClick={() => massG && onMass(massG)}>
        {massG ? t('take {massG}', { massG: showMass(massG, habits, 0.1) }) : t('take it')}
      </button>
    </p>
  )
}
