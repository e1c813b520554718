import { RecipeForm, orderedRecipe } from '@ostler/core'
import { Router } from 'express'
import { formFrom, idFrom } from '../http/body.ts'
import { HttpError } from '../http/errors.ts'
import { visitorOf } from '../http/visitor.ts'
import type { AddVersionResult, RecipeStore } from './store.ts'

const GONE = 'There is no such recipe. It may have been deleted in another window.'
const TAKEN = 'Another recipe has this name already. Choose another name.'

function savedFrom(result: AddVersionResult) {
  if (result.ok) return result.saved
  if (result.reason === 'gone') throw new HttpError(404, GONE)
  if (result.reason === 'name')
    throw new HttpError(409, TAKEN, { problems: [{ path: 'name', value: '', sentence: TAKEN }] })
  throw new HttpError(
    409,
    'This recipe has a newer version, saved in another window. Look at it first, then save yours on top.',
  )
}

export function recipeRoutes(store: RecipeStore, now: () => Date): Router {
  const routes = Router()

  routes.get('/', async (req, res) => {
    res.json(await store.list(visitorOf(req).workshopId))
  })

  routes.get('/:id/versions', async (req, res) => {
    const versions = await store.versions(visitorOf(req).workshopId, idFrom(req.params.id))
    if (versions.length === 0) throw new HttpError(404, GONE)
    res.json(versions)
  })

  routes.post('/', async (req, res) => {
    const { name, reason, recipe } = formFrom(RecipeForm, req.body)
    res.status(201).json(savedFrom(await store.add(visitorOf(req), name.trim(), reason, orderedRecipe(recipe))))
  })

  routes.post('/:id/versions', async (req, res) => {
    const { name, reason, recipe, from } = formFrom(RecipeForm, req.body)
    if (from === undefined) throw new HttpError(400, 'A new version says which version it was made from.')
    res.json(
      savedFrom(
        await store.addVersion(visitorOf(req), idFrom(req.params.id), from, name.trim(), reason, orderedRecipe(recipe)),
      ),
    )
  })

  routes.delete('/:id', async (req, res) => {
    if (!(await store.setDeleted(visitorOf(req).workshopId, idFrom(req.params.id), now())))
      throw new HttpError(404, GONE)
    res.status(204).end()
  })

  routes.post('/:id/restore', async (req, res) => {
    const done = await store.setDeleted(visitorOf(req).workshopId, idFrom(req.params.id), null)
    if (done === 'name') throw new HttpError(409, TAKEN)
    if (!done) throw new HttpError(404, GONE)
    res.status(204).end()
  })

  return routes
}
