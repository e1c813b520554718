import { benchApi } from '../lib/bench-api.mjs'
import { benchPages } from '../lib/bench-pages.mjs'
import { withDemoServer } from '../lib/demo-server.mjs'

/** The server and the pages of a demo workshop. */
export default async function app() {
  await withDemoServer('bench', async (base, databaseUrl) => benchPages(base, await benchApi(base, databaseUrl)))
}
