import { readFileSync, readdirSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import fc from 'fast-check'
import { applyEdit } from './edits.ts'
import type { Edit } from './edit.ts'
import { layerHeights } from './cavities.ts'
import { readPlan, readPlanText, writePlan } from './read.ts'
import { starterPlan } from './starter.ts'
import type { Plan } from './document.ts'
import { said, say } from '../quantities/words/index.ts'

const plan = starterPlan('Trial')
const EXAMPLES = new URL('../../../examples/', import.meta.url)
const sentences = (value: unknown) => {
  const result = readPlan(value)
  return result.ok ? [] : result.problems.map(problem => `${problem.path}: ${say(problem.sentence)}`)
}
const changed = (change: (draft: Plan) => void) => {
  const draft = structuredClone(plan)
  change(draft)
  return draft
}
const edited = (edit: Edit, from = plan): Plan => {
  const result = applyEdit(from, edit)
  if (!result.ok) throw new Error(say(result.sentence))
  return result.plan
}

describe('reading and writing', () => {
  test.each(readdirSync(EXAMPLES))('%s reads, and writes back the same bytes', file => {
    const text = readFileSync(new URL(file, EXAMPLES), 'utf8')
    const result = readPlanText(text)
    expect(result.ok && writePlan(result.plan)).toBe(text)
  })

  test.each<[string, (draft: Plan) => void, RegExp]>([
    ['negative superfat', d => (d.recipe.superfatShare = -0.05), /superfatShare: Superfat is from 0/],
    ['absurd purity', d => (d.recipe.lyePurityShare = 9e99), /lyePurityShare/],
    ['empty name', d => (d.name = ''), /^name: A batch has a name/],
    ['number as text', d => (d.conditions.mixC = '30' as never), /conditions.mixC/],
    ['oils that sum to 0', d => d.recipe.oils.forEach(part => (part.share = 0)), /oils add up to nothing/],
    ['no oils', d => (d.recipe.oils = []), /1 to 30 oils/],
    ['a layer of 1 mm', d => (d.score[0]!.share = 0.012), /Layer 1 would be 1\.18 mm/],
    [
      'a mould of 60 litres',
      d => Object.assign(d.mould, { innerLengthMm: 1400, innerWidthMm: 600, innerHeightMm: 80, fillMm: 75 }),
      /63\.0 litres/,
    ],
    [
      'a mould of 20 ml',
      d => Object.assign(d.mould, { innerLengthMm: 40, innerWidthMm: 25, innerHeightMm: 25, fillMm: 20 }),
      /20 ml/,
    ],
    ['soap above the rim', d => (d.mould.fillMm = 90), /stand 90 mm high in a mould of 70 mm/],
    [
      'thirteen cups',
      d => (d.cups = Array.from({ length: 13 }, (_, i) => ({ ...d.cups[0]!, id: `c${i}` }))),
      /1 to 12 cups/,
    ],
    ['waits of a day', d => d.score.forEach(pour => (pour.waitMin = 200)), /waits add up to 600 minutes/],
    ['a pour from no cup', d => (d.score[1]!.cup = 'gone'), /There is no cup “gone”/],
    ['two cups of one id', d => (d.cups[1]!.id = 'cup-1'), /already a cup “cup-1”/],
    ['an unknown name', d => Object.assign(d.mould, { colour: 'red' }), /mould.colour: This name does not belong/],
    ['a null part', d => (d.recipe.oils[0] = null as never), /recipe\.oils/],
    ['script as a wished colour', d => (d.cups[0]!.wish = '"><script>'), /A colour is written like/],
  ])('%s is refused with a sentence', (_, change, pattern) => {
    expect(sentences(changed(change)).join('\n')).toMatch(pattern)
  })

  test.each<[string, string, RegExp]>([
    ['damaged', '{"format": "ostler-plan", ', /damaged/],
    ['huge', ' '.repeat(300_000), /larger than 256 KB/],
    ['another format', '{"format":"x"}', /not an Ostler plan/],
    ['a list', '[]', /one JSON object/],
    ['newer', JSON.stringify({ ...plan, version: 99 }), /newer Ostler \(version 99/],
    ['deep', `{"format":"ostler-plan","version":1,"x":${'['.repeat(5000)}${']'.repeat(5000)}}`, /too deep/],
    ['hostile names', '{"format":"ostler-plan","version":1,"__proto__":{"ok":true}}', /names it must not/],
  ])('a %s file gets a sentence', (_, text, pattern) => {
    const result = readPlanText(text)
    expect(said(result.ok ? '' : result.problems[0]!.sentence)).toMatch(pattern)
  })

  test('any value gives a plan or problems with sentences, and never throws', () => {
    const anything = fc.anything({ withNullPrototype: true })
    const spoilt = fc
      .tuple(fc.constantFrom(...Object.keys(plan)), anything)
      .map(([key, value]) => ({ ...plan, [key]: value }))
    fc.assert(
      fc.property(fc.oneof(anything, spoilt), value => {
        const result = readPlan(value)
        return result.ok || result.problems.every(problem => say(problem.sentence).length > 5)
      }),
    )
  })
})

describe('edits', () => {
  const sum = (heights: number[]) => heights.reduce((a, b) => a + b, 0)

  test('whatever is dragged or typed, the layers fill the mould exactly and stay at least 2 mm', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(1), fc.double({ min: -50, max: 150, noNaN: true })), { maxLength: 12 }),
        moves => {
          const end = moves.reduce((now, [below, atMm]) => edited({ kind: 'move-boundary', below, atMm }, now), plan)
          const heights = layerHeights(end)
          expect(sum(heights)).toBeCloseTo(end.mould.fillMm, 6)
          expect(Math.min(...heights)).toBeGreaterThan(1.999)
        },
      ),
      { numRuns: 40 },
    )
  })

  test('a typed height is kept; the neighbour makes up the difference', () => {
    const heights = layerHeights(edited({ kind: 'set-layer-height', pour: 'pour-1', heightMm: 10 }))
    expect(heights.map(h => Number(h.toFixed(2)))).toEqual([10, 32, 18])
    const refused = applyEdit(plan, { kind: 'set-layer-height', pour: 'pour-3', heightMm: 50 })
    expect(said(refused.ok ? '' : refused.sentence)).toMatch(/At most 34\.0 mm here: the layer below/)
  })

  test('a refused value changes nothing and says where', () => {
    const result = applyEdit(plan, { kind: 'set', path: ['recipe', 'water', 'value'], value: 3 })
    expect(said(result)).toEqual({
      ok: false,
      path: 'recipe.water.value',
      sentence: 'Lye concentration is from 20 to 50 %; 27 to 33 % is usual.',
    })
  })

  test('pours and cups come and go; what is left still fills the mould', () => {
    const more = edited({ kind: 'add-pour', cup: 'cup-1', at: 3, id: 'pour-4' })
    expect(more.score.map(pour => pour.cup)).toEqual(['cup-1', 'cup-2', 'cup-3', 'cup-1'])
    const moved = edited({ kind: 'move-pour', pour: 'pour-4', to: 0 }, more)
    expect(moved.score[0]!.id).toBe('pour-4')
    const fewer = edited({ kind: 'remove-cup', cup: 'cup-1' }, moved)
    expect(fewer.score.map(pour => pour.id)).toEqual(['pour-2', 'pour-3'])
    for (const one of [more, moved, fewer]) expect(sum(layerHeights(one))).toBeCloseTo(60, 6)
    const last = edited({ kind: 'remove-cup', cup: 'cup-2' }, fewer)
    expect(applyEdit(last, { kind: 'remove-cup', cup: 'cup-3' }).ok).toBe(false)
  })

  test('oils that add up to 99.9 % are evened out to 100 %', () => {
    const off = edited({ kind: 'set', path: ['recipe', 'oils', 0, 'share'], value: 0.399 })
    const even = edited({ kind: 'fit-oils' }, off)
    expect(sum(even.recipe.oils.map(part => part.share))).toBeCloseTo(1, 9)
  })
})
