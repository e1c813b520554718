import { holdsStill, shownOf } from '@ostler/core'
import type { BodyNow, Shown, WorldNow } from '@ostler/core'
import { useFollowed, useRunHex, useRunState } from '../run/context.tsx'
import { BatterDrawing } from './batter-drawing.tsx'
import { useRehearsal, useRehearsalState, useWorld } from './context.tsx'
import { t } from '../words/index.ts'

/** The batter of a cup, or of the pot where it is not divided. */
export function bodyIn(world: WorldNow, cup: string | undefined): BodyNow | null {
  return world.cups[world.state.cups.findIndex(one => one.cup === cup)] ?? world.pot
}

/** What it looks like just now. */
export function useShown(cup: string | undefined): { shown: Shown; isDim: boolean; really: string | undefined } | null {
  const world = useWorld()
  const body = world && bodyIn(world, cup)
  if (!body) return null
  // Under an exchanged label lies the other cup.
  const swapped = cup !== undefined && world.swapped?.includes(cup) ? world.swapped : null
  return { shown: shownOf(body), isDim: world.isDim, really: swapped?.find(one => one !== cup) ?? cup }
}

/** What the maker sees of a batter in a rehearsal: drawn, and in words; nothing in a real run. */
export function SeenBatter({ cup, mark = null }: { cup: string | undefined; mark?: number | null }) {
  const seen = useShown(cup)
  const hexOf = useRunHex()
  const { state } = useRunState()
  if (!seen) return null
  const coloured = state.cups.filter(one => one.colouredAt !== null).map(one => one.cup)
  const { really } = seen
  const isColoured = really !== undefined && coloured.includes(really)
  return (
    <figure className="flex max-w-180 items-center gap-5 max-[760px]:flex-col max-[760px]:items-start max-[760px]:gap-1">
      <BatterDrawing shown={seen.shown} hex={isColoured ? hexOf(really) : null} mark={mark} isDim={seen.isDim} />
      <figcaption className="min-w-40 text-lg leading-snug">
        <span className="block text-[13px] text-soft">{t('what you see')}</span>
        {seen.isDim ? t('Too dark to tell: only a drip says something.') : `${seen.shown.words.join('; ')}.`}
        {cup !== undefined && isColoured && coloured.length > 1 && <Label cup={cup} />}
      </figcaption>
    </figure>
  )
}

/** Whether a cup has its own label: looked at when it is wished for. */
function Label({ cup }: { cup: string }) {
  const rehearsal = useRehearsal()
  const said = useRehearsalState()?.said ?? ''
  const { plan } = useFollowed()
  if (!rehearsal || rehearsal.isWatched) return null
  return (
    <span className="mt-1 block text-base">
      <button className="quiet min-h-11 text-left" onClick={() => rehearsal.looksAtLabel(cup)}>
        {t('Is this {find}?', { find: plan.cups.find(one => one.id === cup)?.name })}
      </button>
      {said !== '' && (
        <span role="status" className="block">
          {said}
        </span>
      )}
    </span>
  )
}

/** The lye as it looks while it is stirred. */
export function SeenLye() {
  const rehearsal = useRehearsal()
  const world = useWorld()
  if (!rehearsal || !world) return null
  return (
    <p className="mt-3 text-lg">
      <span className="block text-[13px] text-soft">{t('what you see')}</span>
      {world.isLyeClear
        ? t('Clear as water, nothing at the bottom.')
        : t('Cloudy; grains and a crust at the bottom of the jug.')}
    </p>
  )
}

/** Whether a batter that stands still holds, as it looks. */
export function SeenStill({ cup }: { cup: string | undefined }) {
  const world = useWorld()
  const body = world && bodyIn(world, cup)
  if (!body) return null
  return (
    <p className="mb-3 text-xl">
      <span className="block text-[13px] text-soft">{t('what you see')}</span>
      {holdsStill(body.emulsion)
        ? t('The surface stays ivory and even; no streak, the rim is dry.')
        : t('Streaks of oil come up, beads stand along the rim.')}
    </p>
  )
}
