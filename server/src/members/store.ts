import { createHash, randomBytes } from 'node:crypto'
import type { SetUpForm, UnitHabits } from '@ostler/core'
import { hash, verify } from '@node-rs/argon2'
import type { Database } from '../database/connection.ts'
import type { Visitor } from '../http/visitor.ts'
import { sql } from 'kysely'
import { isTaken } from '../database/deleting.ts'
import { stock } from '../shelf/stock.ts'

/** Who a request comes from. Every query below takes its workshop from here. */
export const SESSION_DAYS = 30
const DAY_MS = 86_400_000
/** As often it is written down that a session is in use. */
const SEEN_MS = 60_000

const hashOf = (token: string): string => createHash('sha256').update(token).digest('base64url')

/** Verified against when there is no such member, so that both answers take as long. */
let decoy: Promise<string> | undefined

/** Whether the made-up workshop counts as one. */
export interface WhichWorkshops {
  countsDemo: boolean
}

export type SetUpResult =
  | { ok: true; memberId: string; workshopId: string }
  /** There is a workshop already, or the sign-in name is taken. */
  | { ok: false; reason: 'there' | 'name' }

/** Key of the lock under which a workshop is set up. */
const SET_UP_LOCK = 4_310_001

/** A member whose name and password are right. */
export interface Known {
  memberId: string
  workshopId: string
  isDemo: boolean
  /** A code is asked as well. */
  hasSecondStep: boolean
}

export interface MemberStore {
  hasWorkshop(which: WhichWorkshops): Promise<boolean>
  /** Makes the first workshop; of several at once only one is made. */
  setUp(form: SetUpForm, how: WhichWorkshops & { isDemo?: boolean }): Promise<SetUpResult>
  /** The member, or null for a wrong name or password. */
  check(signInName: string, password: string): Promise<Known | null>
  /** @param agent the browser, as it calls itself */
  open(memberId: string, workshopId: string, now: Date, agent: string): Promise<string>
  close(token: string): Promise<void>
  visitor(token: string, now: Date): Promise<(Visitor & { isDemo: boolean }) | null>
  setHabits(workshopId: string, habits: UnitHabits): Promise<void>
  hasDemo(): Promise<boolean>
  /** Ids of all workshops. */
  workshops(): Promise<string[]>
}

async function visitorOf(db: Database, token: string, now: Date): Promise<(Visitor & { isDemo: boolean }) | null> {
  const row = await db
    .selectFrom('session')
    .innerJoin('member', join =>
      join.onRef('member.id', '=', 'session.member_id').onRef('member.workshop_id', '=', 'session.workshop_id'),
    )
    .innerJoin('workshop', 'workshop.id', 'session.workshop_id')
    .where('session.token_hash', '=', hashOf(token))
    .where('session.expires_at', '>', now)
    .select([
      'member.id as memberId',
      'member.name as memberName',
      'member.sign_in_name as signInName',
      'member.role as role',
      'member.totp_on_at as totpOn',
      'session.seen_at as seenAt',
      'workshop.id as workshopId',
      'workshop.name as workshopName',
      'workshop.is_demo as isDemo',
      'mass_unit',
      'temperature_unit',
      'length_unit',
    ])
    .executeTakeFirst()
  if (!row) return null
  const { mass_unit, temperature_unit, length_unit, totpOn, seenAt, ...visitor } = row
  if (now.getTime() - seenAt.getTime() > SEEN_MS)
    await db.updateTable('session').set({ seen_at: now }).where('token_hash', '=', hashOf(token)).execute()
  return {
    ...visitor,
    hasSecondStep: totpOn !== null,
    habits: { mass: mass_unit, temperature: temperature_unit, length: length_unit },
  }
}

const anyWorkshop = async (db: Database, { countsDemo }: WhichWorkshops): Promise<boolean> => {
  const all = db.selectFrom('workshop').select('id').limit(1)
  const row = await (countsDemo ? all : all.where('is_demo', '=', false)).executeTakeFirst()
  return row !== undefined
}

async function checked(db: Database, signInName: string, password: string): Promise<Known | null> {
  const row = await db
    .selectFrom('member')
    .innerJoin('workshop', 'workshop.id', 'member.workshop_id')
    .where('sign_in_name', '=', signInName)
    .select([
      'member.id as memberId',
      'member.workshop_id as workshopId',
      'password_hash',
      'is_demo as isDemo',
      'totp_on_at',
    ])
    .executeTakeFirst()
  decoy ??= hash(randomBytes(16).toString('hex'))
  const right = await verify(row?.password_hash ?? (await decoy), password)
  if (!row || !right) return null
  const { memberId, workshopId, isDemo, totp_on_at } = row
  return { memberId, workshopId, isDemo, hasSecondStep: totp_on_at !== null }
}

export function memberStore(db: Database): MemberStore {
  return {
    hasWorkshop: which => anyWorkshop(db, which),
    workshops: async () => (await db.selectFrom('workshop').select('id').execute()).map(row => row.id),
    async hasDemo() {
      const row = await db.selectFrom('workshop').select('id').where('is_demo', '=', true).executeTakeFirst()
      return row !== undefined
    },
    async setUp(form, { countsDemo, isDemo = false }) {
      const password_hash = await hash(form.password)
      try {
        return await db.transaction().execute(async (tx): Promise<SetUpResult> => {
          await sql`select pg_advisory_xact_lock(${SET_UP_LOCK})`.execute(tx)
          if (await anyWorkshop(tx, { countsDemo })) return { ok: false, reason: 'there' }
          const workshop = await tx
            .insertInto('workshop')
            .values({ name: form.workshopName.trim(), is_demo: isDemo })
            .returning('id')
            .executeTakeFirstOrThrow()
          const member = await tx
            .insertInto('member')
            .values({
              ...{ workshop_id: workshop.id, name: form.memberName.trim() },
              ...{ sign_in_name: form.signInName, password_hash },
            })
            .returning('id')
            .executeTakeFirstOrThrow()
          await stock(tx, workshop.id)
          return { ok: true, memberId: member.id, workshopId: workshop.id }
        })
      } catch (error) {
        if (isTaken(error)) return { ok: false, reason: 'name' }
        throw error
      }
    },
    check: (signInName, password) => checked(db, signInName, password),
    async open(memberId, workshopId, now, agent) {
      const token = randomBytes(32).toString('base64url')
      await db.deleteFrom('session').where('expires_at', '<', now).execute()
      await db
        .insertInto('session')
        .values({
          token_hash: hashOf(token),
          member_id: memberId,
          workshop_id: workshopId,
          agent: agent.slice(0, 200),
          seen_at: now,
          expires_at: new Date(now.getTime() + SESSION_DAYS * DAY_MS),
        })
        .execute()
      return token
    },
    async close(token) {
      await db.deleteFrom('session').where('token_hash', '=', hashOf(token)).execute()
    },
    visitor: (token, now) => visitorOf(db, token, now),
    async setHabits(workshopId, habits) {
      await db
        .updateTable('workshop')
        .set({ mass_unit: habits.mass, temperature_unit: habits.temperature, length_unit: habits.length })
        .where('id', '=', workshopId)
        .execute()
    },
  }
}
