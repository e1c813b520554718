import { orderedRecipe, at } from '@ostler/core'
import type { Recipe, RecipeAnswer } from '@ostler/core'
import { useQuery, useQueryClient } from '@tanstack/react-query'
import { BookOpen, Save } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import { addRecipe, addRecipeVersion, recipeVersionsQuery, recipesQuery } from '../../api/client.ts'
import { useBatch, usePlan } from '../../plan/context.tsx'
import { Ask } from '../../ui/ask.tsx'
import { Choice } from '../../ui/choice.tsx'
import { useTold } from '../../parts/plan-field.tsx'
import { useAct } from '../../ui/use-act.ts'
import { useToast } from '../../ui/toast.tsx'
import { rich, t } from '../../words/index.ts'

const bare = (recipe: Recipe): string => JSON.stringify(orderedRecipe({ ...recipe, name: '', origin: null }))

/** Which saved recipe this is, and whether it has been changed since. */
export function RecipeBar() {
  const batch = useBatch()
  const told = useTold()
  const recipe = usePlan(state => state.plan.recipe)
  const recipes = useQuery(recipesQuery)
  const [saving, setSaving] = useState(false)
  const { origin } = recipe
  const versions = useQuery({ ...recipeVersionsQuery(origin?.recipe ?? ''), enabled: origin !== null })
  const source = versions.data?.find(one => one.version === origin?.version)
  const changed = source !== undefined && bare(source.recipe) !== bare(recipe)
  const newest = recipes.data?.find(one => one.id === origin?.recipe)
  const take = (id: string) => {
    const chosen = recipes.data?.find(one => one.id === id)
    if (chosen) told(batch.edit({ kind: 'set', path: at(plan => plan.recipe), value: chosen.recipe }))
  }
  return (
    <div className="mb-4 flex flex-wrap items-center gap-x-4 gap-y-2 border-y border-line py-2">
      <p className="mr-auto">
        {origin ? (
          <>
            {rich('{recipe}, version {version}', { recipe: <strong>{recipe.name}</strong>, version: origin.version })}
            {changed && <span className="text-soft">{t(', changed here')}</span>}
            {newest && newest.version > origin.version && (
              <>
                {' '}
                ·{' '}
                <button className="underline" onClick={() => take(newest.id)}>
                  {t('take version {version}', { version: newest.version })}
                </button>
              </>
            )}
          </>
        ) : (
          <span className="text-soft">{t('A recipe of this batch alone')}</span>
        )}
      </p>
      {(recipes.data?.length ?? 0) > 0 && (
        <span className="inline-flex items-center gap-1.5">
          <BookOpen size={16} aria-hidden />
          <Choice
            bare
            label={t('Take a saved recipe')}
            className="max-w-52"
            value=""
            options={[
              { value: '', text: t('take a saved recipe') },
              ...recipes.data!.map(one => ({
                value: one.id,
                text: t('{one}, version {version}', { one: one.name, version: one.version }),
              })),
            ]}
            onValue={take}
          />
        </span>
      )}
      <button className="button" onClick={() => setSaving(true)}>
        <Save size={16} aria-hidden /> {t('Save the recipe')}
      </button>
      <Link to="/recipes" className="underline">
        {t('All recipes')}
      </Link>
      <SaveRecipe open={saving} onClose={() => setSaving(false)} newest={newest ?? null} />
    </div>
  )
}

function SaveRecipe({ open, onClose, newest }: { open: boolean; onClose: () => void; newest: RecipeAnswer | null }) {
  return (
    <Ask open={open} title={t('Save the recipe')} onClose={onClose}>
      {open && <SaveForm newest={newest} onClose={onClose} />}
    </Ask>
  )
}

function SaveForm({ newest, onClose }: { newest: RecipeAnswer | null; onClose: () => void }) {
  const batch = useBatch()
  const client = useQueryClient()
  const toast = useToast()
  const recipe = usePlan(state => state.plan.recipe)
  const [name, setName] = useState(recipe.name || batch.get().plan.name)
  const [reason, setReason] = useState('')
  const { busy, sentence, run } = useAct()
  const save = (asNew: boolean) =>
    run(async () => {
      const form = { name: name.trim(), reason, recipe }
      const saved =
        asNew || !newest ? await addRecipe(form) : await addRecipeVersion(newest.id, { ...form, from: newest.version })
      batch.edit({
        kind: 'many',
        edits: [
          { kind: 'set', path: at(plan => plan.recipe.name), value: saved.name },
          { kind: 'set', path: at(plan => plan.recipe.origin), value: { recipe: saved.id, version: saved.version } },
        ],
      })
      await client.invalidateQueries({ queryKey: ['recipes'] })
      toast(t('“{saved}” is saved as version {version}.', { saved: saved.name, version: saved.version }))
      onClose()
    })
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={event => {
        event.preventDefault()
        void save(newest === null)
      }}
    >
      <label className="flex flex-col gap-0.5">
        <span className="text-[13px] text-soft">{t('Name of the recipe')}</span>
        <input className="field" value={name} maxLength={80} onChange={event => setName(event.target.value)} />
      </label>
      <label className="flex flex-col gap-0.5">
        <span className="text-[13px] text-soft">{t('What is new, and why (for later)')}</span>
        <input className="field" value={reason} maxLength={300} onChange={event => setReason(event.target.value)} />
      </label>
      {sentence && (
        <p role="alert" className="text-rust">
          {sentence}
        </p>
      )}
      <p className="text-[13px] text-soft">
        {t('Oils, lye, water, liquids and additives are saved. Batches keep the version that they were made with.')}
      </p>
      <div className="flex flex-wrap gap-3">
        <button className="button button-main" type="submit" disabled={busy}>
          {newest ? t('Save as version {version}', { version: newest.version + 1 }) : t('Save as a new recipe')}
        </button>
        {newest && (
          <button className="button" type="button" disabled={busy} onClick={() => void save(true)}>
            {t('Save as a new recipe')}
          </button>
        )}
      </div>
    </form>
  )
}
