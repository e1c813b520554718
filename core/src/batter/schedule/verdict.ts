import { FALSE_TRACE } from '../trace/index.ts'
import type { PourRun, Run, SplitRun, ToolRun } from './run-state.ts'
import { normal } from '../../quantities/chance/index.ts'
import type { RunInput, PourTask, ToolTask } from './run-input.ts'
import { soundChance } from './splitting.ts'

/**
 * What can go wrong. A pour: too thick, too thin, not carried, diving too deep or not deep enough, or its cup set while it stood.
 * A tool: what it goes through is too thick or too thin. The batter: an emulsion that does not hold, a cup that is left short of
 * fat by being divided so, or fat that sets and looks like trace.
 */
export const FAULTS = {
  thick: 'too thick',
  thin: 'too thin',
  'not-carried': 'not carried',
  'too-deep': 'dives too deep',
  'too-high': 'stays too high',
  sets: 'sets where it stands',
  'tool-thick': 'too thick for the tool',
  'tool-thin': 'too thin for the tool',
  'not-emulsified': 'not emulsified',
  lean: 'a cup short of fat',
  'false-trace': 'false trace',
} as const
export type Fault = keyof typeof FAULTS

/** How likely a thing works in a run, given the model's own error, and what would be wrong with it. */
export interface Verdict {
  works: number
  fault: Fault
}

/** Level at which a standing cup is set, and the share of set cups that can still be stirred out. Engineering estimates. */
const SET = 4.5
const REVIVED = 0.4
/** A cup short of fat is lye-heavy from a point below none; the spread is known to about half a point (estimates). */
const SPARE_SUPERFAT = 0.01
const SUPERFAT_ERROR = 0.004
const FALSE_TRACE_ERROR = 0.3
/** A start so far below its window is no fault: bursts bring it up. */
const NEARLY = 0.05
/** ln of what a depth is known to, either way; and the least that is told apart, mm. */
const DEPTH_ERROR = Math.log(1.6)
const LEAST_DEPTH_MM = 0.5

/** An error of the model that is none. */
const SURE = 1e-6

const worst = (list: readonly Verdict[]): Verdict => list.reduce((a, b) => (b.works < a.works ? b : a))

const belowTop = (level: number, hi: number, error: number): number => normal((hi - level) / error)
const aboveFloor = (level: number, lo: number, error: number): number =>
  level >= lo - NEARLY ? 1 : normal((level - lo) / error)

/** How likely a stream goes as deep as it is to. */
function depthVerdicts({ depth }: PourTask, diveMm: number | null): Verdict[] {
  if (!depth || diveMm === null) return []
  const z = Math.max(LEAST_DEPTH_MM, diveMm)
  const ratio = (a: number, b: number) => (b <= 0 || a === Infinity ? 1 : normal(Math.log(a / b) / DEPTH_ERROR))
  return [
    { works: ratio(depth.mostMm, z), fault: 'too-deep' },
    { works: ratio(z, depth.leastMm), fault: 'too-high' },
  ]
}

/** How likely a pour of one run works. */
export const verdict = (input: RunInput, run: Run, i: number): Verdict => pourVerdict(input, i, run.pours[i]!)

/** How likely the i-th pour works, done so. */
export function pourVerdict(input: RunInput, i: number, pour: PourRun): Verdict {
  const { window, neverStops } = input.pours[i]!
  const error = input.levelError
  const isCarried =
    pour.carrierNeed === null || pour.carrierLevel === null || pour.carrierLevel >= pour.carrierNeed
      ? 1
      : normal((pour.carrierLevel - pour.carrierNeed) / error)
  // Whipped batter stands for hours, and what never stops never stands.
  const mayStand = !neverStops && !input.whipped
  const stands = mayStand ? 1 - (1 - REVIVED) * normal((pour.stoodLevel - SET) / error) : 1
  return worst([
    { works: belowTop(pour.endLevel, window.hi, error), fault: 'thick' },
    { works: isCarried, fault: 'not-carried' },
    { works: aboveFloor(pour.startLevel, window.lo, error), fault: 'thin' },
    ...depthVerdicts(input.pours[i]!, pour.diveMm),
    // Where the pour fails anyway, that is the plainer thing to say.
    { works: stands + 1e-6, fault: 'sets' },
  ])
}

export const toolVerdict = (input: RunInput, { window }: ToolTask, run: ToolRun): Verdict =>
  worst([
    { works: belowTop(run.highest, window.hi, input.levelError), fault: 'tool-thick' },
    { works: aboveFloor(run.lowest, window.lo, input.levelError), fault: 'tool-thin' },
  ])

/** How likely no cup is left short of fat by dividing the batter. */
export function leanVerdict(input: RunInput, split: SplitRun): Verdict {
  const off = Math.min(0, ...split.superfatOff)
  if (off === 0) return { works: 1, fault: 'lean' }
  const leanest = input.superfatShare + (1 - input.superfatShare) * off
  return { works: normal((leanest + SPARE_SUPERFAT) / SUPERFAT_ERROR), fault: 'lean' }
}

/** How likely the batter is sound: emulsified, no cup short of fat, and no fat that only looks like trace. */
export function splitVerdict(input: RunInput, split: SplitRun): Verdict & { works: number } {
  const parts: Verdict[] = [
    { works: soundChance(split.emulsion), fault: 'not-emulsified' },
    leanVerdict(input, split),
    {
      works: input.whipped ? 1 : normal((2 * FALSE_TRACE - split.falseLift) / FALSE_TRACE_ERROR),
      fault: 'false-trace',
    },
  ]
  return { works: parts.reduce((product, one) => product * one.works, 1), fault: worst(parts).fault }
}

/** Whether each pour of a run, with its tools, comes out wrong, as the run has it and without any error of the model. */
export const judgedFaults = (input: RunInput, run: Run): boolean[] => {
  const sure = { ...input, levelError: SURE }
  return input.pours.map((pour, i) => {
    const tools = pour.tools.map((tool, n) => toolVerdict(sure, tool, run.pours[i]!.tools[n]!))
    return [verdict(sure, run, i), ...tools].some(one => one.works < 0.5)
  })
}

export interface RunVerdict {
  pours: Verdict[]
  /** For each pour, its tools. */
  tools: Verdict[][]
  /** Of pours and tools alone: runs are common to all of them, so a batch works as often as its weakest within a run. */
  works: number
}

export function judge(input: RunInput, run: Run): RunVerdict {
  const pours = input.pours.map((_, i) => verdict(input, run, i))
  const tools = input.pours.map((pour, i) =>
    pour.tools.map((tool, n) => toolVerdict(input, tool, run.pours[i]!.tools[n]!)),
  )
  const works = run.neverEmulsified
    ? 0
    : Math.min(1, ...pours.map(one => one.works), ...tools.flat().map(one => one.works))
  return { pours, tools, works }
}
