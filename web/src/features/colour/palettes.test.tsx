import { referenceShelf, starterPlan } from '@ostler/core'
import type { Palette } from '@ostler/core'
import { fireEvent, screen, waitFor } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'
import { answering, refusal } from '../../api/test/answering.ts'
import type { Asked } from '../../api/test/answering.ts'
import { useForecast, usePlan } from '../../plan/context.tsx'
import { opened } from '../../plan/test/opened.tsx'
import { saveFile } from '../../ui/save-file.ts'
import { coloursOfPicture } from '../../workers/colour.ts'
import { PalettesSection } from './palettes-section.tsx'

vi.mock('../../workers/colour.ts', () => ({ coloursOfPicture: vi.fn() }))
vi.mock('../../ui/save-file.ts', () => ({ saveFile: vi.fn() }))

beforeEach(() => localStorage.clear())
afterEach(() => {
  vi.unstubAllGlobals()
  vi.mocked(saveFile).mockReset()
  vi.mocked(coloursOfPicture).mockReset()
})

const start = starterPlan('Weir')
const dusk: Palette = {
  ...{ id: 'dusk', name: 'Dusk', source: 'measured', archived: false, note: '' },
  colours: ['#102030', '#a0b0c0'].map((hex, i) => ({ name: `Dusk ${i + 1}`, hex, doses: [] })),
} as unknown as Palette

function Section() {
  const plan = usePlan(state => state.plan)
  const forecast = useForecast()
  return forecast && <PalettesSection plan={plan} forecast={forecast} index={1} />
}

function show(palettes: readonly Palette[] = [], put?: () => unknown) {
  const kept = [...palettes]
  const sent = answering({
    'GET /shelf': () => ({ shelf: { ...referenceShelf(), palettes: kept }, revisions: { palettes: {} } }),
    ...Object.fromEntries(
      ['weir', 'weir-2', 'reeds', 'bar'].map(id => [
        `PUT /shelf/palettes/${id}`,
        put ??
          (({ body }: Asked) => {
            kept.push((body as { item: Palette }).item)
            return { kind: 'palettes', item: (body as { item: Palette }).item, revision: 1 }
          }),
      ]),
    ),
  })
  const batch = opened(start, <Section />, { asks: true })
  return { batch, saved: () => sent.map(({ body }) => (body as { item: Palette; revision: number }).item) }
}
const give = (label: string, file: File) => {
  const input = screen.getByLabelText(label)
  Object.defineProperty(input, 'files', { value: [file], configurable: true })
  fireEvent.change(input)
}
const text = (name: string, content: string) => new File([content], name, { type: 'text/plain' })

describe('keeping', () => {
  test('the cups as they cure with the doses that make them; the same name again is numbered', async () => {
    const { saved, batch } = show()
    const { result } = batch.get()
    if (!result.ok) throw new Error('no forecast')
    await screen.findByText(/^None yet/)
    fireEvent.click(screen.getByRole('button', { name: 'Keep these cups as a palette' }))
    expect(await screen.findByRole('link', { name: 'Weir' })).toBeTruthy()
    const [first] = saved()
    expect(first!.colours.map(colour => colour.name)).toEqual(start.cups.map(cup => cup.name))
    for (const { hex } of first!.colours) expect(hex).toMatch(/^#[0-9a-f]{6}$/)
    const [weighed] = result.forecast.portions.cups[0]!.colours
    const [dose] = first!.colours[0]!.doses
    expect(dose!.colorant).toBe(start.cups[0]!.colorants[0]!.colorant)
    expect(dose!.doseGPerKg).toBeCloseTo(weighed!.doseGPerKg, 2)
    fireEvent.click(screen.getByRole('button', { name: 'Keep these cups as a palette' }))
    expect(await screen.findByRole('link', { name: 'Weir, 2' })).toBeTruthy()
    expect(new Set(saved().map(({ id }) => id)).size).toBe(2)
  })

  test('what the server refuses is told; nothing is lost', async () => {
    show([], () => refusal(413, 'The shelf is full.'))
    await screen.findByText(/^None yet/)
    fireEvent.click(screen.getByRole('button', { name: 'Keep these cups as a palette' }))
    expect(await screen.findByText('The shelf is full.')).toBeTruthy()
    expect(screen.getByRole('button', { name: 'Keep these cups as a palette' }).hasAttribute('disabled')).toBe(false)
  })
})

describe('from files', () => {
  test('a palette of plain text becomes one of the shelf under its name', async () => {
    const { saved } = show()
    await screen.findByText(/^None yet/)
    give('Palette file', text('reeds.gpl', 'GIMP Palette\nName: Reeds\n#\n 16  32  48\tDeep\n160 176 192\tPale\n'))
    await waitFor(() => expect(saved()).toHaveLength(1))
    expect(saved()[0]).toMatchObject({ name: 'Reeds', colours: [{ name: 'Deep', hex: '#102030' }, { name: 'Pale' }] })
  })

  test('what is none, or too large for one, gets a sentence and is not sent', async () => {
    const { saved } = show()
    await screen.findByText(/^None yet/)
    give('Palette file', text('shopping.txt', 'lye, oils, gloves'))
    await waitFor(() => expect(screen.getByRole('status').textContent).not.toBe(''))
    const first = screen.getByRole('status').textContent
    give('Palette file', text('huge.gpl', ' '.repeat(600_000)))
    expect(await screen.findByText('A palette is a small text file; this one is over 512 kB.')).toBeTruthy()
    expect(first).not.toContain('512')
    expect(saved()).toEqual([])
  })

  test('a photograph gives its colours with how much of it each takes; one without any says why', async () => {
    const { saved } = show()
    await screen.findByText(/^None yet/)
    vi.mocked(coloursOfPicture).mockResolvedValueOnce({
      ok: true,
      colours: [
        { hex: '#334455', share: 0.62 },
        { hex: '#ddccbb', share: 0.38 },
      ],
    })
    give('Photograph', new File(['x'], 'bar.jpg', { type: 'image/jpeg' }))
    await waitFor(() => expect(saved()).toHaveLength(1))
    expect(saved()[0]).toMatchObject({ name: 'bar', colours: [{ name: '62 %', hex: '#334455' }, { name: '38 %' }] })
    vi.mocked(coloursOfPicture).mockResolvedValueOnce({ ok: false, sentence: 'This is no picture.' })
    give('Photograph', new File(['x'], 'none.jpg', { type: 'image/jpeg' }))
    expect(await screen.findByText('This is no picture.')).toBeTruthy()
  })

  test('a slow file that was given first does not wipe away what a later one says', async () => {
    show()
    await screen.findByText(/^None yet/)
    let answer: (value: { ok: false; sentence: string }) => void = () => undefined
    vi.mocked(coloursOfPicture).mockReturnValueOnce(new Promise(resolve => (answer = resolve)))
    give('Photograph', new File(['x'], 'slow.jpg', { type: 'image/jpeg' }))
    give('Palette file', text('huge.gpl', ' '.repeat(600_000)))
    expect(await screen.findByText(/over 512 kB/)).toBeTruthy()
    answer({ ok: false, sentence: 'Too late to matter.' })
    await Promise.resolve()
    expect(screen.getByText(/over 512 kB/)).toBeTruthy()
    expect(screen.queryByText('Too late to matter.')).toBeNull()
  })
})

describe('using', () => {
  test('a colour becomes the wish of the cup that is shown; all of them become those of the cups in order', async () => {
    const { batch } = show([dusk])
    const wishes = () => batch.get().plan.cups.map(cup => cup.wish)
    fireEvent.click(await screen.findByRole('button', { name: 'Wish for Dusk 2' }))
    expect(wishes()[1]).toBe('#a0b0c0')
    expect(wishes()[0]).toBeNull()
    fireEvent.click(screen.getByRole('button', { name: 'all cups' }))
    expect(wishes().slice(0, 3)).toEqual(['#102030', '#a0b0c0', null])
    batch.undo()
    batch.undo()
    expect(wishes()).toEqual(start.cups.map(cup => cup.wish))
  })

  test('goes out as plain palette text, and with its doses', async () => {
    show([dusk])
    fireEvent.click(await screen.findByRole('button', { name: 'Export Dusk as plain palette text' }))
    fireEvent.click(screen.getByRole('button', { name: 'Export Dusk with doses' }))
    const [plain, whole] = vi.mocked(saveFile).mock.calls
    expect(plain![0]).toBe('dusk.gpl')
    expect(plain![1]).toMatch(/16\s+32\s+48/)
    expect(JSON.parse(whole![1] as string)).toMatchObject({ name: 'Dusk' })
  })
})
