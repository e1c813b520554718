import { describe, expect, test } from 'vitest'
import { forecast } from '../forecast/index.ts'
import {
  applyEdit,
  layerHeights,
  plainCup,
  plannedMould,
  startingEmbed,
  startingTopping,
  starterPlan,
} from '../plan/index.ts'
import type { Embed, Plan, Topping } from '../plan/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import { OUTSIDE, acrossView, alongView, crestMm, designOf, levelView, renderRows } from '../look/swirl/index.ts'
import { reliefAt } from '../look/swirl/overlay.ts'
import {
  TECHNIQUES,
  designChanges,
  designAdvice,
  designFrom,
  draggedToppings,
  fitDesign,
  madeBy,
  measuresOf,
  planOfDesign,
  readDesign,
  toppingPlaces,
  usualValues,
} from './index.ts'
import { said, say } from '../quantities/words/index.ts'

const shelf = referenceShelf()
const start = starterPlan('Design')
const technique = (id: string) => TECHNIQUES.find(one => one.id === id)!
const made = (id: string, plan: Plan = start): Plan => ({ ...plan, ...madeBy(technique(id), plan) })
const hexOf = () => '#336699'
const withFinish = (embeds: Partial<Embed>[], toppings: Partial<Topping>[] = []): Plan => ({
  ...start,
  finish: {
    ...start.finish,
    embeds: embeds.map((change, i) => ({ ...startingEmbed(`embed-${i + 1}`, 'pour-1'), ...change })),
    toppings: toppings.map((change, i) => ({
      ...startingTopping(`topping-${i + 1}`, change.kind ?? 'petals'),
      ...change,
    })),
  },
})
const advise = (plan: Plan, level = 2.2, measured = false) => {
  const levels = plan.score.map(() => level)
  const design = designOf(plan, levels)
  return designAdvice(plan, design, levels, measured ? measuresOf(design.program, plan) : null)
}
const sentences = (plan: Plan, level?: number, measured?: boolean) =>
  advise(plan, level, measured)
    .map(one => say(one.sentence))
    .join(' ')

describe('parameters of a technique', () => {
  test('stay within their range, and change the score', () => {
    const hanger = technique('hanger')
    expect(usualValues(hanger, start)).toEqual({ layers: 5, loops: 3 })
    expect(madeBy(hanger, start, { layers: 8, loops: 2 }).score).toHaveLength(8)
    expect(madeBy(hanger, start, { layers: 8, loops: 2 }).moves[0]!.count).toBe(2)
    expect(madeBy(hanger, start, { layers: 99, loops: -4 }).score).toHaveLength(12)
  })

  test.each(TECHNIQUES.map(one => [one.name, one] as const))('%s holds at both ends of its numbers', (_, one) => {
    for (const end of ['from', 'to'] as const) {
      const values = Object.fromEntries(one.parameters.map(parameter => [parameter.key, parameter[end]]))
      const plan = { ...start, ...madeBy(one, start, values) }
      const result = applyEdit(start, {
        kind: 'many',
        edits: (['score', 'moves', 'finish'] as const).map(key => ({ kind: 'set', path: [key], value: plan[key] })),
      })
      expect(said(result.ok ? '' : result.sentence)).toBe('')
    }
  })
})

describe('a design by itself', () => {
  const kept = designFrom(made('hanger'), 'Kept', hexOf)

  test('is read back as it was written; what is wrong with it is a sentence', () => {
    expect(readDesign(JSON.parse(JSON.stringify(kept)))).toEqual({ ok: true, design: kept })
    const bad: [unknown, RegExp][] = [
      [null, /object/],
      [{ ...kept, name: '' }, /name/],
      [{ ...kept, extra: 1 }, /does not belong/],
      [{ ...kept, score: [{ ...kept.score[0], cup: 'cup-9' }] }, /no cup/],
      [{ ...kept, moves: [{ ...kept.moves[0], after: 'pour-99' }] }, /no pour/],
    ]
    for (const [value, why] of bad) {
      const result = readDesign(value)
      expect(said(result.ok ? '' : result.problems[0]!.sentence)).toMatch(why)
    }
  })

  test('kept before pours had cavities and a depth it reads the same', () => {
    const plan = starterPlan('Elder')
    const now = designFrom(plan, 'Elder', () => '#336699')
    const elder = {
      ...now,
      version: 1,
      score: now.score.map(({ cavities: _, shape: { depth: __, ...shape }, ...pour }) => ({ ...pour, shape })),
    }
    expect(readDesign(elder)).toEqual(readDesign(now))
  })

  test('keeps only cups that are poured, and shows the same face', () => {
    const plan = { ...start, cups: [...start.cups, plainCup('cup-9', 'Spare')] }
    expect(designFrom(plan, 'Kept', hexOf).cups.map(cup => cup.id)).toEqual(['cup-1', 'cup-2', 'cup-3'])
    const again = designOf(planOfDesign(kept, start), []).program
    expect(JSON.stringify(again.ops)).toBe(JSON.stringify(designOf(made('hanger'), []).program.ops))
  })

  test.each(shelf.moulds.map(mould => [mould.name, mould] as const))(
    'every design fits %s, or is told of',
    (_, mould) => {
      const plan: Plan = { ...start, mould: plannedMould(mould) }
      for (const one of TECHNIQUES) {
        const four = { ...start, cups: [...start.cups, plainCup('cup-4', 'Four')] }
        const design = designFrom(made(one.id, four), one.name, hexOf)
        const { edits, sentences: told } = fitDesign(design, plan)
        const result = applyEdit(plan, { kind: 'many', edits })
        expect(said([one.id, result.ok ? '' : result.sentence])).toEqual([one.id, ''])
        if (!result.ok) continue
        if (design.cups.length > 3) expect(told.map(one => say(one)).join()).toContain('Four')
        const lost = design.moves.filter(move => ['hanger', 'spoon', 'fold'].includes(move.tool))
        if (lost.length > 0 && mould.form !== 'box')
          expect(told.map(one => say(one)).join()).toContain('need straight walls')
        expect(forecast(result.plan, shelf).ok).toBe(true)
      }
    },
  )

  test('in a low mould thin layers are made as thick as survives, and that is told', () => {
    const many = { ...start, ...madeBy(technique('straight'), start, { layers: 12 }) }
    const low: Plan = { ...start, mould: { ...start.mould, fillMm: 26 } }
    const thin = { ...many, score: many.score.map((pour, i) => ({ ...pour, share: i === 0 ? 0.6 : 0.4 / 11 })) }
    const { edits, sentences: told } = fitDesign(designFrom(thin, 'Thin', hexOf), low)
    const result = applyEdit(low, { kind: 'many', edits })
    expect(result.ok).toBe(true)
    if (result.ok) expect(Math.min(...layerHeights(result.plan))).toBeGreaterThan(1.99)
    expect(told.map(one => say(one)).join()).toContain('11 layers would be thinner than 2 mm here')
  })
})

describe('what stands on the top', () => {
  test.each(['peaks', 'piped', 'drizzle'])('%s hold the volume that was poured', id => {
    const plan = made(id)
    const { program } = designOf(plan, [])
    const poured = layerHeights(plan).at(-1)! * program.lengthMm * program.widthMm
    let sum = 0
    const n = 300
    for (let i = 0; i < n; i += 1)
      for (let j = 0; j < n; j += 1) {
        const [x, y] = [((i + 0.5) * program.lengthMm) / n, ((j + 0.5) * program.widthMm) / n]
        // The highest step at which there is still something.
        let [low, high] = [0, program.topMm + 1]
        for (let k = 0; k < 14; k += 1) {
          const mid = (low + high) / 2
          if (reliefAt(program, x, y, mid).colour >= 0) low = mid
          else high = mid
        }
        sum += low
      }
    expect((sum * program.lengthMm * program.widthMm) / (n * n) / poured).toBeCloseTo(1, 1)
  })

  test('shows as a silhouette in the cut and as light and shade from above', () => {
    const { program } = designOf(made('peaks'), [])
    expect(crestMm(program)).toBeGreaterThan(program.heightMm + 3)
    const cut = renderRows(program, alongView(program, 0.5, 120), 0, 8)
    expect(new Set(cut.first).has(OUTSIDE)).toBe(true)
    const view = levelView(program, 1, 60)
    const top = renderRows(program, view, 0, view.height)
    expect(new Set(top.light).size).toBeGreaterThan(20)
    expect(new Set(top.first)).toEqual(new Set([2]))
  })
})

describe('pieces in the picture', () => {
  test('a rod is as wide as planned, in its own colour', () => {
    const plan = withFinish([{ widthMm: 15, across: 0.5, height: 0.5 }])
    const { program, embedHexes } = designOf(plan, [])
    expect(embedHexes).toEqual(['#c9a24b'])
    const view = acrossView(program, 0.5, 300)
    const face = renderRows(program, view, 0, view.height, 'every-pixel')
    const mid = view.height >> 1
    const row = [...face.first.subarray(mid * 300, mid * 300 + 300)]
    expect(row.filter(colour => colour === program.colours - 1).length).toBeCloseTo((15 / 75) * 300, -1)
  })

  test('two colours poured at once share their stream by their weights', () => {
    for (const together of ['side', 'ends', 'mingled'] as const) {
      const score = start.score.map((pour, i) => (i === 1 ? { ...pour, together } : pour))
      const { program } = designOf({ ...start, score }, [])
      const view = levelView(program, 0.3, 200)
      const level = renderRows(program, view, 0, view.height, 'every-pixel')
      const share = [...level.first].filter(colour => colour === 0).length / level.first.length
      expect(Math.abs(share - 4 / 7)).toBeLessThan(0.03)
    }
  })
})

describe('toppings', () => {
  test('on the grid lie within their bars, clear of the cuts; strewn ones do not leave the mould', () => {
    const plan = withFinish(
      [],
      [
        { kind: 'petals', perBar: 3, sizeMm: 8 },
        { kind: 'seeds', perBar: 10 },
      ],
    )
    const { program } = designOf(plan, [])
    const places = toppingPlaces(plan, program)
    const petals = places.filter(place => place.topping.kind === 'petals')
    expect(petals).toHaveLength(3 * 8)
    for (const { x } of petals) {
      const inBar = (x - plan.cutting.trimMm) % (plan.cutting.barMm + plan.cutting.kerfMm)
      expect(inBar).toBeGreaterThan(4)
      expect(inBar).toBeLessThan(21)
    }
    expect(places.every(({ x, y }) => x >= 0 && x <= 230 && y >= 0 && y <= 75)).toBe(true)
    expect(toppingPlaces(plan, program)).toEqual(places)
  })

  test('hard ones in the way of the blade are told of, until it is cut on its side', () => {
    const plan = withFinish([], [{ kind: 'seeds' }, { kind: 'mica' }])
    expect(draggedToppings(plan).map(one => one.kind)).toEqual(['seeds'])
    const [advice] = advise(plan)
    expect(said(advice!.sentence)).toContain('dragged down')
    const fixed = applyEdit(plan, advice!.fix!.edit)
    expect(fixed.ok && advise(fixed.plan)).toEqual([])
  })
})

describe('what the geometry says', () => {
  test('a whipped piece floats up in thin batter and is held by thick; a heavy one sinks', () => {
    const light = withFinish([{ name: 'Whip', densityGPerMl: 0.75, widthMm: 25 }])
    expect(sentences(light, 1.5)).toContain('Whip floats up at trace 1.5')
    expect(sentences(light, 3)).toBe('')
    expect(sentences(withFinish([{ name: 'Stone', densityGPerMl: 1.6 }]), 1.5)).toContain('Stone sinks')
    const fix = advise(light, 1.5)[0]!.fix!
    expect(applyEdit(light, fix.edit).ok).toBe(true)
  })

  test('pieces near a wall, through it and out of the top are told of', () => {
    expect(sentences(withFinish([{ across: 0.14, widthMm: 18 }]))).toContain('from the wall and may show through')
    expect(sentences(withFinish([{ across: 0.02 }]))).toContain('through the wall')
    expect(sentences(withFinish([{ height: 1 }]))).toContain('out of the top')
    expect(sentences(withFinish([{ form: 'ball', everyBar: true, from: 0.5, to: 0.501 }]))).toContain('no bar lies')
  })

  test('too many strokes read as mud, and the fix has fewer', () => {
    const plan = made('hanger')
    expect(sentences(plan, 2, true)).not.toContain('muddy')
    const moves = Array.from({ length: 4 }, (_, i) => ({
      ...plan.moves[0]!,
      id: `move-${i + 1}`,
      count: 8,
      strength: 2,
    }))
    const wild = advise({ ...plan, moves }, 1.6, true).find(one => one.id === 'muddy')!
    expect(said(wild.sentence)).toContain('muddy')
    expect(said(wild.fix!.text)).toBe('hanger wire: 5 instead of 8')
  }, 20_000)

  test('a colour that no face shows, bars that differ, thin rough layers, and a top above the rim', () => {
    const lump = start.score.map((pour, i) => ({
      ...pour,
      share: [0.9, 0.05, 0.05][i]!,
      shape: { ...pour.shape, ...(i === 1 && { way: 'spots' as const, spreadMm: 6 }) },
    }))
    expect(
      sentences({ ...start, score: lump, cutting: { ...start.cutting, barMm: 75, trimMm: 0 } }, 2, true),
    ).toContain('hardly shows')
    const ends = start.score.map((pour, i) => (i === 1 ? { ...pour, together: 'ends' as const } : pour))
    expect(sentences({ ...start, score: ends }, 2, true)).toContain('Bars will differ')
    const rough = { ...start, ...madeBy(technique('rustic'), start, { layers: 12 }) }
    expect(sentences(rough)).toContain('thinner than 8 mm')
    const brim = { ...made('peaks'), mould: { ...start.mould, fillMm: 69 } }
    expect(sentences(brim)).toContain('above the mould’s rim')
  }, 20_000)
})

test('a tilted layer is to stay tilted until it stands; low peaks are told of', () => {
  const tilted = {
    ...start,
    score: start.score.map((pour, i) => (i > 0 ? pour : { ...pour, shape: { ...pour.shape, tiltDeg: 20 } })),
  }
  const words = (plan: typeof start, level: number) =>
    designAdvice(
      plan,
      designOf(plan, []),
      plan.score.map(() => level),
      null,
    )
      .map(one => say(one.sentence))
      .join(' ')
  expect(words(tilted, 2)).toMatch(/Layer 1 lies at 20°.*until it stands at [34]\.\d/)
  expect(words(start, 2)).not.toMatch(/tilted/)
  expect(words(made('peaks'), 3.3)).toMatch(/peaks hold about \d+ mm/)
  expect(words(made('peaks'), 4.6)).not.toMatch(/peaks hold/)
})

test('what became of a kept design is told by its name and its parts', () => {
  const before = designFrom(starterPlan('Any'), 'Withy', () => '#336699')
  const cups = before.cups.map((cup, i) => (i === 0 ? { ...cup, hex: '#993333' } : cup))
  expect(designChanges(before, before)).toEqual([])
  const changes = designChanges(before, { ...before, name: 'Osier', notes: 'slow', cups, moves: [] })
  expect(said(changes)).toEqual(['name: Withy → Osier', `the cup ${before.cups[0]!.name}`, 'notes'])
})
