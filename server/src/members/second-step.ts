import { Secret, TOTP } from 'otpauth'
import type { Database } from '../database/connection.ts'

/** A second step of signing in: six digits of an app, by the clock (RFC 6238). */
export interface SecondSteps {
  /** A new secret, not asked yet: it is once a code of it was typed. */
  begin(memberId: string, signInName: string): Promise<{ secret: string; address: string }>
  /** Proves the secret by a code; from then on it is asked. */
  confirm(memberId: string, code: string, now: Date): Promise<boolean>
  end(memberId: string): Promise<void>
  /** Whether a code is right and was not used before. */
  accepts(memberId: string, code: string, now: Date): Promise<boolean>
}

const PERIOD_S = 30
/** Clocks may be half a minute apart. */
const WINDOW = 1
const SECRET_BYTES = 20

const totpOf = (secret: string, label = ''): TOTP =>
  new TOTP({ issuer: 'Ostler', label, secret: Secret.fromBase32(secret), digits: 6, period: PERIOD_S })

export function secondSteps(db: Database): SecondSteps {
  const secretOf = async (memberId: string) =>
    (await db.selectFrom('member').where('id', '=', memberId).select('totp_secret').executeTakeFirst())?.totp_secret

  async function accepts(memberId: string, code: string, now: Date): Promise<boolean> {
    const secret = await secretOf(memberId)
    if (!secret) return false
    const off = totpOf(secret).validate({ token: code, timestamp: now.getTime(), window: WINDOW })
    if (off === null) return false
    const step = String(Math.floor(now.getTime() / 1000 / PERIOD_S) + off)
    // Of two who send the same code at once one is let in.
    const used = await db
      .updateTable('member')
      .set({ totp_step: step })
      .where('id', '=', memberId)
      .where('totp_step', '<', step)
      .executeTakeFirst()
    return used.numUpdatedRows > 0n
  }

  return {
    accepts,
    async begin(memberId, signInName) {
      const secret = new Secret({ size: SECRET_BYTES }).base32
      await db
        .updateTable('member')
        .set({ totp_secret: secret, totp_on_at: null, totp_step: '0' })
        .where('id', '=', memberId)
        .execute()
      return { secret, address: totpOf(secret, signInName).toString() }
    },
    async confirm(memberId, code, now) {
      if (!(await accepts(memberId, code, now))) return false
      await db.updateTable('member').set({ totp_on_at: now }).where('id', '=', memberId).execute()
      return true
    },
    async end(memberId) {
      await db.updateTable('member').set({ totp_secret: null, totp_on_at: null }).where('id', '=', memberId).execute()
    },
  }
}
