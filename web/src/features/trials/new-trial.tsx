import { TRIAL_KINDS, drawnUp, kindOfTrial, trialOfQuestion, trialOutlook } from '@ostler/core'
import type { TrialKind } from '@ostler/core'
import { useMutation, useQuery } from '@tanstack/react-query'
import { Plus } from 'lucide-react'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { addTrial, shelfQuery } from '../../api/client.ts'
import { freshUuid } from '../../plan/fresh-uuid.ts'
import { ShowsAtAll } from './shows-at-all.tsx'
import { START, lacks, questionOf, turnedTo } from './wish.ts'
import type { Wish } from './wish.ts'
import { Compared, Samples } from './wish-fields.tsx'
import { t } from '../../words/index.ts'

const SEEDS = 10_000

const GROUPS = { colour: t('Colour'), scent: t('Scent'), working: t('Ways of working') } as const

/** A question first; the samples follow from it. */
export function NewTrial() {
  const shelf = useQuery(shelfQuery).data?.shelf
  const navigate = useNavigate()
  const [wish, setWish] = useState<Wish>(START)
  const [seed] = useState(() => 1 + Math.floor(Math.random() * SEEDS))
  const question = shelf ? questionOf(wish, shelf, seed) : null
  const lacking = lacks(wish, question)
  const begin = useMutation({
    mutationFn: () => addTrial(freshUuid(), trialOfQuestion(wish.name, question!)),
    onSuccess: one => navigate(`/trials/${one.id}`),
  })
  if (!shelf) return null
  const set = (change: Partial<Wish>) => setWish({ ...wish, ...change })
  const { mind } = kindOfTrial(wish.kind)
  return (
    <section aria-labelledby="new-trial" className="mt-8">
      <h2 id="new-trial" className="text-xl">
        {t('A new trial')}
      </h2>
      <form
        className="mt-2 grid gap-3"
        onSubmit={event => {
          event.preventDefault()
          if (lacking === '') begin.mutate()
        }}
      >
        <Kinds kind={wish.kind} onKind={kind => setWish(turnedTo(wish, kind))} />
        {mind !== '' && <p className="max-w-160 border-l-4 border-line pl-3">{mind}</p>}
        <Compared wish={wish} onValue={set} shelf={shelf} levels={question?.levels ?? []} />
        <Samples wish={wish} onValue={set} />
        <Named wish={wish} onValue={set} />
        {question && <ShowsAtAll outlook={trialOutlook({ question, samples: drawnUp(question) })} />}
        <div className="flex flex-wrap items-center gap-4">
          <button className="button button-main min-h-12 px-6 text-lg" disabled={lacking !== '' || begin.isPending}>
            <Plus size={20} aria-hidden /> {t('Draw it up')}
          </button>
          <span role="status" className="text-rust">
            {lacking || begin.error?.message}
          </span>
        </div>
      </form>
    </section>
  )
}

/** Everything that can be asked, by what it is about. */
function Kinds({ kind, onKind }: { kind: TrialKind; onKind: (kind: TrialKind) => void }) {
  return (
    <fieldset>
      <legend className="text-[13px] text-soft">{t('What is asked')}</legend>
      <div className="grid grid-cols-3 gap-x-6 max-[900px]:grid-cols-1">
        {Object.entries(GROUPS).map(([group, title]) => (
          <div key={group} role="group" aria-label={title}>
            <h3 className="font-title font-semibold">{title}</h3>
            {Object.entries(TRIAL_KINDS)
              .filter(([, of]) => of.group === group)
              .map(([key, of]) => (
                <label key={key} className="flex min-h-10 cursor-pointer items-center gap-2">
                  <input type="radio" name="kind" checked={kind === key} onChange={() => onKind(key as TrialKind)} />
                  {t(of.says)}
                </label>
              ))}
          </div>
        ))}
      </div>
    </fieldset>
  )
}

function Named({ wish, onValue }: { wish: Wish; onValue: (change: Partial<Wish>) => void }) {
  return (
    <div className="flex flex-wrap gap-4">
      <label className="flex min-w-60 flex-1 flex-col text-[13px] text-soft">
        {t('name of the trial')}
        <input
          className="field min-h-11 text-ink"
          maxLength={80}
          value={wish.name}
          onChange={event => onValue({ name: event.target.value })}
        />
      </label>
      <label className="flex min-w-60 flex-[2] flex-col text-[13px] text-soft">
        {wish.kind === 'claim' ? t('what was heard, in its words') : t('in your own words (may be left empty)')}
        <input
          className="field min-h-11 text-ink"
          maxLength={300}
          value={wish.asked}
          onChange={event => onValue({ asked: event.target.value })}
        />
      </label>
    </div>
  )
}
