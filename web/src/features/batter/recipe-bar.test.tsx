import { orderedRecipe, starterPlan } from '@ostler/core'
import type { Plan, RecipeAnswer, RecipeForm, RecipeVersionAnswer } from '@ostler/core'
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { opened } from '../../plan/test/opened.tsx'
import { RecipeBar } from './recipe-bar.tsx'

const ID = '0b0e7a52-7f7c-4d5e-9d57-3f6c1a2b4c5d'
const plan = starterPlan('Trial')
const saved = (version: number, superfatShare: number): RecipeVersionAnswer => ({
  version,
  member: null,
  reason: '',
  madeAt: '2026-11-23T12:00:00.000Z',
  recipe: orderedRecipe({ ...plan.recipe, name: 'Hem', superfatShare, origin: { recipe: ID, version } }),
})
const versions = [saved(2, 0.07), saved(1, 0.05)]

let sent: { url: string; form: RecipeForm }[] = []
let refusal: string | null = null

const reply = (status: number, value: unknown) =>
  Promise.resolve(new Response(JSON.stringify(value), { status, headers: { 'content-type': 'application/json' } }))
function fakeFetch(url: string, init: RequestInit): Promise<Response> {
  if (init.method === 'GET') {
    if (url.endsWith('/versions')) return reply(200, versions)
    if (!url.endsWith('/recipes')) return reply(200, { workshop: null, member: null })
    const newest: RecipeAnswer = {
      id: ID,
      name: 'Hem',
      version: 2,
      updatedAt: versions[0]!.madeAt,
      recipe: versions[0]!.recipe,
    }
    return reply(200, [newest])
  }
  if (refusal) return reply(409, { sentence: refusal })
  const form = JSON.parse(init.body as string) as RecipeForm
  sent.push({ url, form })
  return reply(200, { id: ID, name: form.name, version: (form.from ?? 0) + 1, updatedAt: '', recipe: form.recipe })
}

beforeEach(() => {
  sent = []
  refusal = null
  vi.stubGlobal('fetch', fakeFetch)
})
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

const show = (recipe: Plan['recipe']) => opened({ ...plan, recipe }, <RecipeBar />, { asks: true })

test('a batch of its own says so; a saved recipe is taken whole, with its version', async () => {
  const batch = show(plan.recipe)
  expect(screen.getByText('A recipe of this batch alone')).toBeTruthy()
  fireEvent.change(await screen.findByLabelText('Take a saved recipe'), { target: { value: ID } })
  expect(batch.get().plan.recipe).toMatchObject({ superfatShare: 0.07, name: 'Hem', origin: { version: 2 } })
  batch.undo()
  expect(batch.get().plan.recipe.origin).toBeNull()
})

test('what was changed since, and a newer version, are said; the newer one is one click away', async () => {
  const batch = show({ ...versions[1]!.recipe, superfatShare: 0.06 })
  expect(await screen.findByText(/changed here/)).toBeTruthy()
  fireEvent.click(await screen.findByText('take version 2'))
  expect(batch.get().plan.recipe.origin).toEqual({ recipe: ID, version: 2 })
})

test('saved as a version it builds on the newest, and the batch keeps the new one', async () => {
  const batch = show(versions[0]!.recipe)
  await screen.findByText(/version 2$/)
  fireEvent.click(screen.getByText('Save the recipe'))
  fireEvent.change(screen.getByLabelText(/What is new/), { target: { value: 'milder' } })
  fireEvent.click(screen.getByText('Save as version 3'))
  await waitFor(() => expect(sent).toHaveLength(1))
  expect(sent[0]!.url).toContain(`/recipes/${ID}/versions`)
  expect(sent[0]!.form).toMatchObject({ name: 'Hem', reason: 'milder', from: 2 })
  await waitFor(() => expect(batch.get().plan.recipe.origin).toEqual({ recipe: ID, version: 3 }))
})

test('a name that is taken is told, and what was typed stays', async () => {
  show(plan.recipe)
  refusal = 'Another recipe has this name already. Choose another name.'
  fireEvent.click(screen.getByText('Save the recipe'))
  fireEvent.change(screen.getByLabelText('Name of the recipe'), { target: { value: 'Hem' } })
  fireEvent.click(screen.getByText('Save as a new recipe'))
  expect(await screen.findByText(refusal)).toBeTruthy()
  expect(screen.getByLabelText<HTMLInputElement>('Name of the recipe').value).toBe('Hem')
  refusal = null
  fireEvent.change(screen.getByLabelText('Name of the recipe'), { target: { value: 'Seam' } })
  fireEvent.click(screen.getByText('Save as a new recipe'))
  await waitFor(() => expect(sent).toMatchObject([{ form: { name: 'Seam' } }]))
})
