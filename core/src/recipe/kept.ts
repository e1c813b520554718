import { fact } from '../quantities/facts/index.ts'
import { problemsIn, tidied } from '../document/fields/index.ts'
import { opened } from '../document/kept/index.ts'
import type { Kind, Loose, Opened } from '../document/kept/index.ts'
import { Recipe } from './recipe-part.ts'

/** Goes up whenever the form of kept recipes changes, with a step up. */
export const RECIPE_VERSION = 2

const isLoose = (value: unknown): value is Loose => typeof value === 'object' && value !== null

/** Water to rinse with, and how plants are steeped. */
function toVersion2(recipe: Loose): Loose {
  const { oils } = recipe
  const steeped = (part: unknown) =>
    isLoose(part) && isLoose(part['infusion'])
      ? { ...part, infusion: { ...part['infusion'], way: 'warm', twice: false } }
      : part
  return { ...recipe, version: 2, oils: Array.isArray(oils) ? oils.map(steeped) : oils, rinseG: 0 }
}

/** Recipes that a workshop keeps. The one of today is what a plan holds, without a place of origin. */
const RECIPES: Kind<Recipe> = {
  format: 'ostler-recipe',
  version: RECIPE_VERSION,
  steps: { 1: toVersion2 },
  says: {
    noObject: fact('recipe.no-object'),
    otherFormat: fact('recipe.other-format'),
    tooDeep: fact('recipe.too-deep'),
    newer: version => fact('recipe.newer', { version, newest: RECIPE_VERSION }),
  },
  read({ format: _, version: __, ...recipe }) {
    const problems = problemsIn(Recipe, recipe)
    return problems.length > 0
      ? { ok: false, problems }
      : { ok: true, value: tidied(Recipe, recipe as unknown as Recipe) }
  },
}

/** A recipe as it was kept, of whatever version. Never throws. */
export const openedRecipe = (recipe: object, version: number): Opened<Recipe> =>
  opened(RECIPES, { ...recipe, format: RECIPES.format, version })
