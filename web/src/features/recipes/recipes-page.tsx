import { findById, starterPlan } from '@ostler/core'
import type { Recipe, RecipeAnswer, Shelf } from '@ostler/core'
import { useQuery, useQueryClient } from '@tanstack/react-query'
import { Play, Trash2 } from 'lucide-react'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import {
  addBatch,
  deleteRecipe,
  recipeVersionsQuery,
  recipesQuery,
  restoreRecipe,
  shelfQuery,
} from '../../api/client.ts'
import { Places } from '../../frame/places.tsx'
import { TopBar } from '../../frame/top-bar.tsx'
import { useToast } from '../../ui/toast.tsx'
import { AuditSection } from './audit-section.tsx'
import { CompareSection } from './compare-section.tsx'
import { Say } from '../../ui/say.tsx'
import { ago, showShare, t } from '../../words/index.ts'

/** Saved recipes with their versions, two of them compared, and recipes from elsewhere looked into. */
export function RecipesPage() {
  const recipes = useQuery(recipesQuery)
  const shelf = useQuery(shelfQuery)
  return (
    <>
      <TopBar>
        <Places />
      </TopBar>
      <main className="mx-auto w-full max-w-260 px-5 py-6 max-[900px]:px-3">
        <h1 className="mb-4 text-3xl">{t('Recipes')}</h1>
        {(recipes.error ?? shelf.error) && <p className="text-rust">{(recipes.error ?? shelf.error)!.message}</p>}
        {recipes.data && shelf.data && (
          <>
            <List recipes={recipes.data} shelf={shelf.data.shelf} />
            <CompareSection recipes={recipes.data} shelf={shelf.data.shelf} />
            <AuditSection shelf={shelf.data.shelf} />
          </>
        )}
      </main>
    </>
  )
}

/** The largest oils, as a recipe is told in a sentence. */
const told = (recipe: Recipe, shelf: Shelf): string =>
  [...recipe.oils]
    .sort((a, b) => b.share - a.share)
    .map(
      part =>
        `${(findById(shelf.oils, part.oil)?.name ?? part.oil).replace(/ (oil|butter).*/, '')} ${showShare(part.share, 0)}`,
    )
    .join(', ')

function List({ recipes, shelf }: { recipes: readonly RecipeAnswer[]; shelf: Shelf }) {
  const acts = useActs()
  const [open, setOpen] = useState<string | null>(null)
  if (recipes.length === 0)
    return (
      <p className="mb-8 text-soft">
        {t(
          'No recipe is saved yet. Compose one on a batch’s Batter page and choose “Save the recipe”: each change is kept as a version.',
        )}
      </p>
    )
  return (
    <ul className="mb-10 border-t border-line">
      {recipes.map(recipe => (
        <li key={recipe.id} className="border-b border-line py-3">
          <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
            <div className="min-w-0 flex-1 max-[600px]:basis-full">
              <p className="font-title text-xl font-semibold">{recipe.name}</p>
              <p>{told(recipe.recipe, shelf)}</p>
              <p className="text-[13px] text-soft">
                <button
                  className="underline"
                  aria-expanded={open === recipe.id}
                  onClick={() => setOpen(open === recipe.id ? null : recipe.id)}
                >
                  {t('version {version}', { version: recipe.version })}
                </button>
                {t(', saved {formatDistanceToNow}', {
                  formatDistanceToNow: ago(new Date(recipe.updatedAt)),
                })}
              </p>
            </div>
            <button className="button" onClick={() => acts.begin(recipe.name, recipe.recipe)}>
              <Play size={16} aria-hidden /> {t('Start a batch')}
            </button>
            <button
              className="quiet"
              aria-label={t('Delete {recipe}', { recipe: recipe.name })}
              onClick={() => acts.remove(recipe)}
            >
              <Trash2 size={17} aria-hidden />
            </button>
          </div>
          {open === recipe.id && <Versions id={recipe.id} name={recipe.name} shelf={shelf} />}
        </li>
      ))}
    </ul>
  )
}

function Versions({ id, name, shelf }: { id: string; name: string; shelf: Shelf }) {
  const { data } = useQuery(recipeVersionsQuery(id))
  const acts = useActs()
  return (
    <ul aria-label={t('Versions of {name}', { name })} className="mt-2 ml-4 border-l-2 border-line pl-4">
      {data?.map(version => (
        <li key={version.version} className="flex flex-wrap items-center gap-x-4 py-1.5">
          <span className="flex-1 max-[600px]:basis-full">
            <strong>{t('Version {version}', { version: version.version })}</strong>{' '}
            {version.reason && (
              <span>
                · <Say of={version.reason} />
              </span>
            )}
            <span className="block text-[13px] text-soft">
              {told(version.recipe, shelf)} · {ago(new Date(version.madeAt))}
              {version.member !== null && `, ${version.member}`}
            </span>
          </span>
          <button className="quiet" onClick={() => acts.begin(name, version.recipe)}>
            {t('Start a batch with it')}
          </button>
        </li>
      ))}
    </ul>
  )
}

function useActs() {
  const client = useQueryClient()
  const navigate = useNavigate()
  const toast = useToast()
  const refresh = () => client.invalidateQueries({ queryKey: ['recipes'] })
  const safely = async (act: () => Promise<void>) => {
    try {
      await act()
    } catch (error) {
      toast((error as Error).message)
    }
  }
  return {
    begin: (name: string, recipe: Recipe) =>
      void safely(async () => {
        const batch = await addBatch({ ...starterPlan(t('{name} batch', { name: name.slice(0, 72) })), recipe })
        await navigate(`/batches/${batch.id}/batter`)
      }),
    remove: (recipe: RecipeAnswer) =>
      void safely(async () => {
        await deleteRecipe(recipe.id)
        await refresh()
        const back = () => void safely(async () => void (await restoreRecipe(recipe.id).then(refresh)))
        toast(t('“{recipe}” is deleted. Batches keep their own.', { recipe: recipe.name }), {
          text: t('Undo'),
          run: back,
        })
      }),
  }
}
