import { acrossView, cutForecast, isColumn, isTray, levelView } from '@ostler/core'
import type { PhotoAnswer, RecordEntry } from '@ostler/core'
import { parseISO } from 'date-fns'
import { Camera } from 'lucide-react'
import { useEffect, useMemo, useRef, useState } from 'react'
import { addPhoto, photoAddress, recordQuery } from '../../api/client.ts'
import { useQueryClient } from '@tanstack/react-query'
import { FaceCanvas } from '../../drawing/face-canvas.tsx'
import { useDesign, useDesignHexes, useDesignNames } from '../../drawing/use-design.ts'
import { StageSwitch } from '../../parts/stage-switch.tsx'
import { usePlan } from '../../plan/context.tsx'
import { freshUuid } from '../../plan/fresh-uuid.ts'
import { Choice } from '../../ui/choice.tsx'
import { Section } from '../../ui/section.tsx'
import { Slider } from '../../ui/slider.tsx'
import { readPhoto } from '../../workers/photo.ts'
import { PhotoColours } from './photo-colours.tsx'
import type { OpenRecord } from '../../parts/use-record.ts'
import { dated, t } from '../../words/index.ts'

interface Props {
  batch: string
  record: OpenRecord
}

/** Photographs of the faces beside the face that was forecast, one over the other with a slider between them. */
export function Photos({ batch, record }: Props) {
  const { state, photos } = record
  const told = state.entries.filter(entry => entry.kind === 'photo')
  const shownPhotos = told.flatMap(entry => {
    const photo = photos.find(one => one.id === entry.photo)
    return photo ? [{ entry, photo }] : []
  })
  const [chosen, setChosen] = useState<string | null>(null)
  const [reads, setReads] = useState(false)
  const now = shownPhotos.find(one => one.photo.id === chosen) ?? shownPhotos.at(-1)
  return (
    <Section title={t('Beside what was forecast')}>
      <div className="bg-booth p-4">
        <div className="mb-2">
          <StageSwitch />
        </div>
        <Compared photo={now?.photo ?? null} />
        {now && (
          <p className="mt-2 flex flex-wrap items-center gap-x-4">
            {dated(parseISO(now.entry.on), 'd MMM yyyy')} {now.entry.text ?? ''}
            <button className="quiet min-h-9" onClick={() => setReads(true)}>
              {t('read its colours')}
            </button>
            <button
              className="quiet min-h-9"
              onClick={() => {
                record.note({ kind: 'undo', of: now.entry.key })
                setChosen(null)
              }}
            >
              {t('leave this photograph out')}
            </button>
          </p>
        )}
        {shownPhotos.length > 1 && (
          <ul aria-label={t('Photographs')} className="mt-2 flex flex-wrap gap-2">
            {shownPhotos.map(({ entry, photo }) => (
              <Thumb
                key={photo.id}
                {...{ entry, photo }}
                isChosen={photo.id === now?.photo.id}
                onChoose={() => setChosen(photo.id)}
              />
            ))}
          </ul>
        )}
      </div>
      <Adding batch={batch} record={record} onAdded={setChosen} />
      {reads && now && <PhotoColours record={record} entry={now.entry} onClose={() => setReads(false)} />}
    </Section>
  )
}

function Thumb({
  entry,
  photo,
  isChosen,
  onChoose,
}: {
  entry: RecordEntry
  photo: PhotoAnswer
  isChosen: boolean
  onChoose: () => void
}) {
  return (
    <li>
      <button
        aria-pressed={isChosen}
        className="border-2 border-transparent aria-pressed:border-ink"
        onClick={onChoose}
      >
        <img
          src={photoAddress(photo.id, 'small')}
          alt={`${dated(parseISO(entry.on), 'd MMM yyyy')} ${entry.text ?? ''}`}
          height={64}
          loading="lazy"
          className="block h-16"
        />
      </button>
    </li>
  )
}

const WIDTH = 460
/** Cavities and rounds are looked at from above, so far up. */
const NEAR_TOP = 0.95
/** Drawn finer than shown. */
const FINE = 2

/** Bars that the loaf is cut into, from the end that is cut first. */
function useBarCount(): number {
  const plan = usePlan(one => one.plan)
  return useMemo(() => cutForecast(plan).bars.count, [plan])
}

/** The forecast face, and the photograph laid over it up to the slider. */
function Compared({ photo }: { photo: PhotoAnswer | null }) {
  const design = useDesign()
  const hexes = useDesignHexes(design)
  const names = useDesignNames(design)
  const [share, setShare] = useState(0.5)
  const mould = usePlan(one => one.plan.mould)
  const isFromAbove = isColumn(mould) || isTray(mould)
  const count = useBarCount()
  const [bar, setBar] = useState('')
  const n = Number(bar)
  const place = bar === '' || n > count ? 0.5 : (n - 0.5) / count
  const view = isFromAbove
    ? levelView(design.program, NEAR_TOP, WIDTH * FINE)
    : acrossView(design.program, place, WIDTH * FINE)
  return (
    <div className="max-w-[460px]">
      <div className="relative">
        <FaceCanvas
          program={design.program}
          view={view}
          hexes={hexes}
          names={names}
          label={t('The face that was forecast, {bar}', {
            bar: bar === '' ? t('in the middle of the loaf') : t('of bar {bar}', { bar }),
          })}
          className="block w-full"
        />
        {photo && (
          <img
            src={photoAddress(photo.id, 'large')}
            alt={t('Photograph of the bar')}
            className="absolute inset-0 h-full w-full object-cover"
            style={{ clipPath: `inset(0 ${(1 - share) * 100}% 0 0)` }}
          />
        )}
        {photo && (
          <span aria-hidden className="absolute inset-y-0 w-0.5 bg-paper" style={{ left: `${share * 100}%` }} />
        )}
      </div>
      {!isFromAbove && count > 1 && (
        <div className="mt-2">
          <Choice<string>
            label={t('Forecast of')}
            value={bar}
            options={[
              { value: '', text: t('the middle of the loaf') },
              ...Array.from({ length: count }, (_, i) => ({ value: String(i + 1), text: t('bar {i}', { i: i + 1 }) })),
            ]}
            onValue={setBar}
          />
        </div>
      )}
      {photo ? (
        <Slider
          label={t('How much of the photograph lies over the forecast')}
          value={Math.round(share * 100)}
          most={100}
          step={1}
          onValue={value => setShare(value / 100)}
        />
      ) : (
        <p className="mt-2 text-soft">
          {t('The face that was forecast. A photograph of a bar is laid over it, to compare.')}
        </p>
      )}
    </div>
  )
}

interface AddingProps extends Props {
  onAdded: (id: string) => void
}

/** Takes photographs in; says what it does, and why one is not taken. Pasted ones come in from anywhere on the page. */
function useAdding({ batch, record, onAdded }: AddingProps) {
  const client = useQueryClient()
  const [told, setTold] = useState('')
  const [text, setText] = useState('')
  const take = async (files: readonly File[]) => {
    for (const file of files) {
      setTold(t('Reading the photograph …'))
      try {
        const read = await readPhoto(file)
        if (!read.ok) return setTold(read.sentence)
        setTold(t('Sending the photograph …'))
        const id = freshUuid()
        await addPhoto(batch, id, read.photo.small, read.photo.large)
        await client.invalidateQueries(recordQuery(batch))
        record.note({ kind: 'photo', photo: id, ...(text.trim() !== '' && { text: text.trim() }) })
        onAdded(id)
        setTold('')
        setText('')
      } catch (error) {
        return setTold((error as Error).message)
      }
    }
  }
  const taken = useRef(take)
  useEffect(() => {
    taken.current = take
  })
  useEffect(() => {
    const pasted = (event: ClipboardEvent) => {
      const files = [...(event.clipboardData?.files ?? [])]
      if (files.length > 0) void taken.current(files)
    }
    addEventListener('paste', pasted)
    return () => removeEventListener('paste', pasted)
  }, [])
  return { told, text, setText, take }
}

/** Photographs dropped, pasted, chosen or taken. They are written anew in this browser: place and camera are not kept. */
function Adding(props: AddingProps) {
  const { told, text, setText, take } = useAdding(props)
  const [isOver, setOver] = useState(false)
  const input = useRef<HTMLInputElement>(null)
  return (
    <div
      className={`mt-3 border-2 border-dashed p-3 ${isOver ? 'border-ink bg-chosen' : 'border-line'}`}
      onDragOver={event => {
        event.preventDefault()
        setOver(true)
      }}
      onDragLeave={() => setOver(false)}
      onDrop={event => {
        event.preventDefault()
        setOver(false)
        void take([...event.dataTransfer.files])
      }}
    >
      <div className="flex flex-wrap items-center gap-3">
        <button className="button min-h-11" onClick={() => input.current?.click()}>
          <Camera size={18} aria-hidden /> {t('Add a photograph')}
        </button>
        <input
          aria-label={t('What it shows')}
          className="field min-h-9 w-52"
          maxLength={120}
          placeholder={t('bar 3, at the cut')}
          value={text}
          onChange={changed => setText(changed.target.value)}
        />
        <input
          ref={input}
          type="file"
          accept="image/*"
          multiple
          aria-label={t('Photographs to add')}
          className="sr-only"
          tabIndex={-1}
          onChange={changed => {
            void take([...(changed.target.files ?? [])])
            changed.target.value = ''
          }}
        />
      </div>
      <p className="mt-1 text-[14px] text-soft">
        {t('Or drop one here, or paste it. Where it was taken is not kept.')}
      </p>
      <p role="status" className="text-[14px]">
        {told}
      </p>
    </div>
  )
}
