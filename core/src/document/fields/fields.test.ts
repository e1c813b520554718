import { validateSync } from 'class-validator'
import { describe, expect, test } from 'vitest'
import {
  Choice,
  Id,
  NumberFrom,
  Part,
  Parts,
  Text,
  Whole,
  fieldAt,
  problemsIn,
  settled,
  started,
  tidied,
} from './index.ts'
import { describedFields } from './describe.ts'
import { placeOf } from './place.ts'
import { said } from '../../quantities/words/index.ts'

class Leaf {
  @Id()
  id!: string

  @NumberFrom(0, 1, 'A share is from 0 to 100 %.', { start: 0.5 })
  share!: number
}

class Tree {
  @Text(1, 10, 'A name has 1 to 10 letters.', { says: 'What it is called.' })
  name!: string

  @Whole(0, 6, 'Whole layers, 0 to 6.', { start: 2 })
  layers!: number

  @Choice(['a', 'b'], 'One of a, b.', { start: 'a', orNull: true })
  way!: 'a' | 'b' | null

  @Part(() => Leaf, 'The leaf is missing.', { orNull: true })
  leaf!: Leaf | null

  @Parts(() => Leaf, 0, 3, 'At most three leaves.')
  leaves!: Leaf[]
}

const leaf = (id: string, share = 0.5): Leaf => started(Leaf, { id, share })
const tree = started(Tree, { name: 'Oak', leaves: [leaf('one'), leaf('two')] })

describe('a field described once', () => {
  test('starts as it says, in its order', () => {
    expect(tree).toEqual({ name: 'Oak', layers: 2, way: 'a', leaf: null, leaves: [leaf('one'), leaf('two')] })
    expect(Object.keys(tidied(Tree, { leaves: [], leaf: null, way: null, layers: 1, name: 'x' }))).toEqual(
      describedFields(Tree).map(field => field.key),
    )
    expect(() => started(Leaf)).toThrow('Leaf.id has no starting value')
  })

  test.each([
    ['name', '', 'A name has 1 to 10 letters.'],
    ['layers', 1.5, 'Whole layers, 0 to 6.'],
    ['layers', 7, 'Whole layers, 0 to 6.'],
    ['way', 'c', 'One of a, b.'],
    ['leaf', 3, 'The leaf is missing.'],
    ['leaves', [leaf('one'), leaf('two'), leaf('three'), leaf('four')], 'At most three leaves.'],
  ] as const)('%s: %j is told in its sentence, and the validator of forms agrees', (key, value, sentence) => {
    const wrong = { ...tree, [key]: value }
    expect(problemsIn(Tree, wrong)).toMatchObject([{ path: key, sentence: { fact: sentence } }])
    expect(validateSync(Object.assign(new Tree(), { ...wrong, ...(key !== 'leaves' && { leaves: [] }) })).length).toBe(
      1,
    )
  })

  test('what lies deeper is named by its place; names that do not belong, and what is no object, are told', () => {
    const deep = { ...tree, leaves: [leaf('one'), { ...leaf('two'), share: 2 }], odd: 1 }
    expect(problemsIn(Tree, deep).map(one => one.path)).toEqual(['leaves[1].share', 'odd'])
    expect(problemsIn(Tree, [])).toHaveLength(1)
    expect(problemsIn(Tree, tree)).toEqual([])
  })

  test('what was right before and is the same is not looked at again', () => {
    const broken = { ...tree, name: '' }
    expect(problemsIn(Tree, { ...broken, layers: 3 }, '', broken)).toEqual([])
    expect(problemsIn(Tree, { ...broken, layers: 9 }, '', broken)).toHaveLength(1)
  })

  test('made anew and come to the same, it is the same object', () => {
    const copy = JSON.parse(JSON.stringify(tree)) as Tree
    expect(settled(Tree, copy, tree)).toBe(tree)
    const moved = settled(Tree, { ...copy, leaves: [copy.leaves[1]!, copy.leaves[0]!] }, tree)
    expect(moved.leaves[0]).toBe(tree.leaves[1])
    expect(settled(Tree, { ...copy, name: 'Elm' }, tree).leaves).toBe(tree.leaves)
  })

  test('a place is picked by a function and found again', () => {
    const place = placeOf<Tree>(one => one.leaves[1]!.share)
    expect(place).toEqual(['leaves', 1, 'share'])
    expect(said(fieldAt(Tree, place))).toMatchObject({ key: 'share', from: 0, to: 1 })
    expect(fieldAt(Tree, ['leaves', 0, 'gone'])).toBeNull()
  })
})
