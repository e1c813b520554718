import type { Role } from './forms.ts'
import type { RehearsalDone, RehearsalSetting } from '../rehearsal/index.ts'
import type { Fitness } from '../faults/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import type { Recipe } from '../recipe/index.ts'
import type { Problem } from '../document/fields/index.ts'
import type { KeptDesign } from '../design/index.ts'
import type { Plan } from '../plan/index.ts'
import type { BenchEvent } from '../bench/index.ts'
import type { Life, RecordEntry, Shared, ShortLot } from '../record/index.ts'
import type { Risk } from '../batter/advice/index.ts'
import type { Shelf, ShelfItem, ShelfKind } from '../shelf/index.ts'
import type { Trial } from '../trial/index.ts'
import type { UnitHabits } from '../quantities/units/index.ts'

/** Who is signed in. */
export interface SessionAnswer {
  member: { name: string; signInName: string; role: Role; hasSecondStep: boolean } | null
  workshop: { name: string; habits: UnitHabits } | null
  /** No workshop exists yet: offer to create one. */
  needsSetUp: boolean
  /** Setting up asks for the code shown in the terminal. */
  needsSetUpCode: boolean
  /** Sign-in of the demo workshop, only where it exists and may be shown. */
  demo: { signInName: string; password: string } | null
}

/** Members of a workshop, and ways in that are still open. */
export interface MembersAnswer {
  members: {
    id: string
    name: string
    signInName: string
    role: Role
    since: string
    seenAt: string | null
    isYou: boolean
  }[]
  invitations: { id: string; role: Role; madeBy: string; expiresAt: string }[]
}

/** What a way in leads to: an invitation into a workshop, or a new password for a member. */
export interface InvitedAnswer {
  workshop: string
  role: Role | null
  member: string | null
}

/** A browser that somebody is signed in with. */
export interface OpenSession {
  id: string
  agent: string
  since: string
  seenAt: string
  isThis: boolean
}

export interface DeedAnswer {
  seq: string
  at: string
  member: string
  what: string
  about: string
}

export type BinKind = 'batches' | 'recipes' | 'designs' | 'trials'

/** Something that was deleted and can be brought back. */
export interface BinAnswer {
  kind: BinKind
  id: string
  name: string
  deletedAt: string
  /** When it goes for good; null: never. */
  goesAt: string | null
}

/** Somebody who has the same batch open. */
export interface HereAnswer {
  name: string
  isYou: boolean
}

/** Edits of one member that were made together. */
export interface HistoryStep {
  /** Of the plan after it, and before it. */
  revision: number
  from: number
  at: string
  /** Null: somebody who is not a member any more. */
  member: string | null
  /** Edits in it, and what they are about. */
  count: number
  parts: Words[]
  /** Of the version after it; empty: none. */
  name: string
}

/** What became of a batch's plan, the newest first. */
export interface HistoryAnswer {
  revision: number
  steps: HistoryStep[]
  /** As far back as it goes. */
  first: { revision: number; at: string; name: string }
}

/** When everything was last put away safely. */
export interface BackupAnswer {
  /** Backups are made by this server itself. */
  isMadeHere: boolean
  madeAt: string | null
  /** None was made, or not for days. */
  isOld: boolean
  bytes: number | null
}

/** A batch as the list shows it. What is worked out of it is null until it is, and where it cannot be forecast. */
export interface BatchSummary {
  id: string
  name: string
  updatedAt: string
  layers: number
  /** Its scent by name, or what it is mixed of; empty: unscented. */
  scent: Words | null
  potG: number | null
  state: Risk['state'] | null
  /** Stamp of its picture, which is had under it; null: no picture yet. */
  face: number | null
  /** Worked out from this very plan and shelf; otherwise that is being done. */
  isFresh: boolean
  /** How far it has come. */
  life: Life
  tags: string[]
  isArchived: boolean
  fitness: Fitness
  /** What it is for, and for whom; empty: not said. */
  occasion: string
  forWhom: string
  /** Last day to pour it for the day that it is wanted, like "2026-03-02"; null: none is, or it is poured. */
  makeOn: string | null
}

/** Some batches, the last changed first, and where the next ones start; null: these were the last. */
export interface BatchList {
  batches: BatchSummary[]
  next: string | null
}

/** One batch, whole. */
export interface BatchAnswer {
  id: string
  name: string
  revision: number
  updatedAt: string
  plan: Plan
}

/** Changes were made. */
export interface BatchSaved {
  id: string
  revision: number
  updatedAt: string
  /** What stands there now, where others changed it meanwhile as well; null: what was sent, on top of what was known. */
  plan: Plan | null
}

/** The shelf, with the revision of each item by kind and id. */
export interface ShelfAnswer {
  shelf: Shelf
  revisions: Record<ShelfKind, Record<string, number>>
}

/** One item as it was stored. */
export interface StoredItem {
  kind: ShelfKind
  item: ShelfItem
  revision: number
}

/** A saved recipe with its newest version. */
export interface RecipeAnswer {
  id: string
  name: string
  version: number
  updatedAt: string
  recipe: Recipe
}

export interface RecipeVersionAnswer {
  version: number
  reason: Words
  madeAt: string
  /** Who saved it; null: somebody who has left, or it stood here before that was kept. */
  member: string | null
  recipe: Recipe
}

/** What a thing of the shelf or a design was at one of its revisions. */
export interface KeptVersion<T> {
  revision: number
  at: string
  /** Null: it came with the workshop, a lot of it was used, or who did it has left. */
  member: string | null
  kept: T
}

/** A design of the workshop's library. */
export interface DesignAnswer {
  id: string
  revision: number
  updatedAt: string
  design: KeptDesign
}

/** A run of a batch as its list shows it. */
export interface RunSummary {
  id: string
  openedAt: string
  /** When lye was about to be opened and the plan was frozen; null while it is only made ready. */
  begunAt: string | null
  /** How many events there are. */
  count: number
  /** How it ended; null while it goes on. */
  closed: string | null
}

export interface PhotoAnswer {
  id: string
  /** Of its large size, pixels. */
  width: number
  height: number
}

/** What came of a batch: entries in the order in which they came in, and its photographs. */
export interface RecordAnswer {
  entries: RecordEntry[]
  photos: PhotoAnswer[]
}

/** What was learned from another batch, and what that one has in common with the plan at hand. */
export interface LessonAnswer {
  key: string
  batch: string
  name: string
  on: string
  text: string
  /** What it was the answer to; null: the maker's own words. */
  cause: string | null
  shares: Shared[]
  /** It concerns every batch of the workshop. */
  isForAll: boolean
}

/** A batch on the rack. Days like "2026-03-02". */
export interface RackBatch {
  id: string
  name: string
  life: Life
  place: string
  pouredAt: string
  /** Days since the pour, and the last that it was weighed on. */
  day: number
  weighedDay: number | null
  turnedAt: string | null
  /** Bars that are left; null: not known. */
  bars: number | null
  readyOn: string | null
  readyRange: [string, string] | null
  /** Of a bar, fresh and when it is ready, g. */
  barG: number | null
  curedG: number | null
  /** Signs that were seen of it. */
  /** Whether its bars may be used, as far as signs say. */
  fitness: Fitness
  signs: string[]
  /** When its picture was made, for its address. */
  face: number | null
}

/** What was said of a run as its batter was divided, and what its maker said of it in the end. */
export interface RunOutcome {
  run: string
  batch: string
  /** Name of its plan. */
  name: string
  begunAt: string
  /** Chance that it comes out as planned, 0…1; null: none was said. */
  said: number | null
  cameTrue: boolean
}

/** What was noted, and how far in the order of arrival that goes. */
export interface RunEvents {
  events: BenchEvent[]
  /** Of the last of them. */
  seq: number
}

/** A run, whole: what it follows, and all that was noted. */
export interface RunAnswer extends RunEvents {
  id: string
  batch: string
  openedAt: string
  begunAt: string | null
  plan: Plan
  shelf: Shelf
  /** The server's clock, ms since 1970: runs are timed by it. */
  now: number
}

/** What was noted of a batch that is made ready, or was made last. */
export type NotedAnswer = Omit<RunAnswer, 'plan' | 'shelf'>

/** Events were kept. */
export interface EventsKept {
  seq: number
  now: number
}

export interface ErrorAnswer {
  /** In English. */
  sentence: Words
  /** The same as a fact, for whoever says it in words of their own. */
  words?: Words
  problems?: Problem[]
  /** On a conflict: what was saved meanwhile. */
  current?: BatchAnswer
  /** On a conflict: the parts of the plan that both have changed, in words. */
  parts?: Words[]
  /** On a conflict over a shelf item: what stands there now. */
  item?: StoredItem
  /** Lots that do not hold what would be taken of them. */
  short?: ShortLot[]
}

/** A rehearsal of a batch in the list of them. */
export interface RehearsalSummary {
  id: string
  openedAt: string
  setting: RehearsalSetting
  /** Whose it is; empty: they are gone. */
  person: string
  score: number | null
  /** Questions of its script that were answered rightly; null: none were asked. */
  answeredRight: number | null
  /** It is watched by a link, without signing in. */
  isShared: boolean
}

/** A rehearsal with all that it is reckoned from. */
export interface RehearsalAnswer extends Omit<RehearsalSummary, 'score' | 'answeredRight'> {
  /** Empty: it is of a lesson. */
  batch: string
  /** Its lesson; empty: it is of a batch. */
  lesson: string
  revision: number
  plan: Plan
  shelf: Shelf
  done: RehearsalDone
}

/** A trial as it is kept. */
export interface TrialAnswer {
  id: string
  revision: number
  /** The batch that it is made as; null: none. */
  batch: string | null
  updatedAt: string
  trial: Trial
}

/** How far a member is with a lesson of rehearsal. */
export interface LessonProgress {
  lesson: string
  tries: number
  passed: boolean
}
