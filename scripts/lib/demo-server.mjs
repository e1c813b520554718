import { Cluster } from './postgres.mjs'
import { startServer, stopServer } from './server.mjs'

/**
 * Runs `act` against a server of its own with nothing but the demo data, then tidies up.
 * @param name database in the tests' cluster; an old one is dropped
 * @param act  gets the server's address and its database's
 */
export async function withDemoServer(name, act) {
  const cluster = new Cluster('test-database', { lasting: false })
  await cluster.start()
  try {
    const databaseUrl = await cluster.database(name, { anew: true })
    const server = await startServer({ DATABASE_URL: databaseUrl, PORT: '0', HOST: '127.0.0.1', OSTLER_DEMO: '1' })
    try {
      await act(`http://127.0.0.1:${server.port}`, databaseUrl)
    } finally {
      await stopServer(server.child)
    }
  } finally {
    cluster.stop()
  }
}
