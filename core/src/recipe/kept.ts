import { fact } from '../quantities/facts/index.ts'
import { problemsIn, tidied } from '../document/fields/index.ts'
import { opened } from '../document/kept/index.ts'
import type { Kind, Opened } from '../document/kept/index.ts'
import { Recipe } from './recipe-part.ts'

/** Goes up whenever the form of kept recipes changes, with a step up. */
export const RECIPE_VERSION = 1

/** Recipes that a workshop keeps. The one of today is what a plan holds, without a place of origin. */
const RECIPES: Kind<Recipe> = {
  format: 'ostler-recipe',
  version: RECIPE_VERSION,
  steps: {},
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
