import { compareRecipes } from '@ostler/core'
import type { RecipeAnswer, Shelf } from '@ostler/core'
import { useQueries } from '@tanstack/react-query'
import { useState } from 'react'
import { recipeVersionsQuery } from '../../api/client.ts'
import { Check } from '../../ui/check.tsx'
import { Choice } from '../../ui/choice.tsx'
import { Section } from '../../ui/section.tsx'
import { Say, useSay } from '../../ui/say.tsx'
import { t } from '../../words/index.ts'

/** Two recipes or versions side by side. */
export function CompareSection({ recipes, shelf }: { recipes: readonly RecipeAnswer[]; shelf: Shelf }) {
  const say = useSay()
  const all = useQueries({ queries: recipes.map(recipe => recipeVersionsQuery(recipe.id)) })
  const options = recipes.flatMap((recipe, i) =>
    (all[i]?.data ?? []).map(version => ({
      value: `${recipe.id}/${version.version}`,
      text: t('{recipe}, version {version}', { recipe: recipe.name, version: version.version }),
      recipe: version.recipe,
    })),
  )
  const [a, setA] = useState('')
  const [b, setB] = useState('')
  const [onlyDiffers, setOnlyDiffers] = useState(true)
  if (options.length < 2) return null
  const left = options.find(one => one.value === a) ?? options[0]!
  const right = options.find(one => one.value === b) ?? options[1]!
  const lines = compareRecipes(left.recipe, right.recipe, shelf)
  const choice = (label: string, value: string, onValue: (value: string) => void) => (
    <Choice bare className="w-full" {...{ label, value, options, onValue }} />
  )
  const shown = onlyDiffers ? lines.filter(line => line.differs) : lines
  return (
    <Section
      title={t('Compare two')}
      className="mb-10"
      aside={
        <Check
          className="text-[13px] text-soft"
          label={t('only what differs')}
          checked={onlyDiffers}
          onChange={setOnlyDiffers}
        />
      }
    >
      <table className="w-full max-w-180 table-fixed">
        <thead>
          <tr className="border-b border-ink">
            <th />
            <th className="py-1 text-left font-normal">{choice(t('First recipe'), left.value, setA)}</th>
            <th className="text-left font-normal">{choice(t('Second recipe'), right.value, setB)}</th>
          </tr>
        </thead>
        <tbody>
          {shown.map(line => (
            <tr key={say(line.label)} className="border-b border-line">
              <th className="py-1 text-left font-normal text-soft">
                <Say of={line.label} />
              </th>
              <td className={line.differs ? 'font-semibold' : ''}>
                <Say of={line.a} />
              </td>
              <td className={line.differs ? 'font-semibold' : ''}>
                <Say of={line.b} />
              </td>
            </tr>
          ))}
          {shown.length === 0 && (
            <tr>
              <td colSpan={3} className="py-2 text-soft">
                {t('They are the same.')}
              </td>
            </tr>
          )}
        </tbody>
      </table>
    </Section>
  )
}
