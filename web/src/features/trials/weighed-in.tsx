import { findById, kindOfTrial, samplesChemistry, showMass, trialOutlook } from '@ostler/core'
import type { DoseWeighing, Shelf, Trial, TrialSample, UnitHabits } from '@ostler/core'
import { useMemo, useState } from 'react'
import { useHabits } from '../../plan/context.tsx'
import { whatIn } from './sample-words.ts'
import { fixed, showShare, t } from '../../words/index.ts'

const BATTER_STEP_G = 0.1

const nameOf = (shelf: Shelf, id: string): string => findById(shelf.colorants, id)?.name ?? id

/** What is made first for the doses of a colorant. */
function FirstMade({ how, name, stepG }: { how: DoseWeighing; name: string; stepG: number }) {
  const habits = useHabits()
  const powder = (g: number) => showMass(g, habits, stepG)
  if (how.way === 'slurry')
    return (
      <li>
        {t(
          'Slurry of {name}: {powderG} of powder in {carrierG} of what it is dispersed in; stirred before each draw.',
          { name, powderG: powder(how.powderG), carrierG: powder(how.carrierG) },
        )}
      </li>
    )
  if (how.way === 'thinned')
    return (
      <li>
        {t(
          'Strong batter of {name}: {powderG} of powder in {strongG} of batter, before it thickens; thinned with plain batter.',
          { name, powderG: powder(how.powderG), strongG: showMass(how.strongG, habits, 1) },
        )}
      </li>
    )
  return null
}

function weighedOf({ gPerKg }: TrialSample, how: DoseWeighing, stepG: number, habits: UnitHabits): string {
  if (how.way === 'none') return t('too little for this scale')
  const dose = how.doses.find(one => one.gPerKg === gPerKg)
  if (!dose) return ''
  const error = `± ${fixed(100 * dose.error, dose.error < 0.1 ? 1 : 0)} %`
  const batter = (g: number) => showMass(g, habits, BATTER_STEP_G)
  if (how.way === 'thinned')
    return dose.plainG > 0
      ? t('{weighG} of strong batter and {plainG} of plain, {error}', {
          weighG: batter(dose.weighG),
          plainG: batter(dose.plainG),
          error,
        })
      : t('{weighG} of strong batter, {error}', { weighG: batter(dose.weighG), error })
  return `${showMass(dose.weighG, habits, stepG)}${how.way === 'slurry' ? t(' of slurry') : ''}, ${error}`
}

/** From so much on samples differ by more than what is asked, shares. */
const APART = { superfat: 0.005, concentration: 0.01 } as const

/** Whether samples differ in superfat or water though that is not what is asked. */
function liesApart({ question }: Trial, chemistry: ReturnType<typeof samplesChemistry>): boolean {
  const spread = (list: readonly number[]): number => Math.max(...list) - Math.min(...list)
  return (
    !kindOfTrial(question.kind).ownBatters &&
    (spread(chemistry.map(one => one.superfatShare)) > APART.superfat ||
      spread(chemistry.map(one => one.concentrationShare)) > APART.concentration)
  )
}

interface Props {
  trial: Trial
  shelf: Shelf
  /** Strikes a sample out with a reason, or takes that back with none. */
  onStrike: (label: string, why: string) => void
}

/** What goes into each sample, in the order in which they are drawn, with the cavity that it is poured into. */
export function WeighedIn({ trial, shelf, onStrike }: Props) {
  const habits = useHabits()
  const { weighing } = trialOutlook(trial)
  const chemistry = useMemo(() => samplesChemistry(trial, shelf), [trial, shelf])
  const howOf = (colorant: string) => weighing.find(one => one.colorant === colorant)?.how
  return (
    <>
      <ul className="mb-2 list-disc pl-5">
        {weighing.map(({ colorant, how }) => (
          <FirstMade key={colorant} how={how} name={nameOf(shelf, colorant)} stepG={trial.question.stepG} />
        ))}
      </ul>
      <div className="overflow-x-auto">
        <table className="w-full text-left">
          <thead className="text-[13px] text-soft">
            <tr>
              <th className="pr-4 font-normal">{t('sample')}</th>
              <th className="pr-4 font-normal">{t('cavity')}</th>
              <th className="pr-4 font-normal">{t('what')}</th>
              <th className="pr-4 font-normal">{t('dose')}</th>
              <th className="pr-4 font-normal">{t('weighed in')}</th>
              <th className="pr-4 font-normal">{t('superfat, lye')}</th>
              <th className="font-normal print:hidden">{t('does it count?')}</th>
            </tr>
          </thead>
          <tbody>
            {trial.samples.map((sample, i) => {
              const how = howOf(sample.colorant)
              return (
                <tr
                  key={sample.label}
                  className={`border-b border-line align-baseline ${sample.struckOut ? 'text-soft line-through' : ''}`}
                >
                  <th className="py-1.5 pr-4 text-xl">{sample.label}</th>
                  <td className="pr-4">{i + 1}</td>
                  <td className="pr-4">{whatIn(trial.question, sample, shelf)}</td>
                  <td className="pr-4 whitespace-nowrap">
                    {sample.gPerKg > 0 && t('{gPerKg} g/kg', { gPerKg: sample.gPerKg })}
                    {sample.whiteGPerKg > 0 && t(' + {whiteGPerKg} white', { whiteGPerKg: sample.whiteGPerKg })}
                    {sample.scented && t(' scent {load} of oils', { load: showShare(trial.question.load ?? 0) })}
                  </td>
                  <td className="pr-4">{how && weighedOf(sample, how, trial.question.stepG, habits)}</td>
                  <td className="pr-4 whitespace-nowrap">
                    {chemistry
                      .filter(({ label }) => label === sample.label)
                      .map(one => `${showShare(one.superfatShare)}, ${showShare(one.concentrationShare)}`)}
                  </td>
                  <td className="print:hidden">
                    <Struck sample={sample} onStrike={why => onStrike(sample.label, why)} />
                  </td>
                </tr>
              )
            })}
          </tbody>
        </table>
      </div>
      {liesApart(trial, chemistry) && (
        <p className="mt-1 text-rust">
          {t(
            '△ What the colours are stirred up with makes the samples differ in superfat or water too. Give every sample as much of it, those with nothing in them as well.',
          )}
        </p>
      )}
    </>
  )
}

/** Whether a sample counts, and why not. */
function Struck({ sample: { label, struckOut }, onStrike }: { sample: TrialSample; onStrike: (why: string) => void }) {
  const [why, setWhy] = useState<string | null>(null)
  if (struckOut !== '')
    return (
      <button className="quiet min-h-9" onClick={() => onStrike('')}>
        {t('{struckOut}: let it count again', { struckOut })}
      </button>
    )
  if (why === null)
    return (
      <button className="quiet min-h-9" aria-label={t('Strike {label} out', { label })} onClick={() => setWhy('')}>
        {t('strike out')}
      </button>
    )
  return (
    <form
      className="flex gap-2"
      onSubmit={event => {
        event.preventDefault()
        if (why.trim() !== '') onStrike(why.trim())
        setWhy(null)
      }}
    >
      <input
        autoFocus
        className="field w-36"
        maxLength={200}
        placeholder={t('why? spilt, clumped …')}
        aria-label={t('Why {label} does not count', { label })}
        value={why}
        onChange={event => setWhy(event.target.value)}
      />
      <button className="button">{t('OK')}</button>
    </form>
  )
}

/** Where each sample lies, as a small grid: for the tape on the mould, and for the photograph. */
export function MapOfSamples({ trial }: { trial: Trial }) {
  return (
    <ol aria-label={t('Map of the cavities')} className="mt-3 grid w-fit grid-cols-4 gap-1">
      {trial.samples.map(({ label }, i) => (
        <li key={label} className="flex size-20 flex-col justify-between border border-ink p-1">
          <span className="text-[13px] text-soft">{i + 1}</span>
          <strong className="text-center text-2xl">{label}</strong>
          <span className="text-[13px] text-soft">○</span>
        </li>
      ))}
    </ol>
  )
}
