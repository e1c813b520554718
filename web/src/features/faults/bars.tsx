import { FITNESS, isHeld } from '@ostler/core'
import type { BarVerdict, FitnessVerdict, WhichBars } from '@ostler/core'
import { usePlan } from '../../plan/context.tsx'
import { t } from '../../words/index.ts'

const MARKS = { fit: '', cosmetic: '', hold: '△', test: '▲', discard: '▲' } as const

/** "1 to 3, 5". */
function ranges(numbers: readonly number[]): string {
  const runs: [from: number, to: number][] = []
  for (const n of numbers) {
    const last = runs.at(-1)
    if (last && last[1] === n - 1) last[1] = n
    else runs.push([n, n])
  }
  return runs
    .map(([from, to]) =>
      from === to ? `${from}` : to === from + 1 ? `${from}, ${to}` : t('{from} to {to}', { from, to }),
    )
    .join(', ')
}

function sentence({ bars, isAll }: WhichBars, verdict: FitnessVerdict): string {
  if (isAll) return t('All {bars} bars, whatever was seen where.', { bars: bars.length })
  const of = (is: (one: BarVerdict) => boolean) => ranges(bars.filter(is).map(one => one.bar))
  const mine = of(one => one.class === verdict.class)
  const held = of(one => one.class !== verdict.class && isHeld(one.class))
  const others = of(one => !isHeld(one.class))
  return [
    `${t(FITNESS[verdict.class])}: ${mine === '' ? t('none') : mine}.`,
    ...(held === '' ? [] : [t('Held and looked at again: {held}.', { held })]),
    ...(others === '' ? [] : [t('Nothing holds {others} back.', { others })]),
  ].join(' ')
}

/** Bars of the batch in the order in which they are cut or poured: which are held, and which are looked at first. */
export function Bars({ which, verdict }: { which: WhichBars; verdict: FitnessVerdict }) {
  const cups = usePlan(one => one.plan.cups)
  const { bars, suspects } = which
  if (!isHeld(verdict.class) || bars.length < 2) return null
  const first = bars.filter(one => one.isFirst).map(one => one.bar)
  const names = suspects.map(id => cups.find(cup => cup.id === id)?.name ?? id)
  const label = `${sentence(which, verdict)}${first.length > 0 ? t(' First {first}.', { first: ranges(first) }) : ''}`
  return (
    <section aria-label={t('Which bars')} className="mt-3">
      <h3 className="text-lg">{t('Which bars')}</h3>
      <ol className="my-1 flex flex-wrap gap-0.5" aria-label={label}>
        {bars.map(one => (
          <li
            key={one.bar}
            className={`flex min-w-9 flex-col items-center border px-1 pb-0.5 text-[13px] leading-tight ${
              isHeld(one.class) ? 'border-rust text-rust' : 'border-line'
            } ${one.isFirst ? 'border-b-4' : ''}`}
          >
            <span aria-hidden className="h-4">
              {MARKS[one.class]}
            </span>
            {one.bar}
          </li>
        ))}
      </ol>
      <p>
        {sentence(which, verdict)}
        {first.length > 0 &&
          ` ${
            verdict.class === 'test'
              ? t('Test first: {bars}, underlined.', { bars: ranges(first) })
              : t('Look at first: {bars}, underlined.', { bars: ranges(first) })
          }`}
      </p>
      {verdict.class === 'test' && names.length > 0 && (
        <p className="text-soft">
          {t('As it was divided, lye may have run out with {names, plural, one {the cup} other {the cups}} {names2}.', {
            names: names.length,
            names2: names.join(', '),
          })}
        </p>
      )}
    </section>
  )
}
