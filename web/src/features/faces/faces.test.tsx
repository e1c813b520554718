import { acrossView, designOf, levelView, renderRows, starterPlan, startingTopping } from '@ostler/core'
import type { Picture, View } from '@ostler/core'
import { cleanup, fireEvent, screen } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'
import { opened } from '../../plan/test/opened.tsx'
import { faceSvg } from '../../drawing/face-svg.ts'
import { TurnedLoaf } from '../../drawing/turned-loaf.tsx'

const plan = starterPlan('Faces')
const design = designOf(plan, [])
const drawn = (view: View): Picture => renderRows(design.program, view, 0, view.height)

describe('a face as outlines', () => {
  const svg = faceSvg(
    drawn(acrossView(design.program, 0.5, 200)),
    ['#111111', '#222222', '#333333'],
    75,
    'Oat & <Slate>',
  )

  test('has one path for each colour, in mm, and a title that breaks nothing', () => {
    const file = new DOMParser().parseFromString(svg, 'image/svg+xml')
    expect(file.querySelector('parsererror')).toBeNull()
    expect(file.documentElement.getAttribute('viewBox')).toBe('0 0 75 60')
    expect([...file.querySelectorAll('path')].map(path => path.getAttribute('fill')).sort()).toEqual([
      '#111111',
      '#222222',
      '#333333',
    ])
  })

  test('straight layers lie where they were poured', () => {
    const file = new DOMParser().parseFromString(svg, 'image/svg+xml')
    const bottom = [...file.querySelectorAll('path')].find(path => path.getAttribute('fill') === '#111111')!
    const ys = [...bottom.getAttribute('d')!.matchAll(/[ML][\d.]+ ([\d.]+)/g)].map(found => Number(found[1]))
    // 40 % of 60 mm, from the bottom.
    expect(Math.min(...ys)).toBeCloseTo(36, 0)
    expect(Math.max(...ys)).toBeCloseTo(60, 0)
  })
})

/** A worker that keeps designs and draws them at once, as the real one does. */
class Hands {
  static made: Hands[] = []
  programs = new Map<number, typeof design.program>()
  calls: string[] = []
  constructor() {
    Hands.made.push(this)
  }
  take = (id: number, program: typeof design.program, forget: number | null) => {
    this.programs.set(id, program)
    if (forget !== null) this.programs.delete(forget)
    this.calls.push(`take ${id}`)
  }
  draw = async (id: number, view: View, from: number, to: number) => {
    this.calls.push(`draw ${from}-${to}`)
    const program = this.programs.get(id)
    return program ? renderRows(program, view, from, to) : null
  }
}

describe('the pool of face workers', () => {
  beforeEach(() => {
    Hands.made = []
    vi.resetModules()
    vi.doMock('comlink', () => ({ wrap: () => new Hands() }))
    vi.stubGlobal('Worker', class extends EventTarget {})
  })
  afterEach(() => {
    vi.doUnmock('comlink')
    vi.unstubAllGlobals()
  })

  test('sends a design once to each and puts their bands together', async () => {
    const { drawFace } = await import('../../workers/faces.ts')
    const view = acrossView(design.program, 0.5, 300)
    const told: number[] = []
    const picture = await drawFace(design.program, view, { onTold: share => told.push(share) })
    const whole = drawn(view)
    let off = 0
    picture.first.forEach((colour, n) => (off += colour === whole.first[n] ? 0 : 1))
    expect(off / whole.first.length).toBeLessThan(0.002)
    expect(told.at(-1)).toBe(1)
    await drawFace(design.program, view)
    for (const hands of Hands.made)
      expect(hands.calls.filter(call => call.startsWith('take')).length).toBeLessThanOrEqual(1)
    expect(Hands.made.length).toBeGreaterThanOrEqual(2)
  })

  test('stops between bands when nobody waits any more', async () => {
    const { drawFace } = await import('../../workers/faces.ts')
    const stop = new AbortController()
    const view = acrossView(design.program, 0.5, 900)
    const drawing = drawFace(design.program, view, {
      fineness: 'final',
      onTold: () => stop.abort(),
      signal: stop.signal,
    })
    await expect(drawing).rejects.toThrow()
    const bands = Hands.made.flatMap(hands => hands.calls).filter(call => call.startsWith('draw'))
    expect(bands.length).toBeLessThan(view.height / 64)
  })

  test('remembers so many designs and sends an old one again', async () => {
    const { drawFace } = await import('../../workers/faces.ts')
    const view = levelView(design.program, 0.5, 12)
    for (let i = 0; i < 70; i += 1) await drawFace({ ...design.program }, view)
    for (const hands of Hands.made) expect(hands.programs.size).toBeLessThanOrEqual(60)
    expect((await drawFace(design.program, view)).first).toHaveLength(view.width * view.height)
  })
})

describe('the block in space', () => {
  afterEach(cleanup)
  test('turns with the arrow keys and shows all sides that can be seen', () => {
    vi.stubGlobal(
      'Worker',
      class {
        addEventListener() {}
        removeEventListener() {}
        postMessage() {}
      },
    )
    const parts = {
      design,
      hexes: ['#111111', '#222222', '#333333'],
      names: ['Dark', 'Grey', 'Pale'],
      plan: { ...plan, finish: { ...plan.finish, toppings: [startingTopping('topping-1', 'mica')] } },
    }
    opened(plan, <TurnedLoaf {...parts} at={0.3} width={500} height={300} />)
    const block = screen.getByRole('application')
    const scene = block.firstElementChild as HTMLElement
    const before = scene.style.transform
    fireEvent.keyDown(block, { key: 'ArrowRight' })
    expect(scene.style.transform).not.toBe(before)
    for (let i = 0; i < 40; i += 1) fireEvent.keyDown(block, { key: 'ArrowUp' })
    expect(scene.style.transform).toContain('rotateX(-88deg)')
    expect(screen.getAllByRole('img')).toHaveLength(5)
    vi.unstubAllGlobals()
  })
})
