import {
  TECHNIQUES,
  designFrom,
  fitDesign,
  madeBy,
  planOfDesign,
  starterPlan,
  usualValues,
  at,
  forecast,
} from '@ostler/core'
import type { Edit, KeptDesign, Plan, Technique, TechniqueCard, Words } from '@ostler/core'
import { useInfiniteQuery, useQueries, useQuery } from '@tanstack/react-query'
import { useMemo, useState } from 'react'
import { batchQuery, ALL_BATCHES, batchesQuery, designsQuery } from '../../api/client.ts'
import { cupHex, useColourView, useCupHex } from '../../plan/colour-view.ts'
import { useBatch, usePlan } from '../../plan/context.tsx'
import { Ask } from '../../ui/ask.tsx'
import { Segments } from '../../ui/segments.tsx'
import { Slider } from '../../ui/slider.tsx'
import { useToast } from '../../ui/toast.tsx'
import { DesignPicture, bestSight } from '../../drawing/design-picture.tsx'
import { Check } from '../../ui/check.tsx'
import { TechniqueFacts, useTechniqueCards } from '../../parts/technique-facts.tsx'
import { KeepDesign } from '../../parts/keep-design.tsx'
import { Say, useSay } from '../../ui/say.tsx'
import { t } from '../../words/index.ts'

type From = 'techniques' | 'library' | 'batches' | 'keep'
const FROM: readonly { value: From; text: string }[] = [
  { value: 'techniques', text: t('Techniques') },
  { value: 'library', text: t('Our designs') },
  { value: 'batches', text: t('From a batch') },
  { value: 'keep', text: t('Keep this one') },
]

/** Starts for a score: a technique with its numbers, a design of the library, or that of another batch. */
export function DesignDialog({ onClose }: { onClose: () => void }) {
  const say = useSay()
  const batch = useBatch()
  const toast = useToast()
  const [from, setFrom] = useState<From>('techniques')
  const use = (name: string, edits: Edit[], sentences: readonly Words[]) => {
    const result = batch.edit({ kind: 'many', edits })
    if (!result.ok) return toast(result.sentence)
    onClose()
    const told = sentences.length > 0 ? sentences.map(one => say(one)).join(' ') : t('cups and mould are as they were.')
    toast(t('{name}: the score is new. {told}', { name, told }), { text: t('Undo'), run: () => batch.undo() })
  }
  return (
    <Ask open wide title={t('Start from a design')} onClose={onClose}>
      <Segments label={t('Where from')} value={from} options={FROM} onValue={setFrom} />
      <div className="mt-4">
        {from === 'techniques' && <Techniques onUse={use} />}
        {from === 'library' && <Library onUse={use} />}
        {from === 'batches' && <Batches onUse={use} />}
        {from === 'keep' && <KeepDesign onKept={onClose} />}
      </div>
    </Ask>
  )
}

interface UseProps {
  onUse: (name: string, edits: Edit[], sentences: readonly Words[]) => void
}

function Techniques({ onUse }: UseProps) {
  const plan = useColouredPlan()
  const { shelf } = useBatch()
  const cards = useTechniqueCards(plan, shelf)
  const [only, setOnly] = useState<Only>({ inTime: false, withTools: false })
  const [open, setOpen] = useState<Technique | null>(null)
  if (open) return <Numbers technique={open} onBack={() => setOpen(null)} onUse={onUse} />
  const shown = TECHNIQUES.filter(({ id }) => fits(cards.get(id), only))
  return (
    <>
      <div className="mb-3 flex flex-wrap gap-x-6">
        <Check
          label={t('only what can be poured in time with this recipe, scent and mould')}
          checked={only.inTime}
          onChange={inTime => setOnly({ ...only, inTime })}
        />
        <Check
          label={t('only with tools that are on the shelf')}
          checked={only.withTools}
          onChange={withTools => setOnly({ ...only, withTools })}
        />
        {shown.length === 0 && cards.size === TECHNIQUES.length && <p role="status">{t('None is like that.')}</p>}
      </div>
      <ul className="grid grid-cols-4 gap-3 max-[700px]:grid-cols-2">
        {shown.map(technique => (
          <li key={technique.id}>
            <button
              className="flex h-full w-full flex-col gap-1 border border-line p-2 text-left hover:bg-chosen disabled:opacity-50"
              disabled={plan.cups.length < technique.cups}
              onClick={() => setOpen(technique)}
            >
              <TechniquePicture technique={technique} plan={plan} />
              <strong className="leading-tight">{t(technique.name)}</strong>
              <span className="text-[13px] leading-tight text-soft">
                <Say
                  of={
                    plan.cups.length < technique.cups
                      ? t('needs {cups} cups', { cups: technique.cups })
                      : technique.sentence
                  }
                />
              </span>
              <Facts card={cards.get(technique.id)} />
            </button>
          </li>
        ))}
      </ul>
    </>
  )
}

interface Only {
  inTime: boolean
  withTools: boolean
}

/** Even chances that every pour works: less is not "in time". */
const IN_TIME = 0.5

/** What is not worked out yet stays in sight. */
const fits = (card: TechniqueCard | null | undefined, { inTime, withTools }: Only): boolean => {
  if (!inTime && !withTools) return true
  if (card === undefined) return true
  return card !== null && (!inTime || card.chance >= IN_TIME) && (!withTools || card.tools.every(tool => tool.isHere))
}

const Facts = ({ card }: { card: TechniqueCard | null | undefined }) => (card ? <TechniqueFacts card={card} /> : null)

interface PictureProps {
  technique: Technique
  plan: Plan
  values?: Readonly<Record<string, number>>
  px?: number
  className?: string
}

/** Cups wish for the colours that they are forecast to have: then any score of theirs shows them. */
function useColouredPlan(): Plan {
  const plan = usePlan(state => state.plan)
  const hexOf = useCupHex()
  const wishes = plan.cups.map(cup => hexOf(cup.id)).join()
  return useMemo(() => {
    const hexes = wishes.split(',')
    return { ...plan, cups: plan.cups.map((cup, i) => ({ ...cup, wish: hexes[i]! })) }
  }, [plan, wishes])
}

function TechniquePicture({ technique, plan, values, px, className }: PictureProps) {
  const made = useMemo(
    () => ({ ...plan, aside: [], planB: null, ...madeBy(technique, plan, values) }),
    [technique, plan, values],
  )
  return (
    <DesignPicture
      plan={made}
      seen={plan.mould.form === 'box' ? technique.seen : 'top'}
      label={t(technique.name)}
      {...(px && { px })}
      {...(className && { className })}
    />
  )
}

/** A technique's own numbers, with the picture that they make. */
function Numbers({ technique, onBack, onUse }: { technique: Technique; onBack: () => void } & UseProps) {
  const plan = useColouredPlan()
  const [values, setValues] = useState(() => usualValues(technique, plan))
  const take = () => {
    const { score, moves, finish } = madeBy(technique, plan, values)
    onUse(
      t(technique.name),
      [
        { kind: 'set', path: at(plan => plan.score), value: score },
        { kind: 'set', path: at(plan => plan.moves), value: moves },
        { kind: 'set', path: at(plan => plan.finish), value: finish },
      ],
      [],
    )
  }
  return (
    <div className="grid grid-cols-[1fr_260px] gap-6 max-[700px]:grid-cols-1">
      <TechniquePicture {...{ technique, plan, values }} px={400} className="max-h-90 w-full object-contain" />
      <div className="flex flex-col gap-3">
        <h3 className="text-lg">{t(technique.name)}</h3>
        <p className="text-soft">
          <Say of={technique.sentence} />
        </p>
        {technique.parameters.map(({ key, label, from, to }) => (
          <div key={key}>
            <span className="flex justify-between">
              <span className="text-[13px] text-soft">{t(label)}</span>
              <strong>{values[key]}</strong>
            </span>
            <Slider
              label={t(label)}
              value={values[key]! - from}
              most={to - from}
              step={1}
              onValue={value => setValues({ ...values, [key]: value + from })}
            />
          </div>
        ))}
        <div className="mt-auto flex gap-3">
          <button className="button button-main" onClick={take}>
            {t('Use it')}
          </button>
          <button className="button" onClick={onBack}>
            {t('Others')}
          </button>
        </div>
      </div>
    </div>
  )
}

function DesignList({
  designs,
  onUse,
  empty,
}: { designs: { id: string; design: KeptDesign }[]; empty: string } & UseProps) {
  const plan = usePlan(state => state.plan)
  if (designs.length === 0) return <p className="text-soft">{empty}</p>
  return (
    <ul className="grid grid-cols-4 gap-3 max-[700px]:grid-cols-2">
      {designs.map(({ id, design }) => {
        const shown = planOfDesign(design, starterPlan(design.name))
        return (
          <li key={id}>
            <button
              className="flex h-full w-full flex-col gap-1 border border-line p-2 text-left hover:bg-chosen"
              onClick={() => {
                const { edits, sentences } = fitDesign(design, plan)
                onUse(design.name, edits, sentences)
              }}
            >
              <DesignPicture plan={shown} seen={bestSight(shown)} label={design.name} />
              <strong className="leading-tight">{design.name}</strong>
              <span className="text-[13px] text-soft">
                {design.cups.length} {design.cups.length === 1 ? t('cup') : t('cups')}
              </span>
            </button>
          </li>
        )
      })}
    </ul>
  )
}

function Library({ onUse }: UseProps) {
  const { data } = useQuery(designsQuery)
  return (
    <DesignList
      designs={data ?? []}
      onUse={onUse}
      empty={t('No design is kept yet. Keep one from any score, and use it in any other mould.')}
    />
  )
}

/** Batches shown at a time; the search finds the others. */
const MOST_SHOWN = 16

function Batches({ onUse }: UseProps) {
  const batch = useBatch()
  const view = useColourView()
  const own = batch.get().id
  const [search, setSearch] = useState('')
  const { data } = useInfiniteQuery(batchesQuery({ ...ALL_BATCHES, search }))
  const { shelf } = batch
  const shown = (data?.pages[0]?.batches ?? []).filter(one => one.id !== own).slice(0, MOST_SHOWN)
  const plans = useQueries({
    queries: shown.map(one => ({ ...batchQuery(one.id), gcTime: 60_000, staleTime: 60_000 })),
    combine: results => results.flatMap(one => (one.data ? [one.data] : [])),
  })
  const designs = useMemo(
    () =>
      plans.map(({ id, plan }) => {
        const result = forecast(plan, shelf)
        const colours = result.ok ? result.forecast.colours : null
        return { id, design: designFrom(plan, plan.name, cup => cupHex(plan, colours, view, cup)) }
      }),
    [plans, view, shelf],
  )
  return (
    <>
      <label className="mb-3 flex max-w-80 flex-col gap-0.5 text-[13px] text-soft">
        {t('Search the batches')}
        <input className="field" type="search" value={search} onChange={event => setSearch(event.target.value)} />
      </label>
      <DesignList designs={designs} onUse={onUse} empty={t('There is no such batch.')} />
    </>
  )
}
