import { ACCELERATIONS, knowledgeOf, narrowedBy, paceOf, restPaces, shelfWithout } from '@ostler/core'
import type { Evidence, Knowledge, Pace, Plan, Shelf, Words } from '@ostler/core'
import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useMemo, useState } from 'react'
import { Link } from 'react-router'
import { saveCounts, shelfQuery } from '../../api/client.ts'
import { useBatch, usePlan } from '../../plan/context.tsx'
import { Ask } from '../../ui/ask.tsx'
import { Check } from '../../ui/check.tsx'
import { Term } from '../../ui/term.tsx'
import { Say } from '../../ui/say.tsx'
import { rich, t, tidy } from '../../words/index.ts'

const percent = (ln: number): string => {
  const by = Math.round((Math.exp(ln) - 1) * 100)
  return by === 0 ? t('as the model says') : `${Math.abs(by)} % ${by > 0 ? t('faster') : t('slower')}`
}
/** Four of five lie within. */
const within = ({ mean, sd }: Pace): string =>
  t('× {mean} to {mean2}', { mean: tidy(Math.exp(mean - 1.28 * sd), 2), mean2: tidy(Math.exp(mean + 1.28 * sd), 2) })

/** What the forecast's pace rests on: class and supplier, what is counted, and every batch with readings; each can be set aside. */
export function EvidenceDialog({ onClose }: { onClose: () => void }) {
  const batch = useBatch()
  const plan = usePlan(state => state.plan)
  const id = usePlan(state => state.id)
  const { data } = useQuery(shelfQuery)
  const shelf = data ? shelfWithout(data.shelf, id) : batch.shelf
  return (
    <Ask open wide title={t('What the forecast rests on')} onClose={onClose}>
      <p className="mb-3 text-soft">
        {rich(
          'The model knows oils, water, warmth and blending. What is special to you, your blender, this recipe and a scent it learns from traces that you note in your batches, and from how long blending took: that is {evidence}. Four in five lie within the range. Each has its {pace}.',
          { evidence: <Term at="evidence">{t('evidence')}</Term>, pace: <Term at="pace">{t('pace')}</Term> },
        )}
      </p>
      <table className="w-full text-[14px]">
        <thead>
          <tr className="text-left text-[13px] text-soft">
            {['', t('before any batch'), t('now'), t('range of pace'), t('batches')].map(head => (
              <th key={head} className="pr-4 font-normal">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {knowledgeOf(plan, shelf).map(one => (
            <KnowledgeRow key={`${one.what} ${one.name}`} one={one} />
          ))}
          <RestRows plan={plan} shelf={shelf} />
        </tbody>
      </table>
      <Batches plan={plan} shelf={shelf} />
    </Ask>
  )
}

/** What thermometers of earlier batches say of this one's rest. */
function RestRows({ plan, shelf }: { plan: Plan; shelf: Shelf }) {
  const { rate, losses } = restPaces(plan, shelf.evidence)
  const rows = [
    [t('In the mould: this recipe and scent'), rate],
    [t('Heat lost by this mould and wrap'), losses],
  ] as const
  return rows.map(([name, pace]) => (
    <tr key={name} className="border-t border-line align-baseline">
      <th className="py-1 pr-4 text-left font-semibold">{name}</th>
      <td className="pr-4">{t('as the model says')}</td>
      <td className="pr-4">{percent(pace.mean)}</td>
      <td className="pr-4">{within(pace)}</td>
      <td>{pace.batches || t('none')}</td>
    </tr>
  ))
}

function KnowledgeRow({ one }: { one: Knowledge }) {
  const counting = one.batches.filter(batch => batch.counts).length
  const { scent } = one
  return (
    <tr className="border-t border-line align-baseline">
      <th className="py-1 pr-4 text-left font-semibold">{one.name}</th>
      <td className="pr-4">
        {scent
          ? `${t(ACCELERATIONS[scent.prior.acceleration])}, ${percent(one.before.mean)}`
          : percent(one.before.mean)}
        {scent && scent.supplierSays !== 'unknown' && (
          <span className="block text-[13px] text-soft">
            {t('supplier says {supplierSays}', { supplierSays: t(ACCELERATIONS[scent.supplierSays]) })}
          </span>
        )}
      </td>
      <td className="pr-4">
        <strong>{percent(one.now.mean)}</strong>
        {scent && (
          <span className="block text-[13px] text-soft">
            {scent.isTested ? t('tested') : t('untested')}: {t(ACCELERATIONS[scent.now.acceleration])}
          </span>
        )}
      </td>
      <td className="pr-4 whitespace-nowrap">{within(one.now)}</td>
      <td>
        {counting}
        {scent && scent.counted > 0 && t(' and {counted} counted on the shelf', { counted: scent.counted })}
      </td>
    </tr>
  )
}

function Batches({ plan, shelf }: { plan: Plan; shelf: Shelf }) {
  const batch = useBatch()
  const list = shelf.evidence
  const of = useMemo(() => paceOf(plan, shelf), [plan, shelf])
  const client = useQueryClient()
  const [sentence, setSentence] = useState<Words>('')
  const set = async (of: Evidence, counts: boolean) => {
    const show = (evidence: readonly Evidence[]) => {
      client.setQueryData(shelfQuery.queryKey, old => old && { ...old, shelf: { ...old.shelf, evidence } })
      batch.renewShelf({ evidence })
    }
    // Shown at once, and taken back if it could not be kept.
    show(list.map(one => (one.batch === of.batch ? { ...one, counts } : one)))
    try {
      await saveCounts(of.batch, counts)
      setSentence('')
    } catch (error) {
      show(list)
      setSentence((error as Error).message)
    }
    await client.invalidateQueries({ queryKey: shelfQuery.queryKey })
  }
  if (list.length === 0)
    return (
      <p className="mt-4 border-t border-line pt-3">
        {t(
          'No other batch has readings yet. Note what you see under “seen …” in the lanes, and temperatures of the rest: the next batch knows them.',
        )}
      </p>
    )
  return (
    <section aria-label={t('Batches with readings')} className="mt-5">
      <h3 className="font-semibold">{t('Batches with readings')}</h3>
      <ul>
        {list.map(one => (
          <li key={one.batch} className="flex flex-wrap items-center gap-x-4 border-t border-line py-1">
            <Check label={t('counts')} checked={one.counts} onChange={on => void set(one, on)} />
            <Link to={`/batches/${one.batch}/score`} className="font-semibold underline">
              {one.name}
            </Link>
            <span className="text-soft">{[...one.observations.map(told), ...restTold(one)].join('; ')}</span>
            <span>{narrowed(narrowedBy(shelf, of, one))}</span>
            {one.formerModel && (
              <span className="text-soft">{t('learned with the former model, counts for less')}</span>
            )}
          </li>
        ))}
      </ul>
      {sentence && (
        <p role="alert" className="mt-2 text-rust">
          <Say of={sentence} />
        </p>
      )}
    </section>
  )
}

const narrowed = (share: number): string =>
  share >= 0.005
    ? t('narrows this batch’s range by {share} %', { share: Math.round(100 * share) })
    : t('says little of this batch')

const STAGES = { plain: t('plain cups'), scented: t('scented cups'), blend: t('blending') } as const

const told = ({ stage, value, variance }: Evidence['observations'][number]): string =>
  t('{stage} {value} (× {value2} to {value3})', {
    stage: STAGES[stage],
    value: percent(value),
    value2: tidy(Math.exp(value - Math.sqrt(variance)), 2),
    value3: tidy(Math.exp(value + Math.sqrt(variance)), 2),
  })

const restTold = ({ rest }: Evidence): string[] => {
  const parts = [
    [t('in the mould'), rest?.rate],
    [t('heat lost'), rest?.losses],
  ] as const
  return parts.flatMap(([what, seen]) => (seen ? [`${what} ${percent(seen.value)}`] : []))
}
