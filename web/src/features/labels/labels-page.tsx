import {
  FITNESS,
  GRAMS_PER_OUNCE,
  fitnessBySigns,
  isHeld,
  LABEL_SHEETS,
  batterWater,
  claimsIn,
  cureForecast,
  cureKnown,
  dayAfter,
  ingredientList,
  lotCode,
  recordFold,
  weightsIn,
} from '@ostler/core'
import type { Labelling } from '@ostler/core'
import { useQuery } from '@tanstack/react-query'
import { parseISO } from 'date-fns'
import { FileDown } from 'lucide-react'
import { useMemo, useState } from 'react'
import { Link, useParams } from 'react-router'
import { recordQuery } from '../../api/client.ts'
import { labellingQuery } from '../../api/workshop.ts'
import { ForecastRefused } from '../../parts/forecast-refused.tsx'
import { useBatch, useForecast, usePlan } from '../../plan/context.tsx'
import { useNotedState } from '../../run/noted.tsx'
import { saveFile } from '../../ui/save-file.ts'
import { Say } from '../../ui/say.tsx'
import { Section } from '../../ui/section.tsx'
import { useAct } from '../../ui/use-act.ts'
import { codeOf, labelFile, lettersLacking, measureWith, withLetters } from './label-file.ts'
import type { Letters } from './label-file.ts'
import { LabelPicture } from './label-picture.tsx'
import { LabellingFields } from './labelling-fields.tsx'
import { LEGIBLE_PT, labelLayout } from './layout.ts'
import type { LabelText } from './layout.ts'
import { dated, fixed, rich, t } from '../../words/index.ts'

const lettersQuery = { queryKey: ['letters'], queryFn: withLetters, staleTime: Infinity }

/** What stands on the label of a bar, as it is printed. */
export function LabelsPage() {
  const { data: labelling, error } = useQuery(labellingQuery)
  const { data: letters, error: noLetters } = useQuery(lettersQuery)
  const forecast = useForecast()
  const wrong = error ?? noLetters
  return (
    <main className="mx-auto w-full max-w-260 flex-1 px-5 py-4 max-[900px]:px-3">
      <h1 className="text-2xl">{t('Labels')}</h1>
      <ForecastRefused />
      {wrong && <p className="text-rust">{wrong.message}</p>}
      {labelling && letters && forecast && <Labels labelling={labelling} letters={letters} />}
    </main>
  )
}

const day = (on: string): string => dated(parseISO(on), 'd MMM yyyy')

/** What is known of the batch for its labels; by what was weighed where something was. */
function useFacts({ school }: Labelling) {
  const { id = '' } = useParams()
  const plan = usePlan(one => one.plan)
  const { shelf } = useBatch()
  const forecast = useForecast()!
  const weighed = useNotedState()?.state.weighed
  const { data: record } = useQuery(recordQuery(id))
  return useMemo(() => {
    const cure = cureForecast(plan, batterWater(plan, forecast.portions, shelf), { known: cureKnown(shelf.evidence) })
    const { cutCount, goneCount } = recordFold(record?.entries ?? [])
    const whole = cure.curedG * cure.bars.count
    const list = ingredientList(plan, shelf, forecast.portions, {
      ...{ school, curedG: whole, weights: weightsIn(weighed ?? {}) },
    })
    const { pouredAt } = plan.rest
    return {
      ...{ list, id, name: plan.name, pouredAt, curedG: cure.curedG },
      bars: Math.max(1, (cutCount ?? cure.bars.count) - goneCount),
      fitness: record ? fitnessBySigns(recordFold(record.entries), 0) : ('fit' as const),
      readyOn: pouredAt === '' ? null : dayAfter(pouredAt, cure.readyDay),
    }
  }, [forecast, id, plan, record, school, shelf, weighed])
}
type Facts = ReturnType<typeof useFacts>

/** A mass that no bar is below: whole grams, and tenths of an ounce beside them. */
const netMass = (g: number): string =>
  t('net {g} g ({g2} oz)', {
    g: Math.floor(g),
    g2: fixed(Math.floor((Math.floor(g) / GRAMS_PER_OUNCE) * 10) / 10, 1),
  })

function textOf({ list, id, name, pouredAt, curedG, readyOn }: Facts, labelling: Labelling): LabelText {
  const dates =
    readyOn === null ? '' : t('made {pouredAt} · ready {readyOn}', { pouredAt: day(pouredAt), readyOn: day(readyOn) })
  return {
    title: name,
    ingredients: t('Ingredients: {list}', { list: list.text }),
    lines: [
      t('{curedG} · lot {pouredAt}', { curedG: netMass(curedG), pouredAt: lotCode(pouredAt, id) }),
      ...[dates, labelling.words, labelling.maker, t('Soap. Not food. Keep out of the eyes.')],
    ],
    withCode: labelling.withCode,
  }
}

function Labels({ labelling, letters }: { labelling: Labelling; letters: Letters }) {
  const facts = useFacts(labelling)
  const [count, setCount] = useState<number | null>(null)
  const act = useAct()
  const sheet = LABEL_SHEETS[labelling.sheet]
  const text = textOf(facts, labelling)
  const place = useMemo(() => placeOf(labelling), [labelling])
  const layout = labelLayout(text, place, measureWith(letters))
  const code = useMemo(() => codeOf(`${location.origin}/batches/${facts.id}/outcome`), [facts.id])
  const many = count ?? facts.bars
  const save = () =>
    act.run(async () => {
      const made = { sheet, labelling, count: many, layout, code, title: t('{facts}, labels', { facts: facts.name }) }
      const file = await labelFile(await withLetters(), made)
      saveFile(`labels ${lotCode(facts.pouredAt, facts.id)}.pdf`, file as BlobPart, 'application/pdf')
    })
  return (
    <div className="mt-3 grid grid-cols-[minmax(0,1fr)_320px] gap-10 max-[900px]:grid-cols-1">
      <div>
        <LabelPicture layout={layout} code={code} {...place} />
        <div className="mt-4 flex flex-wrap items-end gap-4">
          <label className="flex flex-col text-[13px] text-soft">
            {t('Labels')}
            <input
              type="number"
              min={1}
              max={500}
              className="field min-h-11 w-24 text-lg text-ink"
              value={many}
              onChange={changed => setCount(Math.min(500, Math.max(1, Math.round(changed.target.valueAsNumber || 1))))}
            />
          </label>
          <button className="button button-main min-h-11" disabled={act.busy} onClick={() => void save()}>
            <FileDown size={18} aria-hidden />{' '}
            {t('Save the {across, plural, one {labels} other {sheets}} as PDF', { across: sheet.across * sheet.down })}
          </button>
          {act.sentence !== '' && (
            <p role="alert" className="text-rust">
              {act.sentence}
            </p>
          )}
        </div>
        <Doubts
          {...{
            facts,
            labelling,
            layout,
            lacking: lettersLacking(letters, `${text.title}${text.ingredients}${text.lines.join('')}`),
          }}
        />
      </div>
      <LabellingFields key={labelling.sheet} labelling={labelling} />
    </div>
  )
}

/** The room of one label. */
function placeOf(labelling: Labelling): { widthMm: number; heightMm: number } {
  const { across, down, widthMm, heightMm } = LABEL_SHEETS[labelling.sheet]
  const [edge, gap] = across * down === 1 ? [0, 0] : [labelling.edgeMm, labelling.gapMm]
  return {
    widthMm: (widthMm - 2 * edge - gap * (across - 1)) / across,
    heightMm: (heightMm - 2 * edge - gap * (down - 1)) / down,
  }
}

interface DoubtsProps {
  facts: Facts
  labelling: Labelling
  layout: ReturnType<typeof labelLayout>
  lacking: readonly string[]
}

/** What is to be looked at before anything is printed. */
function Doubts({ facts, labelling, layout, lacking }: DoubtsProps) {
  const claims = claimsIn(`${facts.name} ${labelling.words}`)
  return (
    <Section title={t('Before it is printed')} className="mt-6">
      <ul className="flex max-w-160 flex-col gap-1.5">
        {isHeld(facts.fitness) && (
          <li className="font-semibold text-rust">
            {rich('▲ These bars are held ({fitness}): {link} speaks against giving or selling any.', {
              fitness: t(FITNESS[facts.fitness]),
              link: (
                <Link to="../faults" className="underline">
                  {t('what was seen of them')}
                </Link>
              ),
            })}
          </li>
        )}
        {layout.isCut && (
          <li className="font-semibold text-rust">
            {t('▲ Not all of it has room on this label. Choose a larger one, or say less.')}
          </li>
        )}
        {!layout.isCut && layout.bodyPt < LEGIBLE_PT && (
          <li>
            {t('△ Its letters are under 1.2 mm high, which rules often ask for. A larger label has room for them.')}
          </li>
        )}
        {facts.pouredAt === '' && <li>{t('△ It is not poured yet: its lot and its dates stay open.')}</li>}
        {lacking.length > 0 && (
          <li>{t('△ The label has no letters for {lacking}; they stand as ?.', { lacking: lacking.join(' ') })}</li>
        )}
        {[...facts.list.doubts, ...claims].map((doubt, i) => (
          <li key={i}>
            △ <Say of={doubt} />
          </li>
        ))}
        <li className="text-soft">
          {rich(
            'Names and order are worked out from the {shelf}; the net mass is what a bar is forecast to weigh on the day it is ready: weigh one then. Local rules come first, and where they ask for an assessment or a licence, no label stands for it.',
            {
              shelf: (
                <Link to="/shelf" className="underline">
                  {t('shelf')}
                </Link>
              ),
            },
          )}
        </li>
      </ul>
    </Section>
  )
}
