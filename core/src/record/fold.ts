import type { Answer, Quality, GoneWay, RecordEntry, YieldPart } from './entry.ts'

/** What came of a batch, as far as it was noted. Days and times as the clock of the workshop showed them. */
export interface RecordState {
  unmouldedAt: string | null
  cutAt: string | null
  /** Bars that it was cut into; null: not said. */
  cutCount: number | null
  place: string
  turnedAt: string | null
  /** The last word on each sign, and on each aim. */
  signs: RecordEntry[]
  marks: Partial<Record<Quality, RecordEntry>>
  /** By part, g and pieces. */
  yields: Record<YieldPart, { massG: number; count: number }>
  gone: Record<GoneWay, number>
  goneCount: number
  goneAt: string | null
  /** The last answer to each question, and to each cause. */
  known: Record<string, Answer>
  causes: Record<string, Answer>
  /** What holds, in the order in which it happened. */
  entries: RecordEntry[]
}

const byTime = (a: RecordEntry, b: RecordEntry): number =>
  a.on.localeCompare(b.on) || a.noted.localeCompare(b.noted) || a.key.localeCompare(b.key)

/** What holds of entries in whatever order and however often they came: repeats go, then what was taken back. */
export function heldEntries(entries: readonly RecordEntry[]): RecordEntry[] {
  const once = [...new Map(entries.map(entry => [entry.key, entry])).values()]
  const undos = once.filter(entry => entry.kind === 'undo').sort((a, b) => byTime(b, a))
  const gone = new Set<string>()
  for (const undo of undos) if (undo.of !== undefined && !gone.has(undo.key)) gone.add(undo.of)
  return once.filter(entry => entry.kind !== 'undo' && !gone.has(entry.key)).sort(byTime)
}

const blank = (): RecordState => ({
  unmouldedAt: null,
  cutAt: null,
  cutCount: null,
  place: '',
  turnedAt: null,
  signs: [],
  marks: {},
  yields: {
    bars: { massG: 0, count: 0 },
    ends: { massG: 0, count: 0 },
    samples: { massG: 0, count: 0 },
    stuck: { massG: 0, count: 0 },
    spilt: { massG: 0, count: 0 },
  },
  gone: { sold: 0, given: 0, used: 0, discarded: 0 },
  goneCount: 0,
  goneAt: null,
  entries: [],
  known: {},
  causes: {},
})

/** The last word on a sign takes the place of the first. */
function withLast(signs: readonly RecordEntry[], entry: RecordEntry): RecordEntry[] {
  const isThere = signs.some(one => one.sign === entry.sign)
  return isThere ? signs.map(one => (one.sign === entry.sign ? entry : one)) : [...signs, entry]
}

function take(state: RecordState, entry: RecordEntry): void {
  const { kind, on, count = 0 } = entry
  switch (kind) {
    case 'unmoulded':
      state.unmouldedAt = on
      break
    case 'cut':
      state.cutAt = on
      state.cutCount = entry.count ?? null
      break
    case 'placed':
      state.place = entry.text ?? ''
      break
    case 'turned':
      state.turnedAt = on
      break
    case 'sign':
      state.signs = withLast(state.signs, entry)
      break
    case 'graded':
      if (entry.aim) state.marks[entry.aim] = entry
      break
    case 'yield': {
      const part = entry.part ? state.yields[entry.part] : null
      if (part) {
        part.massG += entry.massG ?? 0
        part.count += count
      }
      break
    }
    case 'gone':
      if (entry.way) state.gone[entry.way] += count
      state.goneCount += count
      state.goneAt = on
      break
    case 'known':
      if (entry.fact !== undefined && entry.answer) state.known[entry.fact] = entry.answer
      break
    case 'cause':
      if (entry.cause !== undefined && entry.answer) state.causes[entry.cause] = entry.answer
      break
    case 'next':
    case 'photo':
    case 'note':
    case 'undo':
  }
}

/** How a batch stands after all that was noted of it. Never throws. */
export function recordFold(entries: readonly RecordEntry[]): RecordState {
  const state = blank()
  state.entries = heldEntries(entries)
  for (const entry of state.entries) take(state, entry)
  return state
}
