import { randomUUID } from 'node:crypto'
import type { IncomingMessage, ServerResponse } from 'node:http'
import type { Router } from 'express'
import { sql } from 'kysely'
import type { Database } from '../database/connection.ts'

const READY_WITHIN_MS = 2000
const GIVEN = /^[\w.-]{8,64}$/

/** Id of a request in the log: the proxy's where it gives one, told in the answer. */
export function requestId(req: IncomingMessage, res: ServerResponse): string {
  const given = req.headers['x-request-id']
  const id = typeof given === 'string' && GIVEN.test(given) ? given : randomUUID()
  res.setHeader('x-request-id', id)
  return id
}

/** Whether the process lives, and whether it can do its work: it can while the database answers. */
export function serveState(api: Router, db: Database): void {
  api.get('/health', (_req, res) => void res.json({ ok: true }))
  api.get('/ready', async (req, res) => {
    const late = new Promise<boolean>(resolve => setTimeout(() => resolve(false), READY_WITHIN_MS).unref())
    const answers = sql`select 1`.execute(db).then(
      () => true,
      (error: unknown) => {
        req.log.error(error, 'the database does not answer')
        return false
      },
    )
    const ok = await Promise.race([answers, late])
    res.status(ok ? 200 : 503).json({ ok })
  })
}
