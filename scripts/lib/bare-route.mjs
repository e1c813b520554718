// The yardstick of the benchmark: Express with one route that does the single query of reading a plan, and nothing else.
import express from 'express'
import pg from 'pg'

const [databaseUrl, id] = process.argv.slice(2)
const pool = new pg.Pool({ connectionString: databaseUrl, max: 10 })
const app = express()
const QUERY = 'select id, revision, plan, updated_at from batch where id = $1 and deleted_at is null'

app.get('/', async (_req, res) => {
  const { rows } = await pool.query(QUERY, [id])
  res.json(rows[0])
})
const server = app.listen(0, '127.0.0.1', () => process.send(server.address().port))
process.on('disconnect', () => process.exit(0))
