import { findById, labOfHex, listOf } from '@ostler/core'
import type { ColorantAnswer, Shelf, Trial } from '@ostler/core'
import { hexesOf } from './at-age.tsx'
import { DoseCurve } from './dose-curve.tsx'
import type { ReadDose } from './dose-curve.tsx'
import { fixed, say, t } from '../../words/index.ts'

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

const round = (x: number): string => fixed(x, 0).replace('-', '−')

/** A colorant as it was known before the trial, and by it. */
export function OfColorant({ answer, shelf, trial }: { answer: ColorantAnswer; shelf: Shelf; trial: Trial }) {
  const { colorant, doseGPerKg, before, after, deltaE, curve, exchanged, beforeHex, afterHex, points } = answer
  const name = findById(shelf.colorants, colorant)?.name ?? colorant
  const odd = curve.odd.filter(label => trial.samples.some(one => one.label === label))
  return (
    <section aria-label={name} className="mb-4 break-inside-avoid">
      <h3 className="text-lg">{t('{name} at {doseGPerKg} g/kg, cured', { name, doseGPerKg })}</h3>
      <div className="mt-1 flex flex-wrap gap-3 bg-booth p-3">
        {[
          [t('as the shelf had it'), beforeHex, before],
          [t('by this trial'), afterHex, after.lab],
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
          ? t('What the shelf had was right already.')
          : t('It comes out by ΔE {deltaE} otherwise than was forecast; its lightness is now known to ± {l}.', {
              deltaE: fixed(deltaE, 1),
              l: fixed(after.sd.l, 1),
            })}
      </p>
      {points.length > 0 && <DoseCurve points={points} read={readLast(trial, colorant)} />}
      {odd.length > 0 && (
        <p className="text-rust">
          {t('△ {odd} lie too far off the curve, and count for less: weighed rightly? clumped?', {
            odd: say(listOf(odd)),
          })}
        </p>
      )}
      {exchanged && (
        <p className="text-rust">
          {t('△ Were {exchanged} and {exchanged2} exchanged? The curve fits much better so.', {
            exchanged: exchanged[0],
            exchanged2: exchanged[1],
          })}
        </p>
      )}
    </section>
  )
}
