import { findById, labOfHex } from '@ostler/core'
import type { ColorantAnswer, Shelf, Trial } from '@ostler/core'
import { hexesOf } from './at-age.tsx'
import { DoseCurve } from './dose-curve.tsx'
import type { ReadDose } from './dose-curve.tsx'

/** What was read last of each sample without white. */
function readLast(trial: Trial, colorant: string): ReadDose[] {
  const last = Math.max(...trial.readings.map(({ days }) => days))
  return trial.samples
    .filter(one => one.colorant === colorant && one.whiteGPerKg === 0 && one.struckOut === '')
    .flatMap(({ label, gPerKg }) => {
      const hex = hexesOf(trial, last, label)
      return hex ? [{ label, gPerKg, l: labOfHex(hex).l }] : []
    })
}

const round = (x: number): string => x.toFixed(0).replace('-', '−')

/** A colorant as it was known before the trial, and by it. */
export function OfColorant({ answer, shelf, trial }: { answer: ColorantAnswer; shelf: Shelf; trial: Trial }) {
  const { colorant, doseGPerKg, before, after, deltaE, curve, exchanged, beforeHex, afterHex, points } = answer
  const name = findById(shelf.colorants, colorant)?.name ?? colorant
  const odd = curve.odd.filter(label => trial.samples.some(one => one.label === label))
  return (
    <section aria-label={name} className="mb-4 break-inside-avoid">
      <h3 className="text-lg">
        {name} at {doseGPerKg} g/kg, cured
      </h3>
      <div className="mt-1 flex flex-wrap gap-3 bg-booth p-3">
        {[
          ['as the shelf had it', beforeHex, before],
          ['by this trial', afterHex, after.lab],
        ].map(([text, hex, lab]) => (
          <figure key={text as string} className="w-44 max-[420px]:w-36">
            <div className="h-20" style={{ background: hex as string, printColorAdjust: 'exact' }} />
            <figcaption className="text-[13px]">
              {text as string}: L {round((lab as typeof before).l)}, a {round((lab as typeof before).a)}, b{' '}
              {round((lab as typeof before).b)}
            </figcaption>
          </figure>
        ))}
      </div>
      <p className="mt-1">
        {deltaE < 1
          ? 'What the shelf had was right already.'
          : `It comes out by ΔE ${deltaE.toFixed(1)} otherwise than was forecast; its lightness is now known to ± ${after.sd.l.toFixed(1)}.`}
      </p>
      {points.length > 0 && <DoseCurve points={points} read={readLast(trial, colorant)} />}
      {odd.length > 0 && (
        <p className="text-rust">
          △ {odd.join(' and ')} lie too far off the curve, and count for less: weighed rightly? clumped?
        </p>
      )}
      {exchanged && (
        <p className="text-rust">
          △ Were {exchanged[0]} and {exchanged[1]} exchanged? The curve fits much better so.
        </p>
      )}
    </section>
  )
}
