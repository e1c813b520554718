import { newItem, referenceShelf, shelfKinds } from '@ostler/core'
import type { ShelfAnswer, ShelfItem, ShelfKind } from '@ostler/core'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react'
import { MemoryRouter } from 'react-router'
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'
import { shelfQuery } from '../../api/client.ts'
import { SaidAsLiked } from '../../plan/context.tsx'
import { ToastPlace } from '../../ui/toast.tsx'
import { itemDrafts } from './drafts.ts'
import { ItemEditor } from './item-editor.tsx'
import { addFrom } from '../../plan/test/adding.ts'

/** The server's shelf, in memory: revisions and conflicts. */
class FakeShelf {
  saves: { kind: string; item: ShelfItem; revision: number }[] = []
  refusal: { status: number; body: object } | null = null

  answer(): ShelfAnswer {
    const shelf = referenceShelf()
    const revisions = Object.fromEntries(
      shelfKinds.map(kind => [kind, Object.fromEntries(shelf[kind].map(item => [item.id, 1]))]),
    ) as ShelfAnswer['revisions']
    return { shelf, revisions }
  }

  readonly fetch = (url: string, init: RequestInit): Promise<Response> => {
    const reply = (status: number, body: object) =>
      Promise.resolve(new Response(JSON.stringify(body), { status, headers: { 'content-type': 'application/json' } }))
    if (init.method === 'GET') return reply(200, this.answer())
    if (this.refusal) return reply(this.refusal.status, this.refusal.body)
    const { item, revision } = JSON.parse(init.body as string) as { item: ShelfItem; revision: number }
    const kind = url.split('/')[3]!
    this.saves.push({ kind, item, revision })
    return reply(200, { kind, item, revision: revision + 1 })
  }
}

let server: FakeShelf
beforeEach(() => {
  server = new FakeShelf()
  vi.stubGlobal('fetch', server.fetch)
})
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
  for (const kind of shelfKinds) for (const item of referenceShelf()[kind]) itemDrafts.drop(`${kind}/${item.id}`)
  for (const kind of shelfKinds) itemDrafts.drop(`${kind}/new`)
})

function show(kind: ShelfKind, id: string): void {
  const queries = new QueryClient({ defaultOptions: { queries: { retry: false, staleTime: Infinity } } })
  queries.setQueryData(shelfQuery.queryKey, server.answer())
  render(
    <QueryClientProvider client={queries}>
      <MemoryRouter>
        <SaidAsLiked>
          <ToastPlace>
            <ItemEditor kind={kind} id={id} />
          </ToastPlace>
        </SaidAsLiked>
      </MemoryRouter>
    </QueryClientProvider>,
  )
}
const field = (label: string | RegExp) => screen.getByLabelText<HTMLInputElement>(label)
const type = (label: string | RegExp, text: string) => {
  fireEvent.change(field(label), { target: { value: text } })
  fireEvent.blur(field(label))
}
const save = () => fireEvent.click(screen.getByRole('button', { name: 'Save' }))

describe('the editor of an item', () => {
  test('saves what was changed on the revision it had, in the unit kept inside', async () => {
    show('oils', 'olive')
    expect(screen.queryByRole('button', { name: 'Save' })).toBeNull()
    type(/^Usual most/, '80')
    type(/^Melts at/, '25 F')
    save()
    await waitFor(() => expect(server.saves).toHaveLength(1))
    expect(server.saves[0]).toMatchObject({ kind: 'oils', revision: 1, item: { id: 'olive', usualMostShare: 0.8 } })
    expect((server.saves[0]!.item as unknown as { meltC: number }).meltC).toBeCloseTo(-3.89, 2)
  })

  test.each<[ShelfKind, string, RegExp, string, RegExp]>([
    ['oils', 'olive', /^Oleic/, '120', /from 0 to 100 %/],
    ['oils', 'olive', /^Density/, 'heavy', /is not a number/],
    ['scents', 'eo-lavender', /^Limit, %/, '30', /from 0 to 20 %/],
    ['vessels', 'jug-pp-1000', /^Holds to the brim/, '5', /from 20 to 60000 ml/],
  ])('%s %s: what cannot be is told beside the field and stays', (kind, id, label, text, sentence) => {
    show(kind, id)
    type(label, text)
    expect(screen.getByText(sentence)).toBeTruthy()
    expect(field(label).value).toBe(text)
    save()
    expect(screen.getByText(/A value cannot be read yet/)).toBeTruthy()
    expect(server.saves).toEqual([])
  })

  test('acids that come to more than the whole are told at saving', () => {
    show('oils', 'olive')
    type(/^Palmitic/, '40')
    save()
    expect(screen.getAllByText(/The fatty acids add up to 1\d\d/).length).toBeGreaterThan(0)
    expect(server.saves).toEqual([])
  })

  test('taken back, it is as it was stored', () => {
    show('oils', 'olive')
    type('Name', 'Other')
    fireEvent.click(screen.getByRole('button', { name: 'Take back' }))
    expect(field('Name').value).toBe('Olive oil, refined')
    expect(screen.queryByRole('button', { name: 'Save' })).toBeNull()
  })

  test('changed in another window: take that, or save over it on its revision', async () => {
    const theirs = { ...referenceShelf().oils.find(oil => oil.id === 'olive')!, note: 'Theirs.' }
    server.refusal = {
      status: 409,
      body: { sentence: 'This oil was changed.', item: { kind: 'oils', item: theirs, revision: 5 } },
    }
    show('oils', 'olive')
    type('Note', 'Mine.')
    save()
    await screen.findByText('This oil was changed.')
    expect(field('Note').value).toBe('Mine.')
    server.refusal = null
    fireEvent.click(screen.getByRole('button', { name: 'Save mine over it' }))
    await waitFor(() => expect(server.saves).toMatchObject([{ revision: 5, item: { note: 'Mine.' } }]))
  })

  test('the server away: a sentence, and what was typed stays', async () => {
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('Failed to fetch')))
    show('liquids', 'tea-black')
    type('Note', 'Strong.')
    save()
    await screen.findByText(/cannot be reached/)
    expect(field('Note').value).toBe('Strong.')
  })

  test('archiving saves at once', async () => {
    show('colorants', 'charcoal')
    fireEvent.click(screen.getByRole('button', { name: 'Archive' }))
    await waitFor(() => expect(server.saves).toMatchObject([{ item: { id: 'charcoal', archived: true } }]))
  })

  test('a new item gets its id from its name, and a name that is taken is refused', async () => {
    show('tools', 'new')
    type('Name', 'spatula')
    save()
    expect(screen.getAllByText(/Another tool has this name already/).length).toBeGreaterThan(0)
    type('Name', 'Cheese wire')
    save()
    await waitFor(() =>
      expect(server.saves).toMatchObject([{ revision: 0, item: { id: 'cheese-wire', name: 'Cheese wire' } }]),
    )
  })

  test('a lot starts full; spoilt numbers are not taken', async () => {
    show('oils', 'olive')
    fireEvent.click(screen.getByRole('button', { name: 'Add a lot' }))
    fireEvent.change(field('bought of lot 1'), { target: { value: '1 lb' } })
    fireEvent.change(field('left of lot 1'), { target: { value: 'half' } })
    fireEvent.change(field('cost of lot 1'), { target: { value: '9,50' } })
    save()
    await waitFor(() => expect(server.saves).toHaveLength(1))
    const [lot] = server.saves[0]!.item.lots
    expect(lot).toMatchObject({ cost: 9.5 })
    expect(lot!.bought).toBeCloseTo(453.59, 1)
    expect(lot!.left).toBeCloseTo(453.59, 1)
  })

  test('the parts of a blend must make 100 %', () => {
    const blend = { ...newItem('scents'), id: 'new', name: 'Blend', type: 'blend' as const }
    itemDrafts.keep('scents/new', { item: blend, typed: {}, revision: 0 })
    show('scents', 'new')
    addFrom('Add a part', 'eo-lavender')
    fireEvent.change(field('Share of part 1'), { target: { value: '60' } })
    expect(screen.getByText('60 % in all')).toBeTruthy()
    save()
    expect(screen.getAllByText(/The parts of a blend add up to 100 %, these to 60/).length).toBeGreaterThan(0)
    expect(server.saves).toEqual([])
  })

  test('a vessel that lye destroys says so; an old address says so too', () => {
    show('vessels', 'pan-aluminium-2000')
    expect(screen.getByText(/Lye eats aluminium/)).toBeTruthy()
    cleanup()
    show('oils', 'nowhere')
    expect(screen.getByText(/There is no such oil/)).toBeTruthy()
  })
})
