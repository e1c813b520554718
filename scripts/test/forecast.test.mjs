import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, test } from 'vitest'
import { ROOT } from '../lib/paths.mjs'

const folder = mkdtempSync(join(tmpdir(), 'ostler-'))
const example = join(ROOT, 'examples', 'quarry-bench.json')
const run = (...args) =>
  spawnSync(process.execPath, [join(ROOT, 'scripts', 'forecast.mjs'), ...args], { encoding: 'utf8', cwd: folder })
/** What the example comes to, worked out once. */
let told
const plain = () => (told ??= run(example))
const file = (name, text) => {
  const path = join(folder, name)
  writeFileSync(path, text)
  return path
}

describe('the forecast on the command line', () => {
  test('prints every result as JSON', () => {
    const { status, stdout } = plain()
    expect(status).toBe(0)
    const result = JSON.parse(stdout)
    expect(Object.keys(result)).toEqual([
      'format',
      'version',
      'plan',
      'portions',
      'recipe',
      'lanes',
      'quickens',
      'rest',
      'colours',
      'risk',
      'freeLye',
      'notices',
      'workings',
      'heat',
      'weighList',
      'preparation',
      'design',
      'remedies',
    ])
    expect(result.portions.lyeG).toBeGreaterThan(50)
  })

  test('prints the same for the same plan', () => {
    expect(run(example).stdout).toBe(plain().stdout)
  })

  test('says how a run stands, and refuses what is none', () => {
    const plan = JSON.parse(readFileSync(example, 'utf8'))
    const about = { noted: 5, at: '2026-11-30T10:00:00Z', source: 'hand' }
    const events = ['gear', 'air'].map((item, i) => ({
      key: `phone:${i + 1}`,
      kind: 'tick',
      r: i,
      item: `safety:${item}`,
      ...about,
    }))
    const id = '0b6f1c1e-6a56-4d0e-9a52-6b1d8c1f0a11'
    const made = { format: 'ostler-run', version: 1, id, openedAt: '2026-11-30T10:00:00Z', plan, events }
    const { run: stands } = JSON.parse(run(example, '--run', file('run.json', JSON.stringify(made))).stdout)
    expect(Object.keys(stands.state.ticked)).toEqual(['safety:gear', 'safety:air'])
    expect(stands.next[0].big).toBe('No children, no pets')
    expect(stands.minutesLeft).toEqual([])
    const { status, stderr } = run(example, '--run', file('no-run.json', JSON.stringify({ ...made, events: [{}] })))
    expect(status).toBe(1)
    expect(stderr).toContain('events[0].key')
  })

  test('takes a shelf of one’s own', async () => {
    const { referenceShelf } = await import('@ostler/core')
    const oils = referenceShelf().oils.map(oil => ({
      ...oil,
      sapKohMgPerG: oil.sapKohMgPerG * 1.05,
      sapKohHighMgPerG: oil.sapKohHighMgPerG * 1.05,
    }))
    const shelf = file('shelf.json', JSON.stringify({ ...referenceShelf(), oils }))
    const lye = ({ stdout }) => JSON.parse(stdout).portions.lyeG
    expect(lye(run(example, '--shelf', shelf))).toBeGreaterThan(lye(plain()) * 1.03)
  })

  test('lists what is wrong with a plan by path, value and sentence, and ends with 1', () => {
    const plan = JSON.parse(readFileSync(example, 'utf8'))
    plan.recipe.superfatShare = -1
    plan.cups[0].wish = 'red'
    const { status, stdout, stderr } = run(file('bad.json', JSON.stringify(plan)))
    expect(status).toBe(1)
    expect(stdout).toBe('')
    expect(stderr).toContain('recipe.superfatShare\t-1\tSuperfat is from 0 to 25 %')
    expect(stderr).toContain('cups[0].wish\t"red"\tA colour is written like')
  })

  test.each([
    ['no file', [], /Name a plan/],
    ['a file that is not there', ['nowhere.json'], /nowhere\.json cannot be read \(ENOENT\)/],
    ['a damaged file', [() => file('damaged.json', '{')], /damaged or not JSON/],
    ['a shelf that is none', [example, '--shelf', () => file('x.json', '{')], /is not JSON/],
    [
      'a shelf of another shape',
      [example, '--shelf', () => file('y.json', '{"oils":[{"id":"olive","sapKohMgPerG":"much"}]}')],
      /oils\[0\]\.sapKohMgPerG\t"much"/,
    ],
    [
      'a shelf with a list of numbers',
      [example, '--shelf', () => file('z.json', '{"scents":[5],"windows":7}')],
      /is not a shelf/,
    ],
  ])('%s gets one sentence and no stack', (_, args, sentence) => {
    const { status, stderr } = run(...args.map(arg => (typeof arg === 'function' ? arg() : arg)))
    expect(status).toBe(1)
    expect(stderr).toMatch(sentence)
    expect(stderr).not.toMatch(/\n\s+at /)
  })

  test('an oil that is not on the shelf is named', () => {
    const plan = JSON.parse(readFileSync(example, 'utf8'))
    plan.recipe.oils[0].oil = 'moonfat'
    expect(run(file('oil.json', JSON.stringify(plan))).stderr).toMatch(
      /recipe\.oils\[0\]\.oil\t“moonfat” is not on the shelf/,
    )
  })
})
