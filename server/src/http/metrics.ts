import type { Request, RequestHandler } from 'express'
import { Histogram, Registry, collectDefaultMetrics } from 'prom-client'
import { HttpError } from './errors.ts'

/** Figures of a running server in the Prometheus text format, for this machine alone. */
export interface Metrics {
  /** Times every request of the API. */
  times: RequestHandler
  /** Answers with the figures, on loopback and to nobody that a proxy passes on. */
  told: RequestHandler
}

const SECONDS = [0.005, 0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 5, 10]

/** Ids and tokens in an address say nothing of what was asked: one figure stands for all of them. */
export const routeOf = (path: string): string =>
  path
    .split('/')
    .map(part => (/^(?:[0-9a-f]{8}-[0-9a-f-]{27}|[\w-]{30,}|\d+)$/.test(part) ? ':id' : part))
    .slice(0, 5)
    .join('/')
    .slice(0, 80)

const isHere = ({ socket, headers }: Request): boolean =>
  ['127.0.0.1', '::1', '::ffff:127.0.0.1'].includes(socket.remoteAddress ?? '') &&
  headers['x-forwarded-for'] === undefined

export function metrics(): Metrics {
  const register = new Registry()
  collectDefaultMetrics({ register, prefix: 'ostler_' })
  const requests = new Histogram({
    ...{ name: 'ostler_request_seconds', help: 'Time until an answer was sent.', registers: [register] },
    ...{ labelNames: ['method', 'route', 'status'] as const, buckets: SECONDS },
  })
  return {
    times(req, res, next) {
      const { method, path } = req
      const end = requests.startTimer({ method })
      // Of what is nowhere one figure is enough: addresses are without number.
      res.once('finish', () =>
        end({ route: res.statusCode === 404 ? 'nothing' : routeOf(path), status: res.statusCode }),
      )
      next()
    },
    async told(req, res) {
      if (!isHere(req)) throw new HttpError(404, 'There is nothing at this address.')
      res.type(register.contentType).send(await register.metrics())
    },
  }
}
