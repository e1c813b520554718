import type { RequestHandler } from 'express'
import helmet from 'helmet'
import { HttpError } from './errors.ts'

/** The usual headers. Plain http on loopback must work, so no forced upgrade; https belongs to the proxy in front. */
export const headers = (): RequestHandler =>
  helmet({
    strictTransportSecurity: false,
    contentSecurityPolicy: {
      directives: {
        'default-src': ["'self'"],
        // Heat in the mould is compiled code; it comes with the pages like all other.
        'script-src': ["'self'", "'wasm-unsafe-eval'"],
        // Colours of soap are data: they are set as styles on elements.
        'style-src': ["'self'", "'unsafe-inline'"],
        'img-src': ["'self'", 'data:', 'blob:'],
        'font-src': ["'self'"],
        'connect-src': ["'self'"],
        'worker-src': ["'self'", 'blob:'],
        'frame-ancestors': ["'none'"],
        'form-action': ["'self'"],
        'base-uri': ["'none'"],
        'object-src': ["'none'"],
        'upgrade-insecure-requests': null,
      },
    },
  })

const SAFE = new Set(['GET', 'HEAD', 'OPTIONS'])

/** Neither can be sent by another site's form. */
const TYPES = ['application/zip', 'application/json', 'image/jpeg']

/** Refuses writes that another site's page asks for, and writes of other types. */
export const sameOriginWrites: RequestHandler = (req, _res, next) => {
  if (SAFE.has(req.method)) return next()
  const refuse = () => next(new HttpError(403, 'A change from another site is not accepted.'))
  const site = req.get('sec-fetch-site')
  if (site !== undefined && site !== 'same-origin' && site !== 'none') return refuse()
  const origin = req.get('origin')
  if (origin !== undefined && !sameHost(origin, req.get('host') ?? '')) return refuse()
  if (req.get('content-length') !== undefined && req.get('content-length') !== '0' && !req.is(TYPES)) {
    return next(new HttpError(415, 'Changes are sent as JSON, photographs as JPEG, a workshop’s file as ZIP.'))
  }
  next()
}

function sameHost(origin: string, host: string): boolean {
  try {
    return new URL(origin).host === host
  } catch {
    return false
  }
}

/** Refuses a name that this server does not go by: a page elsewhere may point a name of its own at this machine. */
export const knownHosts =
  (hosts: readonly string[]): RequestHandler =>
  (req, _res, next) => {
    if (hosts.length === 0) return next()
    const name = (req.get('host') ?? '').toLowerCase().replace(/:\d+$/, '')
    if (hosts.includes(name)) return next()
    next(new HttpError(421, 'This server does not go by that name. OSTLER_HOSTS says which names it answers to.'))
  }
