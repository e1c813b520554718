import type { OpenSession } from '@ostler/core'
import { hash, verify } from '@node-rs/argon2'
import type { Database } from '../database/connection.ts'
import type { Who } from '../database/who.ts'
import { hashOf, no } from './people.ts'
import type { Done } from './people.ts'

/** What is a member's own: password and sessions. */
export interface Accounts {
  /** Changes the password when the old one is right; other sessions end. */
  setPassword(who: Who, old: string, password: string, thisToken: string): Promise<Done>
  proves(who: Who, password: string): Promise<boolean>
  sessions(who: Who, thisToken: string): Promise<OpenSession[]>
  /** @param id null: all but this one */
  endSessions(who: Who, id: string | null, thisToken: string): Promise<number>
}

async function proves(db: Database, { workshopId, memberId }: Who, password: string): Promise<boolean> {
  const row = await db
    .selectFrom('member')
    .where('workshop_id', '=', workshopId)
    .where('id', '=', memberId)
    .select('password_hash')
    .executeTakeFirst()
  return row !== undefined && verify(row.password_hash, password)
}

export function accounts(db: Database): Accounts {
  const sessionsOf = ({ workshopId, memberId }: Who) =>
    db.selectFrom('session').where('workshop_id', '=', workshopId).where('member_id', '=', memberId)
  return {
    async setPassword(who, old, password, thisToken) {
      const { workshopId, memberId } = who
      if (!(await proves(db, who, old))) return no('wrong')
      const password_hash = await hash(password)
      await db.transaction().execute(async tx => {
        await tx
          .updateTable('member')
          .set({ password_hash })
          .where('workshop_id', '=', workshopId)
          .where('id', '=', memberId)
          .execute()
        await tx
          .deleteFrom('session')
          .where('workshop_id', '=', workshopId)
          .where('member_id', '=', memberId)
          .where('token_hash', '<>', hashOf(thisToken))
          .execute()
      })
      return { ok: true }
    },
    proves: (who, password) => proves(db, who, password),
    async sessions(who, thisToken) {
      const rows = await sessionsOf(who)
        .select(['id', 'token_hash', 'agent', 'created_at', 'seen_at'])
        .orderBy('seen_at', 'desc')
        .execute()
      return rows.map(row => ({
        ...{ id: row.id, agent: row.agent, isThis: row.token_hash === hashOf(thisToken) },
        ...{ since: row.created_at.toISOString(), seenAt: row.seen_at.toISOString() },
      }))
    },
    async endSessions({ workshopId, memberId }, id, thisToken) {
      const mine = db.deleteFrom('session').where('workshop_id', '=', workshopId).where('member_id', '=', memberId)
      const which = id === null ? mine.where('token_hash', '<>', hashOf(thisToken)) : mine.where('id', '=', id)
      return Number((await which.executeTakeFirst()).numDeletedRows)
    },
  }
}
