import { READING_WAYS, dueLooks, kindOfTrial, mixed, STANDARD_BASE } from '@ostler/core'
import type { ReadingWay, Trial, TrialReading } from '@ostler/core'
import { differenceInCalendarDays, parseISO } from 'date-fns'
import { useState } from 'react'
import { ColourSampler } from '../../parts/colour-sampler.tsx'
import { lastingStore, readJson, readText, removeKey, writeJson } from '../../kept/storage.ts'
import { freshUuid } from '../../plan/fresh-uuid.ts'
import { addEntries, addPhoto } from '../../api/client.ts'
import { loneEntry } from '../../parts/use-record.ts'
import { Say } from '../../ui/say.tsx'
import { useToast } from '../../ui/toast.tsx'
import { readPhoto } from '../../workers/photo.ts'
import { Section } from '../../ui/section.tsx'
import { NumbersLook } from './numbers-look.tsx'
import { Remarks, remarksOf } from './remarks.tsx'
import type { TrialChange } from './trial-change.ts'
import { dated, rich, t } from '../../words/index.ts'
import { inWords } from '../../ui/options.ts'

const HEX = /^#[0-9a-f]{6}$/

/** Days of the calendar since it was poured: what was poured the day before yesterday is two days old all day long. */
const daysSince = (pouredOn: string): number => Math.max(0, differenceInCalendarDays(new Date(), parseISO(pouredOn)))

interface Props {
  trial: Trial
  id: string
  batch: string | null
  isBusy: boolean
  onKeep: (change: TrialChange) => Promise<unknown>
}

/** What was typed or read of a look and is not kept yet: it stays through a reload. */
const draftKey = (id: string): string => `ostler.trial-look.${id}`

/** Whether colours are read of it, or numbers. */
const isRead = (what: 'colour' | 'numbers', { question }: Trial): boolean =>
  kindOfTrial(question.kind).reads.some(one => (one === 'colour') === (what === 'colour'))

/** When the samples are looked at, and a look at them now: by label alone, so that nobody sees what is hoped for. */
export function Looks({ trial, id, batch, isBusy, onKeep }: Props) {
  const [isOpen, setOpen] = useState(() => readText(lastingStore(), draftKey(id)) !== null)
  const close = () => {
    removeKey(lastingStore(), draftKey(id))
    setOpen(false)
  }
  return (
    <Section title={t('Looks')} className="print:hidden">
      <ul className="flex flex-wrap gap-x-8">
        {dueLooks(trial).map(({ days, on, isDone, isPast }) => (
          <li key={days}>
            {isDone ? '✓' : isPast ? '–' : '○'}{' '}
            {days > 0 && days < 1 ? t('{days} hours', { days: 24 * days }) : t('day {days}', { days })},{' '}
            {dated(parseISO(on), 'd MMMM')}
          </li>
        ))}
      </ul>
      {isOpen ? (
        <Look
          trial={trial}
          batch={batch}
          isBusy={isBusy}
          draft={draftKey(id)}
          onKeep={readings =>
            // Refused or without a network it stays open, with all that was read.
            void onKeep(now => ({ ...now, readings: together(now.readings, readings) })).then(close, () => undefined)
          }
          onClose={close}
        />
      ) : (
        isRead('colour', trial) && (
          <button className="button mt-2 min-h-12" onClick={() => setOpen(true)}>
            {t('Look at them now')}
          </button>
        )
      )}
      {isRead('numbers', trial) && (
        <NumbersLook trial={trial} id={id} days={daysSince(trial.pouredOn)} isBusy={isBusy} onKeep={onKeep} />
      )}
    </Section>
  )
}

/** Readings with those of a look; sent twice they are there once. */
function together(before: readonly TrialReading[], more: readonly TrialReading[]): TrialReading[] {
  const ids = new Set(more.map(({ id }) => id))
  return [...before.filter(({ id }) => !ids.has(id)), ...more]
}

interface LookProps {
  trial: Trial
  /** That it is made as: its record keeps the photograph. */
  batch: string | null
  isBusy: boolean
  draft: string
  onKeep: (readings: TrialReading[]) => void
  onClose: () => void
}

/** Keeps the photograph of a look with the record of its batch; a look is kept without it too. */
async function keptPhoto(batch: string, file: File, text: string): Promise<void> {
  const read = await readPhoto(file)
  if (!read.ok) return
  const id = freshUuid()
  await addPhoto(batch, id, read.photo.small, read.photo.large)
  await addEntries(batch, [loneEntry({ kind: 'photo', photo: id, text: text.slice(0, 120) })])
}

/** Names of a look and of its readings, the same however often it is sent. */
function lookIds() {
  const known = new Map<string, string>()
  const of = (label: string): string => {
    const id = known.get(label) ?? freshUuid()
    known.set(label, id)
    return id
  }
  return { look: freshUuid(), of }
}

function Look({ trial, batch, isBusy, draft, onKeep, onClose }: LookProps) {
  const [colours, setAll] = useState<Readonly<Record<string, string>>>(() => readJson(lastingStore(), draft) ?? {})
  const setColours = (next: Readonly<Record<string, string>>) => {
    writeJson(lastingStore(), draft, next)
    setAll(next)
  }
  const [ids] = useState(lookIds)
  const [way, setWay] = useState<ReadingWay>(trial.question.way)
  const [days, setDays] = useState(String(daysSince(trial.pouredOn)))
  const [active, setActive] = useState(trial.samples[0]!.label)
  const toast = useToast()
  const [file, setFile] = useState<File | null>(null)
  const age = Number(days.replace(',', '.'))
  const isAge = Number.isFinite(age) && age >= 0 && age <= 3650 && days.trim() !== ''
  const read = trial.samples.filter(({ label }) => HEX.test(colours[label] ?? ''))
  const hasBlank = read.some(({ role }) => role === 'nothing')
  const take = (label: string, hex: string) => {
    setColours({ ...colours, [label]: hex })
    const next = trial.samples[trial.samples.findIndex(one => one.label === label) + 1]
    if (next) setActive(next.label)
  }
  const keep = () => {
    const photo = `look-${ids.look}`
    const at = new Date().toISOString()
    if (file && batch)
      keptPhoto(batch, file, t('{trial}, day {age}', { trial: trial.name, age })).catch((error: Error) =>
        toast(error.message),
      )
    onKeep(
      read.map(({ label }) => ({
        ...{ id: ids.of(label), sample: label, at, days: age, way, photo },
        ...{ hex: colours[label]!, ...remarksOf(colours, label) },
      })),
    )
  }
  const isPhoto = way === 'photo'
  const sayings = !isAge
    ? t('; days are a number from 0 to 3650.')
    : read.length > 0 && !hasBlank
      ? t('; one with nothing in it has to be among them.')
      : '.'
  return (
    <div className="mt-3 border border-line p-3">
      <AgeAndWay days={days} isAge={isAge} way={way} onDays={setDays} onWay={setWay} />
      {isPhoto && (
        <FromPicture label={active} days={isAge ? age : 0} onTake={hex => take(active, hex)} onFile={setFile} />
      )}
      <ul className="mt-3 grid grid-cols-[repeat(auto-fill,minmax(170px,1fr))] gap-2 bg-booth p-3">
        {trial.samples.map(({ label }) => (
          <OneColour
            key={label}
            label={label}
            hex={colours[label] ?? ''}
            isNext={isPhoto && active === label}
            onNext={() => setActive(label)}
            onHex={hex => setColours({ ...colours, [label]: hex })}
          />
        ))}
      </ul>
      <Remarks samples={trial.samples} draft={colours} onDraft={setColours} />
      <div className="mt-3 flex flex-wrap items-center gap-3">
        <button
          className="button button-main min-h-12"
          disabled={!isAge || read.length === 0 || !hasBlank || isBusy}
          onClick={keep}
        >
          {t('Keep this look')}
        </button>
        <button className="button min-h-12" onClick={onClose}>
          {t('Leave it')}
        </button>
        <span role="status" className="text-soft">
          {t('{read} of {samples} read{sayings}', { read: read.length, samples: trial.samples.length, sayings })}
        </span>
      </div>
    </div>
  )
}

interface AgeProps {
  days: string
  isAge: boolean
  way: ReadingWay
  onDays: (days: string) => void
  onWay: (way: ReadingWay) => void
}

function AgeAndWay({ days, isAge, way, onDays, onWay }: AgeProps) {
  return (
    <div className="flex flex-wrap items-end gap-4">
      <label className="flex flex-col text-[13px] text-soft">
        {t('days since it was poured')}
        <input
          className="field min-h-11 w-28 text-ink"
          inputMode="decimal"
          value={days}
          aria-invalid={!isAge}
          onChange={event => onDays(event.target.value)}
        />
      </label>
      <label className="flex flex-col text-[13px] text-soft">
        {t('colours are read')}
        <select
          className="field min-h-11 text-ink"
          value={way}
          onChange={event => onWay(event.target.value as ReadingWay)}
        >
          {inWords(READING_WAYS).map(([key, text]) => (
            <option key={key} value={key}>
              {text}
            </option>
          ))}
        </select>
      </label>
    </div>
  )
}

interface OneColourProps {
  label: string
  hex: string
  isNext: boolean
  onNext: () => void
  onHex: (hex: string) => void
}

function OneColour({ label, hex, isNext, onNext, onHex }: OneColourProps) {
  const isRead = HEX.test(hex)
  return (
    <li className={`flex items-center gap-2 p-1 ${isNext ? 'outline-2 outline-ink' : ''}`}>
      <button
        className="size-12 shrink-0 border border-ink text-[13px]"
        style={{ background: isRead ? hex : 'transparent' }}
        aria-label={t('Read {label} next', { label })}
        onClick={onNext}
      >
        {isRead ? '' : '?'}
      </button>
      <label className="flex flex-col text-[13px]">
        {label}
        <input
          className="field w-24"
          placeholder="#3e8f82"
          value={hex}
          aria-label={t('Colour of {label}', { label })}
          aria-invalid={hex !== '' && !isRead}
          onChange={event => onHex(event.target.value.trim().toLowerCase())}
        />
      </label>
    </li>
  )
}

interface FromPictureProps {
  label: string
  days: number
  onTake: (hex: string) => void
  onFile: (file: File) => void
}

/** One picture of all samples: each is marked in it and taken. */
function FromPicture({ label, days, onTake, onFile }: FromPictureProps) {
  const [picture, setPicture] = useState<ImageBitmap | null>(null)
  const [sentence, setSentence] = useState('')
  const open = (file: File | undefined) => {
    setSentence('')
    if (!file) return
    onFile(file)
    void createImageBitmap(file).then(setPicture, () => setSentence(t('This file is no picture that can be read.')))
  }
  return (
    <div className="mt-3">
      <label className="quiet inline-flex min-h-11 cursor-pointer items-center">
        {picture ? t('Another photograph') : t('A photograph of all of them, with a white or grey card')}
        <input type="file" accept="image/*" className="sr-only" onChange={event => open(event.target.files?.[0])} />
      </label>
      {sentence !== '' && (
        <p role="alert" className="text-rust">
          {sentence}
        </p>
      )}
      {picture && (
        <ColourSampler picture={picture} plainHex={mixed(STANDARD_BASE, [], { days, gel: 0 }).hex}>
          {result =>
            result.ok ? (
              <button className="button mt-2 min-h-12" onClick={() => onTake(result.hex)}>
                {rich('{span} This is {label}', {
                  span: <span aria-hidden className="size-6 border border-ink" style={{ background: result.hex }} />,
                  label,
                })}
              </button>
            ) : (
              <p role="alert" className="mt-2 text-rust">
                <Say of={result.sentence} />
              </p>
            )
          }
        </ColourSampler>
      )}
    </div>
  )
}
