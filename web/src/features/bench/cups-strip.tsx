import { inCup, listOf, showMass } from '@ostler/core'
import type { BenchOutlook, CupNow, CupOutlook } from '@ostler/core'
import { useHabits } from '../../plan/context.tsx'
import { useFollowed, useRunHex, useRunState } from '../../run/context.tsx'
import { Swatch } from '../../ui/swatch.tsx'
import { useNow } from './bench-head.tsx'
import { lookWord } from '../../parts/look-word.ts'
import { inTen } from './plan-b-call.tsx'
import { fixed, rich, say, t } from '../../words/index.ts'

const ago = (seconds: number): string =>
  seconds < 90
    ? t('{what} s ago', { what: Math.max(0, Math.round(seconds)) })
    : t('{seconds} min ago', { seconds: Math.round(seconds / 60) })

/** Rounded down, as time that is promised is: to half minutes, in the last three to ten seconds. */
const atLeast = (min: number): string => {
  if (min < 3) {
    const s = Math.floor((min * 60) / 10) * 10
    return s < 60 ? `${s} s` : t('{s} min{s2}', { s: Math.floor(s / 60), s2: s % 60 > 0 ? ` ${s % 60} s` : '' })
  }
  return t('{min} min', { min: Math.floor(min * 2) / 2 })
}
/** How long a cup can still be poured: what it has at least, large, and what is likely. */
function Left({ outlook }: { outlook: CupOutlook }) {
  const { low, likely, high, gone, opensIn } = outlook
  if (gone > 0.5) return <p className="font-semibold text-rust">{t('▲ past its window')}</p>
  const later = high >= 45 ? t('may be over 45') : t('up to {high}', { high: Math.round(high) })
  return (
    <div className="text-right leading-tight whitespace-nowrap">
      <p className={`text-xl font-semibold ${low < 1.5 ? 'text-rust' : ''}`}>
        {low < 0.17 ? t('▲ no time to lose') : `${low < 1.5 ? '△ ' : ''}${atLeast(low)}`}
      </p>
      <p className="text-[13px] text-soft">
        {[
          low >= 0.17 && t('at least'),
          likely < 45 && t('likely {likely}', { likely: Math.round(likely) }),
          likely < 45 && later,
        ]
          .filter(Boolean)
          .join(', ')}
      </p>
      {opensIn > 0.5 && (
        <p className="text-[13px] text-soft">
          {t('thick enough in about {what} min', { what: Math.max(1, Math.round(opensIn)) })}
        </p>
      )}
    </div>
  )
}

/**
 * Every cup: how long it can still be poured, what is in it, what it still lacks, how it was seen last.
 *
 * @param gives on a phone it gives its place to a question
 */
export function CupsStrip({ outlook, gives }: { outlook: BenchOutlook | null; gives: boolean }) {
  const following = useFollowed()
  const { state } = useRunState()
  const follow = outlook?.ways.find(way => way.kind === 'follow')
  const used = state.cups.filter((_, i) => following.input.cups[i]!.massG > 0)
  return (
    <aside
      aria-label={t('Cups')}
      className={`min-h-0 overflow-y-auto border-l border-line bg-panel max-[760px]:max-h-[34vh] max-[760px]:border-t max-[760px]:border-l-0 ${gives ? 'max-[760px]:hidden' : ''}`}
    >
      {follow && (
        <p className="border-b border-line px-4 py-1.5 text-[14px] text-soft max-[760px]:px-3">
          {rich('The rest comes out: {whole}', {
            whole: <strong className="text-lg text-ink">{inTen(follow.chance.whole)}</strong>,
          })}
        </p>
      )}
      <ul>
        {used.map(cup => (
          <Cup key={cup.cup} cup={cup} outlook={outlook?.cups.find(one => one.cup === cup.cup) ?? null} />
        ))}
      </ul>
    </aside>
  )
}

function Cup({ cup, outlook }: { cup: CupNow; outlook: CupOutlook | null }) {
  const following = useFollowed()
  const { state } = useRunState()
  const hexOf = useRunHex()
  const habits = useHabits()
  const now = useNow()
  const { input, plan } = following
  const i = input.cups.findIndex(one => one.cup.id === cup.cup)
  const task = input.cups[i]!
  const pours = input.pours.filter(pour => pour.cup === i)
  const open = pours.filter(pour => state.pours[pour.pour] === undefined)
  const isPouring = pours.some(pour => pour.pour === state.pouring?.pour)
  const lacks = [
    task.colourS > 0 && cup.colouredAt === null && t('colour'),
    task.scent !== null && task.scent.moment !== 'oils' && cup.scentedAt === null && t('scent'),
  ].filter(one => one !== false)
  const seen = cup.seen.at(-1)
  const word = cup.isLost
    ? t('▲ lost')
    : pours.length === 0 && cup.drawnG !== null
      ? t('kept by itself')
      : pours.length > 0 && open.length === 0
        ? t('in the mould')
        : isPouring
          ? t('being poured')
          : cup.drawnG === null
            ? t('empty, {drawG} planned', { drawG: showMass(following.fills[i]!.drawG, habits, 1) })
            : lacks.length > 0
              ? t('without {lacks}', { lacks: say(listOf(lacks)) })
              : t('ready')
  return (
    <li
      className={`flex items-start gap-3 border-b border-line px-4 py-1.5 max-[760px]:px-3 ${open.length === 0 ? 'text-soft' : ''}`}
    >
      <Swatch hex={hexOf(cup.cup)} size={26} />
      <div className="min-w-0 flex-1 leading-tight">
        <p className="truncate text-lg font-semibold">{plan.cups[i]!.name}</p>
        <p className="text-[14px]">
          {word}
          {cup.drawnG !== null && open.length > 0 && `, ${showMass(Math.max(0, inCup(cup)), habits, 1)}`}
        </p>
        {seen && open.length > 0 && (
          <p className="text-[13px] text-soft">
            {lookWord(seen.value, plan.whipped !== null)} ({fixed(seen.value, 1)}), {ago(now - seen.r)}
          </p>
        )}
      </div>
      {outlook && open.length > 0 && <Left outlook={outlook} />}
    </li>
  )
}
