import { say } from '@ostler/core'
import type { ErrorAnswer, Words } from '@ostler/core'
import type { ErrorRequestHandler } from 'express'
import type { Logger } from 'pino'

/** Something a person can do something about. */
export class HttpError extends Error {
  constructor(
    readonly status: number,
    readonly words: Words,
    readonly extra: Partial<ErrorAnswer> = {},
  ) {
    super(say(words))
  }
}

/** What the framework's own parts say of a request that they refuse. */
interface RefusedError {
  type?: string
  status?: number
}

/** Sentences for what the body parser refuses before a route sees it. */
const BODY: Record<string, [number, string]> = {
  'entity.too.large': [413, 'This is larger than any plan. Is it the right file?'],
  'entity.parse.failed': [400, 'This is damaged or not JSON.'],
  'encoding.unsupported': [415, 'This text encoding is not understood; use UTF-8.'],
  'charset.unsupported': [415, 'This text encoding is not understood; use UTF-8.'],
}

/** Codes of a database that is away, starting or stopping. */
const AWAY = new Set(
  'ECONNREFUSED ECONNRESET ETIMEDOUT EPIPE 57P01 57P02 57P03 57014 25P03 08006 08001 08003 53300'.split(' '),
)

function isAway(error: unknown): boolean {
  const { code, message } = error as { code?: string; message?: string }
  return (
    AWAY.has(code ?? '') ||
    /Connection terminated|timeout exceeded when trying to connect|Query read timeout|Client has encountered|not queryable/.test(
      message ?? '',
    )
  )
}

/** Turns kinds of error into statuses and sentences; what is inside stays inside. */
export const errorHandler =
  (log: Logger): ErrorRequestHandler =>
  (error: unknown, _req, res, next) => {
    if (res.headersSent) return next(error)
    if (error instanceof HttpError)
      return void res.status(error.status).json({
        sentence: error.message,
        ...(typeof error.words !== 'string' && { words: error.words }),
        ...error.extra,
      })
    const { type = '', status = 0 } = (error ?? {}) as RefusedError
    const body = BODY[type]
    if (body) return void res.status(body[0]).json({ sentence: body[1] })
    if (status === 404) return void res.status(404).json({ sentence: 'There is nothing at this address.' })
    if (status >= 400 && status < 500)
      return void res.status(status).json({ sentence: 'This request is not understood.' })
    log.error({ err: error }, 'request failed')
    const away = isAway(error)
    const sentence = away
      ? 'The database is not answering just now. Nothing is lost; it is tried again.'
      : 'Something went wrong on the server. Nothing you typed is lost; try again.'
    res.status(away ? 503 : 500).json({ sentence } satisfies ErrorAnswer)
  }
