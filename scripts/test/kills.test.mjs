import { afterAll, expect, test } from 'vitest'
import pg from 'pg'
import { killsLoseNothing } from '../lib/kills.mjs'

const NAME = 'kills'
const admin = () => new pg.Client({ connectionString: process.env.TEST_DATABASE_URL })

async function sql(text) {
  const client = admin()
  await client.connect()
  try {
    await client.query(text)
  } finally {
    await client.end()
  }
}

afterAll(() => sql(`drop database if exists ${NAME} with (force)`))

test('what was acknowledged is there after the server was killed in the middle of a save', async () => {
  await sql(`drop database if exists ${NAME} with (force)`)
  await sql(`create database ${NAME}`)
  const url = process.env.TEST_DATABASE_URL.replace(/\/postgres$/, `/${NAME}`)
  const { saves, lost } = await killsLoseNothing({ DATABASE_URL: url }, 3)
  expect(saves).toBeGreaterThan(3)
  expect(lost).toEqual([])
}, 120_000)
