import { FALSE_TRACE } from '../trace/index.ts'
import type { Run, SplitRun, ToolRun } from './bench.ts'
import type { Job, ToolJob } from './job.ts'
import { MODEL_ERROR, normal } from './reading.ts'
import { BREAKS } from './splitting.ts'

/**
 * What can go wrong. A pour: too thick, too thin, not carried, or its cup set while it stood. A tool: what it goes through is
 * too thick or too thin. The pot: split before the emulsion holds, a cup that is left with too little superfat by that, or fat
 * that sets and looks like trace. An own batter, or the only cup, is not split: it can be poured before its emulsion holds.
 */
export const FAULTS = {
  thick: 'too thick',
  thin: 'too thin',
  'not-carried': 'not carried',
  sets: 'sets where it stands',
  'tool-thick': 'too thick for the tool',
  'tool-thin': 'too thin for the tool',
  'split-early': 'split too early',
  lean: 'a cup too lean',
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
/** Below so much superfat a bar is lye-heavy; the spread is known to about half a point. */
const LEAST_SUPERFAT = 0
const SUPERFAT_ERROR = 0.005
/** A split that moves the superfat by less than this is not to blame for a lean cup. */
const MATTERS = 0.0005
/** How sharply emulsions that break differ from those that hold. */
const EMULSION_ERROR = 0.05
const FALSE_TRACE_ERROR = 0.3
/** A start so far below its window is no fault: bursts bring it up. */
const NEARLY = 0.05

const worst = (list: readonly Verdict[]): Verdict => list.reduce((a, b) => (b.works < a.works ? b : a))

const belowTop = (level: number, hi: number): number => normal((hi - level) / MODEL_ERROR)
const aboveFloor = (level: number, lo: number): number =>
  level >= lo - NEARLY ? 1 : normal((level - lo) / MODEL_ERROR)

/** How likely a pour of one run works. */
export function verdict(job: Job, run: Run, i: number): Verdict {
  const pour = run.pours[i]!
  const { window } = job.pours[i]!
  const isCarried =
    pour.carrierNeed === null || pour.carrierLevel === null || pour.carrierLevel >= pour.carrierNeed
      ? 1
      : normal((pour.carrierLevel - pour.carrierNeed) / MODEL_ERROR)
  const stands = 1 - (1 - REVIVED) * normal((pour.stoodLevel - SET) / MODEL_ERROR)
  return worst([
    { works: belowTop(pour.endLevel, window.hi), fault: 'thick' },
    { works: isCarried, fault: 'not-carried' },
    { works: aboveFloor(pour.startLevel, window.lo), fault: 'thin' },
    // Where the pour fails anyway, that is the plainer thing to say.
    { works: stands + 1e-6, fault: 'sets' },
  ])
}

export const toolVerdict = ({ window }: ToolJob, run: ToolRun): Verdict =>
  worst([
    { works: belowTop(run.highest, window.hi), fault: 'tool-thick' },
    { works: aboveFloor(run.lowest, window.lo), fault: 'tool-thin' },
  ])

/** How likely the leanest cup keeps some superfat, as far as the split is to blame: the plan's own is told apart. */
export function leanVerdict(job: Job, split: SplitRun): Verdict {
  const off = Math.min(0, ...split.superfatOff)
  if (off > -MATTERS) return { works: 1, fault: 'lean' }
  const leanest = job.superfatShare + (1 - job.superfatShare) * off
  return { works: normal((leanest - LEAST_SUPERFAT) / SUPERFAT_ERROR), fault: 'lean' }
}

/** How likely the split gives cups of sound batter. */
export function splitVerdict(job: Job, split: SplitRun): Verdict {
  return worst([
    { works: normal((split.emulsion - BREAKS) / EMULSION_ERROR), fault: 'split-early' },
    leanVerdict(job, split),
    { works: normal((2 * FALSE_TRACE - split.falseLift) / FALSE_TRACE_ERROR), fault: 'false-trace' },
  ])
}

export interface RunVerdict {
  pours: Verdict[]
  /** For each pour, its tools. */
  tools: Verdict[][]
  /** Of pours and tools alone: runs are common to all of them, so a batch works as often as its weakest within a run. */
  works: number
}

export function judge(job: Job, run: Run): RunVerdict {
  const pours = job.pours.map((_, i) => verdict(job, run, i))
  const tools = job.pours.map((pour, i) => pour.tools.map((tool, n) => toolVerdict(tool, run.pours[i]!.tools[n]!)))
  const works = run.neverEmulsified
    ? 0
    : Math.min(1, ...pours.map(one => one.works), ...tools.flat().map(one => one.works))
  return { pours, tools, works }
}
