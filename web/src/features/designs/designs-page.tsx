import { DESIGN_VERSION, TECHNIQUES, madeBy, planOfDesign, readDesign, starterPlan } from '@ostler/core'
import type { KeptDesign, Plan, Technique, TechniqueCard } from '@ostler/core'
import { useQuery, useQueryClient } from '@tanstack/react-query'
import { FilePlus, Upload } from 'lucide-react'
import { useMemo, useRef, useState } from 'react'
import { addDesign, designsQuery, shelfQuery } from '../../api/client.ts'
import { TechniqueFacts, useTechniqueCards } from '../../parts/technique-facts.tsx'
import { Places } from '../../frame/places.tsx'
import { TopBar } from '../../frame/top-bar.tsx'
import { useToast } from '../../ui/toast.tsx'
import { DesignPicture } from '../../drawing/design-picture.tsx'
import { Say, useSay } from '../../ui/say.tsx'
import { rich, t } from '../../words/index.ts'
import { KeptCard, PICTURE } from './kept-card.tsx'
import { useNewBatch } from './new-batch.ts'

/** Every design that the workshop keeps, and a start for every technique. */
export function DesignsPage() {
  const { data, error } = useQuery(designsQuery)
  const shelf = useQuery(shelfQuery).data?.shelf
  const [start] = useState(techniqueStart)
  const cards = useTechniqueCards(start, shelf)
  return (
    <div className="flex min-h-screen flex-col">
      <TopBar>
        <Places />
      </TopBar>
      <main className="flex flex-1 flex-col gap-8 bg-booth px-6 py-5 max-[900px]:px-3">
        <section aria-labelledby="ours">
          <header className="mb-3 flex items-baseline gap-4">
            <h1 id="ours" className="text-2xl">
              {t('Our designs')}
            </h1>
            <span className="text-soft">{data ? data.length : ''}</span>
            <ImportButton />
          </header>
          {error && !data && <p className="text-rust">{error.message}</p>}
          {data?.length === 0 && (
            <p className="max-w-150">
              {rich(
                'A design kept here can be used in any batch and fitted to any mould. Open a batch, choose {design} below its score, then {strong}.',
                { design: <strong>{t('design …')}</strong>, strong: <strong>{t('Keep this one')}</strong> },
              )}
            </p>
          )}
          <ul className="grid grid-cols-[repeat(auto-fill,minmax(230px,1fr))] gap-4">
            {data?.map(one => (
              <KeptCard key={`${one.id} ${one.revision}`} kept={one} />
            ))}
          </ul>
        </section>
        {/* Below what is kept: before that is there it would stand in its place, be drawn first, and jump. */}
        {(data || error) && (
          <section aria-labelledby="techniques">
            <h2 id="techniques" className="text-2xl">
              {t('Techniques')}
            </h2>
            <p className="mb-3 text-soft">
              {t(
                'A start for every way of pouring, here with a calm recipe and four colours. In a batch each has its own numbers to turn, and is reckoned with its recipe, scent and mould.',
              )}
            </p>
            <ul className="grid grid-cols-[repeat(auto-fill,minmax(230px,1fr))] gap-4">
              {TECHNIQUES.map(technique => (
                <StartCard key={technique.id} technique={technique} card={cards.get(technique.id)} />
              ))}
            </ul>
          </section>
        )}
      </main>
    </div>
  )
}

function ImportButton() {
  const say = useSay()
  const input = useRef<HTMLInputElement>(null)
  const client = useQueryClient()
  const toast = useToast()
  const take = async (file: File) => {
    try {
      const read = readDesign(JSON.parse(await file.text()) as unknown)
      if (!read.ok)
        return toast(
          t('{file} is not a design: {sentence}', { file: file.name, sentence: say(read.problems[0]!.sentence) }),
        )
      await addDesign(read.design)
      await client.invalidateQueries(designsQuery)
      toast(t('{design} is kept among our designs.', { design: read.design.name }))
    } catch (error) {
      toast(
        error instanceof SyntaxError
          ? t('{file} is not a design: it is no JSON.', { file: file.name })
          : (error as Error).message,
      )
    }
  }
  return (
    <>
      <button className="quiet ml-auto text-ink" onClick={() => input.current?.click()}>
        <Upload size={16} aria-hidden /> {t('from a file')}
      </button>
      <input
        ref={input}
        type="file"
        accept=".json,application/json"
        className="hidden"
        aria-label={t('A design as a file')}
        onChange={event => {
          const file = event.target.files?.[0]
          event.target.value = ''
          if (file) void take(file)
        }}
      />
    </>
  )
}

/** Colours of the house for pictures of techniques. */
const SHOWN: KeptDesign['cups'] = [
  { id: 'cup-1', name: t('Chalk'), hex: '#e9e2d0' },
  { id: 'cup-2', name: t('Kelp'), hex: '#3f5f56' },
  { id: 'cup-3', name: t('Brick'), hex: '#a9553b' },
  { id: 'cup-4', name: t('Dusk'), hex: '#3c4a66' },
]

function techniqueStart(): Plan {
  const plan = starterPlan(t('Technique'))
  const { mould, score, moves, finish, cutting } = plan
  const design: KeptDesign = {
    ...{
      format: 'ostler-design',
      version: DESIGN_VERSION,
      name: t('Technique'),
      notes: '',
      mould,
      cups: SHOWN,
      moves,
      finish,
      cutting,
    },
    score,
  }
  return planOfDesign(design, plan)
}

interface StartProps {
  technique: Technique
  card: TechniqueCard | null | undefined
}

function StartCard({ technique, card }: StartProps) {
  const start = useNewBatch()
  const plan = useMemo((): Plan => {
    const base = techniqueStart()
    return { ...base, name: t(technique.name), ...madeBy(technique, base) }
  }, [technique])
  return (
    <li className="flex flex-col gap-1 bg-paper p-3">
      <DesignPicture plan={plan} seen={technique.seen} label={t(technique.name)} px={340} className={PICTURE} />
      <strong className="text-lg">{t(technique.name)}</strong>
      <p className="text-[13px] text-soft">
        <Say of={technique.sentence} />
      </p>
      {card && <TechniqueFacts card={card} />}
      <button className="button mt-auto self-start" onClick={() => void start(plan)}>
        <FilePlus size={16} aria-hidden /> {t('New batch')}
      </button>
    </li>
  )
}
