import { Secret, TOTP } from 'otpauth'
import type { Database } from '../database/connection.ts'
import type { Who } from '../database/who.ts'

/** A second step of signing in: six digits of an app, by the clock (RFC 6238). */
export interface SecondSteps {
  /** A new secret, not asked yet: it is once a code of it was typed. */
  begin(who: Who, signInName: string): Promise<{ secret: string; address: string }>
  /** Proves the secret by a code; from then on it is asked. */
  confirm(who: Who, code: string, now: Date): Promise<boolean>
  end(who: Who): Promise<void>
  /** Whether a code is right and was not used before. */
  accepts(who: Who, code: string, now: Date): Promise<boolean>
}

const PERIOD_S = 30
/** Clocks may be half a minute apart. */
const WINDOW = 1
const SECRET_BYTES = 20

const totpOf = (secret: string, label = ''): TOTP =>
  new TOTP({ issuer: 'Ostler', label, secret: Secret.fromBase32(secret), digits: 6, period: PERIOD_S })

export function secondSteps(db: Database): SecondSteps {
  const update = ({ workshopId, memberId }: Who) =>
    db.updateTable('member').where('workshop_id', '=', workshopId).where('id', '=', memberId)

  const secretOf = async ({ workshopId, memberId }: Who) => {
    const member = db.selectFrom('member').where('workshop_id', '=', workshopId).where('id', '=', memberId)
    return (await member.select('totp_secret').executeTakeFirst())?.totp_secret
  }

  async function accepts(who: Who, code: string, now: Date): Promise<boolean> {
    const secret = await secretOf(who)
    if (!secret) return false
    const off = totpOf(secret).validate({ token: code, timestamp: now.getTime(), window: WINDOW })
    if (off === null) return false
    const step = String(Math.floor(now.getTime() / 1000 / PERIOD_S) + off)
    // Of two who send the same code at once one is let in.
    const used = await update(who).set({ totp_step: step }).where('totp_step', '<', step).executeTakeFirst()
    return used.numUpdatedRows > 0n
  }

  return {
    accepts,
    async begin(who, signInName) {
      const secret = new Secret({ size: SECRET_BYTES }).base32
      await update(who).set({ totp_secret: secret, totp_on_at: null, totp_step: '0' }).execute()
      return { secret, address: totpOf(secret, signInName).toString() }
    },
    async confirm(who, code, now) {
      if (!(await accepts(who, code, now))) return false
      await update(who).set({ totp_on_at: now }).execute()
      return true
    },
    async end(who) {
      await update(who).set({ totp_secret: null, totp_on_at: null }).execute()
    },
  }
}
