import type {
  RehearsalDone,
  RehearsalSetting,
  BatchCourse,
  BenchEvent,
  Trial,
  Change,
  Evidence,
  Fitness,
  KeptDesign,
  OwnTime,
  OwnWindow,
  Plan,
  Labelling,
  Pricing,
  RackPlan,
  Role,
  Recipe,
  RecordEntry,
  SharedWhat,
  Shelf,
  ShelfKind,
  TagRule,
} from '@ostler/core'
import type { ColumnType, Generated, JSONColumnType } from 'kysely'

/** Tables as queries see them. Every row but a workshop's own belongs to a workshop. */
export interface Tables {
  workshop: WorkshopTable
  member: MemberTable
  session: SessionTable
  way_in: WayInTable
  deed: DeedTable
  shelf_item: ShelfItemTable
  batch: BatchTable
  recipe: RecipeTable
  recipe_version: RecipeVersionTable
  design: DesignTable
  kept_version: KeptVersionTable
  rehearsal: RehearsalTable
  trial: TrialTable
  evidence: EvidenceTable
  sign_in_try: SignInTryTable
  batch_change: BatchChangeTable
  batch_version: BatchVersionTable
  share: ShareTable
  presence: PresenceTable
  batch_look: BatchLookTable
  run: RunTable
  run_event: RunEventTable
  record_entry: RecordEntryTable
  batch_record: BatchRecordTable
  photo: PhotoTable
  lot_use: LotUseTable
}

type Stamp = ColumnType<Date, Date | undefined, Date>

interface WorkshopTable {
  id: Generated<string>
  name: string
  mass_unit: Generated<'g' | 'oz'>
  temperature_unit: Generated<'C' | 'F'>
  length_unit: Generated<'mm' | 'in'>
  is_demo: Generated<boolean>
  stocked: Generated<boolean>
  rules: JSONColumnType<TagRule[], string | undefined, string>
  windows: JSONColumnType<OwnWindow[], string | undefined, string>
  times: JSONColumnType<OwnTime[], string | undefined, string>
  /** In the address of its calendar; null: it has none. */
  calendar_token: string | null | undefined
  /** Null: as is usual. */
  pricing: JSONColumnType<Pricing | null, string | null | undefined, string>
  labelling: JSONColumnType<Labelling | null, string | null | undefined, string>
  rack: JSONColumnType<RackPlan | null, string | null | undefined, string>
  created_at: Stamp
}

interface MemberTable {
  id: Generated<string>
  workshop_id: string
  name: string
  sign_in_name: string
  password_hash: string
  role: ColumnType<Role, Role | undefined, Role>
  /** Of its second step; null: none. */
  totp_secret: ColumnType<string | null, string | null | undefined, string | null>
  /** When the second step was proved to work; null: it is not asked yet. */
  totp_on_at: ColumnType<Date | null, Date | null | undefined, Date | null>
  /** Of the code that was used last: none is taken twice. */
  totp_step: ColumnType<string, string | undefined, string>
  created_at: Stamp
}

/** A way in that works once: an invitation with its role, or a new password for a member. */
interface WayInTable {
  token_hash: string
  id: Generated<string>
  workshop_id: string
  role: Role | null
  member_id: string | null
  made_by: string
  created_at: Stamp
  expires_at: ColumnType<Date, Date, Date>
}

/** Who did what; only ever added to. */
interface DeedTable {
  workshop_id: string
  seq: ColumnType<string, never, never>
  at: Stamp
  member_id: string | null
  member_name: string
  what: string
  about: ColumnType<string, string | undefined, never>
}

interface SessionTable {
  token_hash: string
  member_id: string
  workshop_id: string
  id: Generated<string>
  agent: ColumnType<string, string | undefined, string>
  seen_at: Stamp
  created_at: Stamp
  expires_at: ColumnType<Date, Date, Date>
}

interface ShelfItemTable {
  workshop_id: string
  kind: ShelfKind
  id: string
  item: JSONColumnType<object, string, string>
  /** Of the form that it was kept in. */
  format_version: Generated<number>
  revision: Generated<number>
  /** Of its revisions, those that changed nothing but what is left in lots. */
  lot_revisions: Generated<number>
  /** Who changed it last; null: it came with the workshop, or a lot of it was used. */
  changed_by: ColumnType<string | null, string | null | undefined, string | null>
  updated_at: Stamp
}

interface BatchTable {
  id: Generated<string>
  workshop_id: string
  revision: Generated<number>
  plan: JSONColumnType<Plan, string, string>
  /** What lists ask of the plan, taken out of it by the database. */
  name: ColumnType<string, never, never>
  poured_at: ColumnType<string, never, never>
  wanted_on: ColumnType<string, never, never>
  weigh_days: ColumnType<number[], never, never>
  found_by: ColumnType<string, never, never>
  layers: ColumnType<number, never, never>
  occasion: ColumnType<string, never, never>
  for_whom: ColumnType<string, never, never>
  tags: ColumnType<string[], string[] | undefined, string[]>
  archived_at: ColumnType<Date | null, Date | null | undefined, Date | null>
  created_at: Stamp
  updated_at: Stamp
  deleted_at: ColumnType<Date | null, Date | null | undefined, Date | null>
}

/** Windows that have a batch open. */
interface PresenceTable {
  workshop_id: string
  batch_id: string
  window_id: string
  member_id: string
  seen_at: ColumnType<Date, Date | undefined, Date>
}

/** A link by which a batch is seen without signing in. */
interface ShareTable {
  token_hash: string
  id: Generated<string>
  workshop_id: string
  batch_id: string
  what: SharedWhat
  with_scents: boolean
  with_notes: Generated<boolean>
  made_by: string
  at: Stamp
}

/** A version of a batch that somebody gave a name. */
interface BatchVersionTable {
  workshop_id: string
  batch_id: string
  revision: number
  name: string
  at: Stamp
}

/** What was changed in a batch: each once, on top of the one before. */
interface BatchChangeTable {
  batch_id: string
  id: string
  workshop_id: string
  member_id: string | null
  /** Of the batch with this change in it. */
  revision: number
  changes: JSONColumnType<Change[], string, string>
  made_at: Stamp
}

/** What came of a batch, in the order in which it came in. */
interface RecordEntryTable {
  batch_id: string
  workshop_id: string
  key: string
  seq: ColumnType<string, never, never>
  entry: JSONColumnType<RecordEntry, string, never>
  member_id: string | null
  received_at: Stamp
}

/** What all of that comes to. */
interface BatchRecordTable {
  batch_id: string
  workshop_id: string
  unmoulded_at: string | null
  cut_at: string | null
  cut_count: number | null
  gone_count: number
  turned_at: string | null
  place: string
  signs: string[]
  fitness: Generated<Fitness>
  is_weighed_up: Generated<boolean>
}

/** What of a lot went into a batch, and what of it went off the count, g. */
interface LotUseTable {
  batch_id: string
  workshop_id: string
  kind: ShelfKind
  item_id: string
  lot_id: string
  mark: string
  mass_g: number
  taken_g: number
  booked_at: Stamp
}

/** Two sizes of a photograph, as JPEG without anything else. */
interface PhotoTable {
  id: string
  batch_id: string
  workshop_id: string
  small: Buffer
  large: Buffer
  width: number
  height: number
  created_at: Stamp
}

/** What the list shows of a batch; nothing but its stamps where the plan cannot be forecast. */
interface BatchLookTable {
  batch_id: string
  workshop_id: string
  /** What it was worked out from, and by which edition of the models. */
  batch_revision: number
  shelf_stamp: string
  model_version: number
  state: 'calm' | 'tight' | 'trouble' | null
  pot_g: number | null
  scent: string | null
  /** A PNG. */
  face: Buffer | null
  made_at: Stamp
  /** Hours and days after its pour. */
  course: JSONColumnType<BatchCourse | null, string | null | undefined, string | null>
}

/** A batch as it is made ready and made: the plan and the shelf as they stood when that was begun; null until then. */
interface RunTable {
  id: Generated<string>
  workshop_id: string
  batch_id: string
  plan: JSONColumnType<Plan | null, string | null, string>
  shelf: JSONColumnType<Shelf | null, string | null, string>
  opened_at: Stamp
  begun_at: ColumnType<Date | null, Date | string | null | undefined, Date>
}

/** What was noted of it, in the order in which it came in. */
interface RunEventTable {
  run_id: string
  workshop_id: string
  key: string
  seq: ColumnType<string, never, never>
  event: JSONColumnType<BenchEvent, string, never>
  member_id: string | null
  received_at: Stamp
}

/** A rehearsed batch: never a run. */
interface RehearsalTable {
  id: string
  workshop_id: string
  /** Of a batch, or of a lesson. */
  batch_id: string | null
  lesson: string | null
  passed: Generated<boolean>
  member_id: string | null
  setting: JSONColumnType<RehearsalSetting, string, string>
  plan: JSONColumnType<Plan, string, never>
  shelf: JSONColumnType<Shelf, string, never>
  done: JSONColumnType<RehearsalDone, string, string>
  /** What its page reckoned it to be worth; null: it has not ended. */
  score: number | null
  /** Questions of its script that were answered rightly; null: none were asked. */
  answered_right: Generated<number | null>
  /** Of the link by which it is watched without signing in; null: there is none. */
  watch_hash: Generated<string | null>
  revision: Generated<number>
  opened_at: Stamp
  updated_at: Stamp
}

interface TrialTable {
  id: string
  workshop_id: string
  /** The batch that it is made as; null: none, or that is gone. */
  batch_id: string | null
  revision: Generated<number>
  document: JSONColumnType<Trial, string, string>
  created_at: Stamp
  updated_at: Stamp
  deleted_at: ColumnType<Date | null, never, Date | null>
}

interface RecipeTable {
  id: Generated<string>
  workshop_id: string
  name: string
  deleted_at: ColumnType<Date | null, Date | null | undefined, Date | null>
  created_at: Stamp
}

interface RecipeVersionTable {
  recipe_id: string
  workshop_id: string
  version: number
  reason: string
  recipe: JSONColumnType<Recipe, string, string>
  /** Of the form that it was kept in. */
  format_version: Generated<number>
  made_at: Stamp
  member_id: ColumnType<string | null, string | null | undefined, never>
}

/** What a thing of the shelf or a design was at a revision; kept by the database whenever it is changed. */
interface KeptVersionTable {
  workshop_id: string
  kind: ShelfKind | 'designs'
  item_id: string
  revision: number
  kept: JSONColumnType<object, never, never>
  /** Of the form that it was kept in. */
  format_version: number
  member_id: string | null
  at: Stamp
}

interface DesignTable {
  id: Generated<string>
  workshop_id: string
  revision: Generated<number>
  design: JSONColumnType<KeptDesign, string, string>
  changed_by: ColumnType<string | null, string | null | undefined, string | null>
  created_at: Stamp
  updated_at: Stamp
  deleted_at: ColumnType<Date | null, Date | null | undefined, Date | null>
}

interface EvidenceTable {
  batch_id: string
  workshop_id: string
  /** The batch's revision that it was worked out from. */
  batch_revision: number
  evidence: JSONColumnType<Omit<Evidence, 'counts'>, string, string>
  counts: Generated<boolean>
  /** The edition of the models that it was worked out under. */
  model_version: number
  /** False: the plan could not be read, and is not tried again until it changes. */
  is_readable: Generated<boolean>
  /** Goes up whenever what it teaches comes out otherwise. */
  taught: Generated<number>
}

interface SignInTryTable {
  key: string
  at: ColumnType<Date, Date, Date>
}
