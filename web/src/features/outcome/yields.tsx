import { YIELD_PARTS, findById, readQuantity, showMass } from '@ostler/core'
import type { Words, YieldPart } from '@ostler/core'
import { useState } from 'react'
import { useYield, yieldLines } from '../../parts/use-yield.ts'
import { useBatch, useHabits, usePlan } from '../../plan/context.tsx'
import { decimalMark, fixed, t } from '../../words/index.ts'
import { Choice } from '../../ui/choice.tsx'
import { options } from '../../ui/options.ts'
import { Section } from '../../ui/section.tsx'
import { Say } from '../../ui/say.tsx'
import type { OpenRecord } from '../../parts/use-record.ts'

/** Where the soap went: weighed up against what went in, the gap named. */
export function Yields({ record }: { record: OpenRecord }) {
  const habits = useHabits()
  const reckoned = useYield(record.state)
  const g = (grams: number) => showMass(Math.abs(grams), habits, 1)
  return (
    <Section title={t('Where the soap went')}>
      <Weighing record={record} />
      {reckoned === null ? (
        <p className="mt-2 max-w-120 text-soft">
          {t('Weigh all bars together once, the ends, and what stuck to the vessels: what is missing then is told.')}
        </p>
      ) : (
        <>
          <table className="mt-2 w-full max-w-110">
            <tbody>
              {yieldLines(reckoned).map(({ what, grams }, i) => (
                <tr key={what} className="border-b border-line">
                  <th scope="row" className="py-1 text-left font-normal">
                    {what}
                  </th>
                  <td className={`text-right ${i === 0 ? 'font-semibold' : ''}`}>{g(grams)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className={`mt-1 ${reckoned.isOff ? 'font-semibold text-rust' : ''}`}>
            {reckoned.isOff ? '△ ' : '✓ '}
            {g(reckoned.gapG)} {reckoned.gapG >= 0 ? t('not accounted for') : t('more than went in')} (
            {fixed(Math.abs(reckoned.gapShare) * 100, 1)} %)
            {reckoned.isOff
              ? t(': something was not weighed, or weighed twice.')
              : t(': within what scales and cling explain.')}
          </p>
        </>
      )}
    </Section>
  )
}

/** Vessels that the cups of this batch were in. */
function useVessels(): { value: string; text: string }[] {
  const plan = usePlan(one => one.plan)
  const { shelf } = useBatch()
  return [...new Set(plan.cups.map(cup => cup.vessel))].flatMap(id => {
    const vessel = findById(shelf.vessels, id ?? '')
    const count = plan.cups.filter(cup => cup.vessel === id).length
    return vessel
      ? [
          {
            value: vessel.id,
            text: count === 1 ? vessel.name : t('all {count}: {vessel}', { count, vessel: vessel.name }),
          },
        ]
      : []
  })
}

function Weighing({ record }: { record: OpenRecord }) {
  const habits = useHabits()
  const [part, setPart] = useState<YieldPart>('bars')
  const [vessel, setVessel] = useState('')
  const vessels = useVessels()
  const [text, setText] = useState('')
  const [sentence, setSentence] = useState<Words>('')
  const note = () => {
    const read = readQuantity(text, 'mass', habits.mass, undefined, decimalMark())
    if (!read.ok) return setSentence(read.sentence)
    if (!(read.value > 0 && read.value <= 200_000))
      return setSentence(t('A weight is more than nothing, and at most 200 kg.'))
    setSentence('')
    record.note({
      ...{ kind: 'yield', part, massG: Math.round(read.value * 10) / 10 },
      ...(part === 'stuck' && vessel !== '' && { vessel }),
    })
    setText('')
  }
  return (
    <form
      className="flex flex-wrap items-end gap-2"
      onSubmit={submitted => {
        submitted.preventDefault()
        note()
      }}
    >
      <Choice<YieldPart> label={t('Weighed')} value={part} options={options(YIELD_PARTS)} onValue={setPart} />
      {part === 'stuck' && vessels.length > 0 && (
        <Choice<string>
          label={t('To')}
          value={vessel}
          options={[{ value: '', text: t('all of them') }, ...vessels]}
          onValue={setVessel}
        />
      )}
      <input
        aria-label={t('Weight, {mass}', { mass: habits.mass })}
        className="field min-h-9 w-28 text-right"
        inputMode="decimal"
        placeholder={habits.mass}
        value={text}
        aria-invalid={sentence !== ''}
        onChange={changed => setText(changed.target.value)}
      />
      <button className="button min-h-9">{t('Note it')}</button>
      {sentence !== '' && (
        <p role="alert" className="w-full text-[14px] text-rust">
          <Say of={sentence} />
        </p>
      )}
    </form>
  )
}
