import { acrossView, isColumn, isTray, levelView } from '@ostler/core'
import type { PhotoAnswer, RecordState } from '@ostler/core'
import { parseISO } from 'date-fns'
import { photoAddress } from '../../api/client.ts'
import { FaceCanvas } from '../../drawing/face-canvas.tsx'
import { useDesign, useDesignHexes, useDesignNames } from '../../drawing/use-design.ts'
import { usePlan } from '../../plan/context.tsx'
import { dated, t } from '../../words/index.ts'

interface Props {
  state: RecordState
  photos: readonly PhotoAnswer[]
}

const WIDTH = 640
/** Cavities and rounds are looked at from above, so far up. */
const NEAR_TOP = 0.95
const MOST_SHOWN = 5

/** The face that was forecast, and the photographs of what it became. */
export function Faces({ state, photos }: Props) {
  const design = useDesign()
  const hexes = useDesignHexes(design)
  const names = useDesignNames(design)
  const mould = usePlan(one => one.plan.mould)
  const view =
    isColumn(mould) || isTray(mould)
      ? levelView(design.program, NEAR_TOP, WIDTH)
      : acrossView(design.program, 0.5, WIDTH)
  const shown = state.entries
    .filter(entry => entry.kind === 'photo' && photos.some(one => one.id === entry.photo))
    .slice(-MOST_SHOWN)
  return (
    <div className="mb-5 flex flex-wrap items-end gap-4">
      <figure>
        <FaceCanvas
          {...{ program: design.program, view, hexes, names }}
          label={t('The face that was forecast')}
          className="block h-44"
        />
        <figcaption className="text-[13px] text-soft">{t('forecast')}</figcaption>
      </figure>
      {shown.map(entry => (
        <figure key={entry.key}>
          <img
            src={photoAddress(entry.photo!, 'small')}
            alt={t('Photograph of {on} {entry}', { on: entry.on.slice(0, 10), entry: entry.text ?? '' })}
            className="block h-44"
          />
          <figcaption className="text-[13px] text-soft">
            {dated(parseISO(entry.on), 'd MMM')} {entry.text ?? ''}
          </figcaption>
        </figure>
      ))}
    </div>
  )
}
