import { describe, expect, test } from 'vitest'
import { forecast } from '../forecast/index.ts'
import { TOP_WAYS, applyEdit, layerHeights, plainCup, plannedMould, starterPlan } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import { stackLayers } from '../portions/layers.ts'
import { findById, referenceShelf } from '../shelf/index.ts'
import { designOf, hasSwirls } from '../look/swirl/design.ts'
import { diveMm, lookAt } from '../look/swirl/look.ts'
import { OUTSIDE, renderRows } from '../look/swirl/render.ts'
import { countedShares } from '../look/swirl/count.ts'
import { acrossView, alongView, levelView } from '../look/swirl/views.ts'
import { TECHNIQUES, madeBy } from './index.ts'
import { textureModes } from '../look/swirl/texture.ts'
import { say } from '../quantities/words/index.ts'

const shelf = referenceShelf()
const start = starterPlan('Techniques')

function made(plan: Plan, id: string): Plan {
  const technique = TECHNIQUES.find(one => one.id === id)!
  const { score, moves, finish } = madeBy(technique, plan)
  const result = applyEdit(plan, {
    kind: 'many',
    edits: [
      { kind: 'set', path: ['score'], value: score },
      { kind: 'set', path: ['moves'], value: moves },
      { kind: 'set', path: ['finish'], value: finish },
    ],
  })
  if (!result.ok) throw new Error(`${id}: ${say(result.sentence)}`)
  return result.plan
}

const slab = findById(shelf.moulds, 'slab-2500') ?? shelf.moulds.find(one => one.innerWidthMm > 150)!
const sizes: Record<string, Plan> = {
  'a loaf with three cups': start,
  'a loaf with two cups': {
    ...start,
    cups: start.cups.slice(0, 2),
    score: start.score.slice(0, 2).map((pour, i) => ({ ...pour, cup: `cup-${i + 1}` })),
  },
  'a slab with seven cups': {
    ...start,
    mould: plannedMould(slab),
    cups: [...start.cups, ...[4, 5, 6, 7].map(n => plainCup(`cup-${n}`, `Cup ${n}`))],
  },
}

describe.each(Object.entries(sizes))('in %s', (_, plan) => {
  test.each(TECHNIQUES.map(one => [one.name, one.id]))(
    '%s is a plan that can be forecast, its colours as poured',
    (_name, id) => {
      const design = made(plan, id)
      expect(forecast(design, shelf).ok).toBe(true)
      const { program, sentences } = designOf(design, [])
      // Seven thin layers in a slab cannot be as rough or as steep as in a loaf, and that is said.
      expect(sentences.filter(one => !/drawn (more evenly|flatter)/.test(say(one)))).toEqual([])
      const heights = layerHeights(design)
      const isTop = (k: number) => TOP_WAYS.includes(design.score[k]!.shape.way)
      const level = heights.reduce((sum, mm, k) => (isTop(k) ? sum : sum + mm), 0)
      expect(program.heightMm).toBeCloseTo(level, 6)
      expect(program.tops.length).toBe(heights.filter((_, k) => isTop(k)).length)
      const counted = countedShares(program, 24)
      // What is weighed for each cup is what the picture shows of it, embeds and mat left out.
      const layers = stackLayers(design).filter((_, k) => !isTop(k))
      const whole = layers.reduce((sum, layer) => sum + layer.volumeMl, 0)
      const batter = counted.slice(0, design.cups.length).reduce((sum, share) => sum + share, 0)
      design.cups.forEach((cup, i) => {
        const weighed = layers.reduce((sum, layer) => (layer.cup === cup.id ? sum + layer.volumeMl : sum), 0)
        // A dusted line takes a little from the layers beside it.
        expect(Math.abs(counted[i]! / batter - weighed / whole)).toBeLessThan(id === 'dusted' ? 0.03 : 0.013)
      })
    },
  )
})

test('only plain straight layers are no swirl', () => {
  expect(hasSwirls(made(start, 'straight'))).toBe(false)
  for (const { id } of TECHNIQUES) if (id !== 'straight') expect([id, hasSwirls(made(start, id))]).toEqual([id, true])
  const off = made(start, 'hanger')
  expect(hasSwirls({ ...off, moves: off.moves.map(move => ({ ...move, off: true })) })).toBe(false)
})

describe('what trace makes of it', () => {
  const levels = [1, 1.5, 2, 2.5, 3, 3.5, 4, 4.5]
  test('thicker batter has crisper edges, spreads less, is carried less far and is dived into less deep', () => {
    for (const key of ['edgeMm', 'frayMm', 'drag', 'spreadMm', 'dive'] as const) {
      const values = levels.map(level => lookAt(level)[key])
      expect(values).toEqual([...values].sort((a, b) => b - a))
    }
    const rough = levels.map(level => lookAt(level).textureMm)
    expect(rough).toEqual([...rough].sort((a, b) => a - b))
    expect(diveMm(200, lookAt(2))).toBeGreaterThan(diveMm(50, lookAt(2)))
    expect(diveMm(100, lookAt(1.5))).toBeGreaterThan(diveMm(100, lookAt(3.5)))
  })

  test('a tool through thick batter is warned of, through thin batter not', () => {
    const plan = made(start, 'hanger')
    const at = (level: number) =>
      designOf(
        plan,
        plan.score.map(() => level),
      )
        .sentences.map(one => say(one))
        .join()
    expect(at(4)).toContain('tears rather than flows')
    expect(at(2)).toBe('')
  })

  test.each(['wavy', 'rustic', 'clouds'] as const)(
    'a %s face has no mean, so it takes nothing from its layer',
    face => {
      const modes = textureModes(face, 230, 75, 3, 11)
      expect(modes.length).toBeGreaterThan(6)
      let sum = 0
      const n = 60
      for (let i = 0; i < n; i += 1)
        for (let j = 0; j < n; j += 1)
          for (let k = 0; k < modes.length; k += 3)
            sum +=
              modes[k + 2]! *
              Math.cos((modes[k]! * Math.PI * (i + 0.5)) / n) *
              Math.cos((modes[k + 1]! * Math.PI * (j + 0.5)) / n)
      expect(Math.abs(sum / (n * n))).toBeLessThan(1e-9)
      expect(textureModes(face, 230, 75, 3, 11)).toEqual(modes)
    },
  )
})

describe('views', () => {
  const { program } = designOf(made(start, 'hanger'), [2, 2, 2, 2, 2])

  test('meet where they cross: the same point has the same colour in all three', () => {
    const [x, y, z] = [0.37, 0.61, 0.55]
    const n = 400
    const across = acrossView(program, x, n)
    const along = alongView(program, y, n)
    const level = levelView(program, z, n)
    const colour = (view: typeof across, right: number, down: number) => {
      const picture = renderRows(program, view, 0, view.height, 'every-pixel')
      const [i, j] = [Math.floor(right * view.width), Math.floor(down * view.height)]
      return picture.first[j * view.width + i]
    }
    const found = [colour(across, y, 1 - z), colour(along, x, 1 - z), colour(level, x, 1 - y)]
    expect(new Set(found).size).toBe(1)
    expect(found[0]).not.toBe(OUTSIDE)
  })

  test('rows drawn apart make the same picture as all at once', () => {
    const view = acrossView(program, 0.5, 160)
    const half = Math.floor(view.height / 8) * 4
    const whole = renderRows(program, view, 0, view.height, 'every-pixel')
    const parts = [
      renderRows(program, view, 0, half, 'every-pixel'),
      renderRows(program, view, half, view.height, 'every-pixel'),
    ]
    expect([...parts[0]!.first, ...parts[1]!.first]).toEqual([...whole.first])
    expect([...parts[0]!.share, ...parts[1]!.share]).toEqual([...whole.share])
  })
})
