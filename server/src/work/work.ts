import {
  batchLook,
  batterWater,
  cureEvidence,
  evidenceOf,
  forecast,
  hexOfCup,
  readPlan,
  restEvidence,
  sharedRun,
} from '@ostler/core'
import type { BatchLook, BenchEvent, Evidence, Plan, RunShown, SharedWith, Shelf, Words } from '@ostler/core'
import { encode } from 'fast-png'
import type { SheetTask } from '../sheet-pdf/sheet-pdf.ts'

/** How a batch looks in a list: its state in a word, what is in the pot in g, its scent, and its face as a PNG. */
export interface Look {
  state: BatchLook['state']
  potG: number
  scent: Words
  face: Uint8Array
  course: BatchLook['course']
}

export interface LookTask {
  /** As it is kept, of any version. */
  plan: unknown
  shelf: Shelf
}

export interface EvidenceTask extends LookTask {
  batch: string
  /** When the batch was begun, ISO. */
  at: string
}

export interface RunTask {
  run: { plan: Plan; shelf: Shelf; events: readonly BenchEvent[] }
  choice: SharedWith
}

export type Taught = Omit<Evidence, 'counts'>

/** What takes long to work out of a batch; null of a plan that cannot be read. */
export interface Work {
  look(task: LookTask): Promise<Look | null>
  evidence(task: EvidenceTask): Promise<Taught | null>
  /** The pour sheet as a PDF. */
  sheet(task: SheetTask): Promise<Uint8Array | null>
  /** A run as it may be seen outside. */
  run(task: RunTask): Promise<RunShown>
}

export function lookOf({ plan, shelf }: LookTask): Look | null {
  const read = readPlan(plan)
  const look = read.ok ? batchLook(read.plan, shelf) : null
  if (!look) return null
  const { width, height, data } = look.picture
  const face = encode({ width, height, data: new Uint8Array(data.buffer), channels: 4 })
  return { state: look.state, potG: look.potG, scent: look.scent, face, course: look.course }
}

export function taughtBy({ plan, shelf, batch, at }: EvidenceTask): Taught | null {
  const read = readPlan(plan)
  if (!read.ok) return null
  const of = { ...shelf, evidence: [] }
  const made = read.plan.rest.weighIns.length > 0 ? forecast(read.plan, of) : null
  return {
    ...evidenceOf(read.plan, shelf, { batch, at }),
    rest: restEvidence(read.plan, shelf),
    cure: made?.ok ? cureEvidence(read.plan, batterWater(read.plan, made.forecast.portions, of)) : null,
  }
}

const hexesOf = (plan: Plan, shelf: Shelf) => {
  const made = forecast(plan, shelf)
  const colours = made.ok ? made.forecast.colours : null
  return (cup: string): string => hexOfCup(plan, colours, cup)
}

export const shownRun = ({ run, choice }: RunTask): RunShown => sharedRun(run, choice, hexesOf)
