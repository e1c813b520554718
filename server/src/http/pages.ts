import compression from 'compression'
import express from 'express'
import type { Express } from 'express'

/** The pages themselves. */
export function servePages(app: Express, webDir: string): void {
  // Scripts and styles are kept by the browser for good; answers of the API are small or local.
  app.use(
    compression({
      filter: (req, res) =>
        !res.getHeader('content-type')?.toString().startsWith('text/event-stream') && compression.filter(req, res),
    }),
  )
  app.use('/assets', express.static(`${webDir}/assets`, { immutable: true, maxAge: '1y', fallthrough: false }))
  app.use(
    express.static(webDir, {
      cacheControl: false,
      setHeaders: res => res.setHeader('cache-control', 'no-cache'),
    }),
  )
  app.get('/{*path}', (_req, res) => {
    res.set('cache-control', 'no-cache').sendFile('index.html', { root: webDir })
  })
}
