import { createHash, randomBytes } from 'node:crypto'
import type { DeedAnswer, DeedWord, InvitedAnswer, JoinForm, MembersAnswer, Role } from '@ostler/core'
import { hash } from '@node-rs/argon2'
import type { Transaction } from 'kysely'
import type { Database } from '../database/connection.ts'
import { isTaken } from '../database/deleting.ts'
import type { Tables } from '../database/types.ts'

/** Members of a workshop: who there is, who may come in, what each may do, and who did what. */

export const hashOf = (token: string): string => createHash('sha256').update(token).digest('base64url')
const DAY_MS = 86_400_000
const INVITATION_DAYS = 7
const NEW_PASSWORD_DAYS = 1
export const MOST_MEMBERS = 50
const MOST_WAYS_IN = 50
const DEEDS_A_PAGE = 100

export type Refused = 'gone' | 'last-owner' | 'full' | 'name' | 'wrong'
export type Done<T = unknown> = ({ ok: true } & T) | { ok: false; reason: Refused }

export const no = (reason: Refused): { ok: false; reason: Refused } => ({ ok: false, reason })

/** Every query takes the workshop: nobody reaches another's members. */
export interface People {
  list(workshopId: string, you: string): Promise<MembersAnswer>
  /** A token that is told once; only its hash is kept. */
  invite(workshopId: string, role: Role, madeBy: string, now: Date): Promise<Done<{ token: string }>>
  /** A way to a new password for a member who has forgotten it. */
  renew(workshopId: string, memberId: string, madeBy: string, now: Date): Promise<Done<{ token: string }>>
  withdraw(workshopId: string, id: string): Promise<boolean>
  invited(token: string, now: Date): Promise<InvitedAnswer | null>
  join(token: string, form: JoinForm, now: Date): Promise<Done<{ memberId: string; workshopId: string }>>
  setForgotten(token: string, password: string, now: Date): Promise<Done<{ memberId: string; workshopId: string }>>
  setRole(workshopId: string, memberId: string, role: Role): Promise<Done>
  remove(workshopId: string, memberId: string): Promise<Done>
  deleteWorkshop(workshopId: string): Promise<void>
  note(workshopId: string, member: { id: string; name: string }, what: DeedWord, about: string): Promise<void>
  deeds(workshopId: string, before: string | null): Promise<DeedAnswer[]>
}

type Tx = Transaction<Tables>

/** Holds the members of a workshop still: two owners who leave at the same time do not both go. */
const locked = async (tx: Tx, workshopId: string) =>
  tx.selectFrom('workshop').where('id', '=', workshopId).select('id').forUpdate().executeTakeFirst()

async function isLastOwner(tx: Tx, workshopId: string, memberId: string): Promise<boolean> {
  const owners = await tx
    .selectFrom('member')
    .where('workshop_id', '=', workshopId)
    .where('role', '=', 'owner')
    .select('id')
    .execute()
  return owners.length === 1 && owners[0]!.id === memberId
}

/** Takes a way in out of the table: whoever comes second finds none. */
const takenOut = (tx: Tx, token: string, now: Date) =>
  tx
    .deleteFrom('way_in')
    .where('token_hash', '=', hashOf(token))
    .where('expires_at', '>', now)
    .returning(['workshop_id', 'role', 'member_id'])
    .executeTakeFirst()

async function wayIn(
  db: Database,
  workshopId: string,
  to: { role: Role } | { member_id: string },
  about: { madeBy: string; now: Date; days: number },
): Promise<Done<{ token: string }>> {
  const token = randomBytes(32).toString('base64url')
  return db.transaction().execute(async tx => {
    await locked(tx, workshopId)
    await tx.deleteFrom('way_in').where('expires_at', '<', about.now).execute()
    const { count } = await tx
      .selectFrom('way_in')
      .where('workshop_id', '=', workshopId)
      .select(eb => eb.fn.countAll<string>().as('count'))
      .executeTakeFirstOrThrow()
    if (Number(count) >= MOST_WAYS_IN) return no('full')
    await tx
      .insertInto('way_in')
      .values({
        ...{ token_hash: hashOf(token), workshop_id: workshopId, made_by: about.madeBy, role: null, member_id: null },
        ...{ ...to, expires_at: new Date(about.now.getTime() + about.days * DAY_MS) },
      })
      .execute()
    return { ok: true as const, token }
  })
}

async function listOf(db: Database, workshopId: string, you: string): Promise<MembersAnswer> {
  const members = await db
    .selectFrom('member')
    .where('member.workshop_id', '=', workshopId)
    .select(eb => [
      ...(['member.id', 'member.name', 'member.sign_in_name', 'member.role', 'member.created_at'] as const),
      eb
        .selectFrom('session')
        .whereRef('session.workshop_id', '=', 'member.workshop_id')
        .whereRef('session.member_id', '=', 'member.id')
        .select(inner => inner.fn.max('session.seen_at').as('seen'))
        .as('seen'),
    ])
    .orderBy('member.created_at')
    .execute()
  const open = await db
    .selectFrom('way_in')
    .where('workshop_id', '=', workshopId)
    .where('role', 'is not', null)
    .select(['id', 'role', 'made_by', 'expires_at'])
    .orderBy('created_at')
    .execute()
  return {
    members: members.map(row => ({
      ...{ id: row.id, name: row.name, signInName: row.sign_in_name, role: row.role, isYou: row.id === you },
      ...{ since: row.created_at.toISOString(), seenAt: row.seen?.toISOString() ?? null },
    })),
    invitations: open.map(row => ({
      ...{ id: row.id, role: row.role!, madeBy: row.made_by, expiresAt: row.expires_at.toISOString() },
    })),
  }
}

async function joined(db: Database, token: string, form: JoinForm, now: Date) {
  const password_hash = await hash(form.password)
  try {
    return await db.transaction().execute(async (tx): Promise<Done<{ memberId: string; workshopId: string }>> => {
      const way = await takenOut(tx, token, now)
      if (!way?.role) return no('gone')
      await locked(tx, way.workshop_id)
      const { count } = await tx
        .selectFrom('member')
        .where('workshop_id', '=', way.workshop_id)
        .select(eb => eb.fn.countAll<string>().as('count'))
        .executeTakeFirstOrThrow()
      if (Number(count) >= MOST_MEMBERS) return no('full')
      const { id } = await tx
        .insertInto('member')
        .values({
          ...{ workshop_id: way.workshop_id, name: form.memberName.trim(), sign_in_name: form.signInName },
          ...{ password_hash, role: way.role },
        })
        .returning('id')
        .executeTakeFirstOrThrow()
      return { ok: true, memberId: id, workshopId: way.workshop_id }
    })
  } catch (error) {
    // Undone with it: the invitation is as good as before.
    if (isTaken(error)) return no('name')
    throw error
  }
}

const changed = (db: Database, workshopId: string, memberId: string, to: Role | null): Promise<Done> =>
  db.transaction().execute(async (tx): Promise<Done> => {
    await locked(tx, workshopId)
    const mine = tx.selectFrom('member').where('workshop_id', '=', workshopId).where('id', '=', memberId)
    if (!(await mine.select('id').executeTakeFirst())) return no('gone')
    if (to !== 'owner' && (await isLastOwner(tx, workshopId, memberId))) return no('last-owner')
    const where = { workshop_id: workshopId, id: memberId }
    await (to === null
      ? tx.deleteFrom('member').where('workshop_id', '=', where.workshop_id).where('id', '=', where.id).execute()
      : tx
          .updateTable('member')
          .set({ role: to })
          .where('workshop_id', '=', where.workshop_id)
          .where('id', '=', where.id)
          .execute())
    return { ok: true }
  })

async function deedsOf(db: Database, workshopId: string, before: string | null): Promise<DeedAnswer[]> {
  const all = db.selectFrom('deed').where('workshop_id', '=', workshopId)
  const rows = await (before === null ? all : all.where('seq', '<', before))
    .select(['seq', 'at', 'member_name', 'what', 'about'])
    .orderBy('seq', 'desc')
    .limit(DEEDS_A_PAGE)
    .execute()
  const names = await batchNames(
    db,
    workshopId,
    rows.flatMap(({ about }) => UUID.exec(about)?.[0] ?? []),
  )
  return rows.map(row => {
    const id = UUID.exec(row.about)?.[0]
    const about = id ? (names.get(id) ?? '') : row.about
    return { seq: row.seq, at: row.at.toISOString(), member: row.member_name, what: row.what, about }
  })
}

const UUID = /^[0-9a-f]{8}-[0-9a-f-]{27}/

/** Names of batches, deleted ones too. */
async function batchNames(db: Database, workshopId: string, ids: readonly string[]): Promise<Map<string, string>> {
  if (ids.length === 0) return new Map()
  const rows = await db
    .selectFrom('batch')
    .where('workshop_id', '=', workshopId)
    .where('id', 'in', [...new Set(ids)])
    .select(['id', 'name'])
    .execute()
  return new Map(rows.map(({ id, name }) => [id, name]))
}

export function people(db: Database): People {
  return {
    list: (workshopId, you) => listOf(db, workshopId, you),
    invite: (workshopId, role, madeBy, now) => wayIn(db, workshopId, { role }, { madeBy, now, days: INVITATION_DAYS }),
    async renew(workshopId, memberId, madeBy, now) {
      const row = await db
        .selectFrom('member')
        .where('workshop_id', '=', workshopId)
        .where('id', '=', memberId)
        .select('id')
        .executeTakeFirst()
      if (!row) return no('gone')
      return wayIn(db, workshopId, { member_id: row.id }, { madeBy, now, days: NEW_PASSWORD_DAYS })
    },
    async withdraw(workshopId, id) {
      const gone = await db
        .deleteFrom('way_in')
        .where('workshop_id', '=', workshopId)
        .where('id', '=', id)
        .executeTakeFirst()
      return gone.numDeletedRows > 0n
    },
    async invited(token, now) {
      const row = await db
        .selectFrom('way_in')
        .innerJoin('workshop', 'workshop.id', 'way_in.workshop_id')
        .leftJoin('member', join =>
          join.onRef('member.id', '=', 'way_in.member_id').onRef('member.workshop_id', '=', 'way_in.workshop_id'),
        )
        .where('token_hash', '=', hashOf(token))
        .where('expires_at', '>', now)
        .select(['workshop.name as workshop', 'way_in.role as role', 'member.name as member'])
        .executeTakeFirst()
      return row ?? null
    },
    join: (token, form, now) => joined(db, token, form, now),
    async setForgotten(token, password, now) {
      const password_hash = await hash(password)
      return db.transaction().execute(async (tx): Promise<Done<{ memberId: string; workshopId: string }>> => {
        const way = await takenOut(tx, token, now)
        if (!way?.member_id) return no('gone')
        const { member_id: memberId, workshop_id: workshopId } = way
        // Whoever cannot sign in has no second step either.
        await tx
          .updateTable('member')
          .set({ password_hash, totp_secret: null, totp_on_at: null })
          .where('workshop_id', '=', workshopId)
          .where('id', '=', memberId)
          .execute()
        await tx.deleteFrom('session').where('workshop_id', '=', workshopId).where('member_id', '=', memberId).execute()
        return { ok: true, memberId, workshopId }
      })
    },
    setRole: (workshopId, memberId, role) => changed(db, workshopId, memberId, role),
    remove: (workshopId, memberId) => changed(db, workshopId, memberId, null),
    async deleteWorkshop(workshopId) {
      await db.deleteFrom('workshop').where('id', '=', workshopId).execute()
    },
    async note(workshopId, { id, name }, what, about) {
      await db
        .insertInto('deed')
        .values({ workshop_id: workshopId, member_id: id, member_name: name, what, about: about.slice(0, 200) })
        .execute()
    },
    deeds: (workshopId, before) => deedsOf(db, workshopId, before),
  }
}
