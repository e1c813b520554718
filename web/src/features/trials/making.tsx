import { ROLES, baseOf, battersOf, kindOfTrial, planOfTrial, starterPlan } from '@ostler/core'
import type { Plan, Shelf, TrialAnswer } from '@ostler/core'
import { useMutation, useQuery } from '@tanstack/react-query'
import { parseISO } from 'date-fns'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { addBatch, batchQuery, recipesQuery } from '../../api/client.ts'
import { Section } from '../../ui/section.tsx'
import type { KeptChange } from './trial-change.ts'
import { dated, t } from '../../words/index.ts'

interface MakingProps {
  kept: TrialAnswer
  shelf: Shelf
  onKeep: (change: KeptChange) => void
}

/** Makes its batch; of levels that are batters of their own one each, the usual one first. */
function useMaking({ kept, shelf, onKeep }: MakingProps, recipe: string) {
  const { trial } = kept
  const navigate = useNavigate()
  const recipes = useQuery(recipesQuery).data ?? []
  const begin = useMutation({
    mutationFn: async () => {
      const usual = starterPlan(trial.name)
      const like: Plan = { ...usual, recipe: recipes.find(({ id }) => id === recipe)?.recipe ?? usual.recipe }
      const batters = battersOf(trial)
      const [first, ...others] = batters.map((level, i) => ({
        ...planOfTrial(trial, shelf, like, level),
        name: t('{trial}: samples{batters}', {
          trial: trial.name,
          batters: batters.length > 1 ? t(' {i} of {batters}', { i: i + 1, batters: batters.length }) : '',
        }).slice(0, 80),
      }))
      const made = await addBatch(first!)
      for (const plan of others) await addBatch(plan)
      return made
    },
    onSuccess: async made => {
      // Its plain soap is what the recipe makes it; its pace is that of its batter.
      const { plan } = made
      const { carotene, chlorophyll, brown, scatter } = baseOf(plan, shelf)
      const base = { carotene, chlorophyll, brown, scatter, gel: trial.base.gel }
      const { mixC, roomC, stopLevel } = plan.conditions
      const batter = { recipe: plan.recipe, mixC, roomC, stopLevel }
      onKeep({ change: now => ({ ...now, base, batter }), batch: made.id })
      await navigate(`/batches/${made.id}/prepare`)
    },
  })
  return { begin, recipes }
}

/** A trial is made as a batch of its own: lye, weigh list, cup cards and the Bench are those of any batch. */
export function Making(props: MakingProps) {
  const { kept, onKeep } = props
  const { trial, batch } = kept
  const [recipe, setRecipe] = useState('')
  const { begin, recipes } = useMaking(props, recipe)
  const batters = battersOf(trial).length
  return (
    <Section title={t('Making it')} className="print:hidden">
      <p className="max-w-160">
        {t('Every sample is a cup and a cavity of its own, drawn in this order: {samples}. {group}', {
          samples: trial.samples.map(({ label }) => label).join(', '),
          group:
            kindOfTrial(trial.question.kind).group === 'working'
              ? batters > 1 &&
                t('It is made as {batters} batches, the usual one first, each with lye of its own.', { batters })
              : t('Nothing that was in colour or scent goes back into one with {nothing}.', {
                  nothing: t(ROLES.nothing),
                }),
        })}
      </p>
      <div className="mt-2 flex flex-wrap items-end gap-4">
        {batch ? (
          <Link className="button" to={`/batches/${batch}/prepare`}>
            {t('To its batch')}
          </Link>
        ) : (
          <>
            <label className="flex flex-col text-[13px] text-soft">
              {t('its batter')}
              <select
                className="field min-h-11 text-ink"
                value={recipe}
                onChange={event => setRecipe(event.target.value)}
              >
                <option value="">{t('a calm, balanced recipe')}</option>
                {recipes.map(({ id, name }) => (
                  <option key={id} value={id}>
                    {name}
                  </option>
                ))}
              </select>
            </label>
            <button className="button button-main" disabled={begin.isPending} onClick={() => begin.mutate()}>
              {batters > 1 ? t('Make it as {batters} batches', { batters }) : t('Make it as a batch')}
            </button>
          </>
        )}
        <label className="flex flex-col text-[13px] text-soft">
          {t('poured on')}
          <input
            type="date"
            className="field min-h-11 text-ink"
            value={trial.pouredOn}
            onChange={({ target: { value: pouredOn } }) => onKeep({ change: now => ({ ...now, pouredOn }) })}
          />
        </label>
        {batch && trial.pouredOn === '' && (
          <PouredWith batch={batch} onDay={pouredOn => onKeep({ change: now => ({ ...now, pouredOn }) })} />
        )}
        {begin.error && <p className="text-rust">{begin.error.message}</p>}
      </div>
    </Section>
  )
}

/** Once its batch was poured, so was the trial. */
function PouredWith({ batch, onDay }: { batch: string; onDay: (day: string) => void }) {
  const pouredAt = useQuery(batchQuery(batch)).data?.plan.rest.pouredAt ?? ''
  if (pouredAt === '') return null
  const day = pouredAt.slice(0, 10)
  return (
    <button className="button min-h-11" onClick={() => onDay(day)}>
      {t('Its batch was poured on {format}: take that', { format: dated(parseISO(day), 'd MMMM yyyy') })}
    </button>
  )
}
