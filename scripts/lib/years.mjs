// Many workshops over years: what their rows come to on the disk, and what one of them waits for among the others.
import { randomUUID } from 'node:crypto'
import { setTimeout as sleep } from 'node:timers/promises'
import pg from 'pg'
import { signedIn } from './kills.mjs'

/** Edits of a batch, notes of its run. Engineering estimates. */
const EDITS = 30
const NOTES = 60
const YEARS = 3
const ASKED = 15
const MOST_WAITS = 120

/** What is looked up before anybody knows whose it is: it goes by names that stand once. */
const DOORS = ['session', 'share', 'way_in', 'presence']

const median = times => [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)]

/** The list asks for pictures of batches; they are worked out beside it. */
async function workedOut(client, ask) {
  for (let i = 0; i < MOST_WAITS; i++) {
    await ask('GET', PLACES.list())
    const { rows } = await client.query(
      `select (select count(*) from batch) = (select count(*) from batch_look) as done`,
    )
    if (rows[0].done) return
    await sleep(1000)
  }
  const { rows: counts } = await client.query(
    'select (select count(*) from batch) as b, (select count(*) from batch_look) as l',
  )
  throw new Error(`of ${counts[0].b} batches ${counts[0].l} were looked at in time`)
}

/** Fills a workshop up to so many batches, each like one that it has: edited, made once, with its record and its picture. */
async function fill(client, workshop, batches) {
  await client.query(
    `create temporary table made as
     with base as (select id, name, row_number() over (order by created_at) - 1 as n, count(*) over () as of
                   from batch where workshop_id = $1)
     select gen_random_uuid() as id, base.id as source, base.name || ' ' || i as name,
       now() - i * interval '${YEARS} years' / $2::int as at
     from generate_series(1, $2::int - (select count(*)::int from base)) i join base on base.n = i % base.of`,
    [workshop, batches],
  )
  const copies = [
    `insert into batch (id, workshop_id, revision, plan, tags, created_at, updated_at)
     select made.id, workshop_id, ${EDITS + 1}, jsonb_set(plan, '{name}', to_jsonb(made.name)), tags, at, at
     from made join batch on batch.id = source where workshop_id = $1`,
    `insert into batch_change (workshop_id, batch_id, id, revision, changes, made_at)
     select $1, id, gen_random_uuid(), e + 1, jsonb_build_array(jsonb_build_object('at', '["name"]'::jsonb, 'was', name, 'to', name || e)), at
     from made, generate_series(1, ${EDITS}) e`,
    ...['batch_look', 'batch_record', 'record_entry', 'evidence'].map(
      table => `insert into ${table} (batch_id, COLUMNS ${table}) select made.id, COLUMNS ${table}
       from made join ${table} t on t.batch_id = source where t.workshop_id = $1`,
    ),
    `insert into run (id, workshop_id, batch_id, plan, shelf, opened_at, begun_at)
     select made.id, $1, made.id, run.plan, run.shelf, at, at from made, (select * from run where workshop_id = $1 limit 1) run`,
    `insert into run_event (workshop_id, run_id, key, event, received_at)
     select $1, made.id, 'e' || e, event, at from made, generate_series(1, ${NOTES}) e,
       (select event from run_event where workshop_id = $1 limit 1) one`,
  ]
  for (const text of copies) {
    const [, table] = /COLUMNS (\w+)/.exec(text) ?? []
    const columns = table && (await columnsOf(client, table)).filter(name => name !== 'batch_id').join(', ')
    await client.query(table ? text.replaceAll(`COLUMNS ${table}`, columns) : text, [workshop])
  }
}

async function columnsOf(client, table) {
  const { rows } = await client.query(
    `select column_name as name from information_schema.columns
     where table_schema = 'public' and table_name = $1 and is_generated = 'NEVER' and is_identity = 'NO'`,
    [table],
  )
  return rows.map(({ name }) => name)
}

/** The same workshop once more, under another id and with the same ids within. */
async function repeat(client, workshop, tables) {
  const id = randomUUID()
  await client.query('begin')
  await client.query(`insert into workshop (id, name) values ($1, 'One of many')`, [id])
  for (const [table, columns] of tables) {
    const taken = columns.map(name =>
      name === 'workshop_id' ? '$1::uuid' : name === 'sign_in_name' ? `left($1::uuid::text, 30)` : name,
    )
    await client.query(
      `insert into ${table} (${columns.join(', ')}) select ${taken.join(', ')} from ${table} where workshop_id = $2`,
      [id, workshop],
    )
  }
  await client.query('commit')
}

const TODAY = new Date().toISOString().slice(0, 10)

const PLACES = {
  list: () => `/api/batches?day=${TODAY}`,
  search: () => `/api/batches?search=weir&day=${TODAY}`,
  batch: id => `/api/batches/${id}`,
  history: id => `/api/batches/${id}/history`,
  today: () => `/api/due/today?day=${TODAY}`,
  shelf: () => '/api/shelf',
}

/** How long one member waits for each of its pages, ms. */
async function waits(ask, id) {
  const found = {}
  for (const [name, place] of Object.entries(PLACES)) {
    const times = []
    for (let i = 0; i < ASKED; i++) {
      const began = performance.now()
      const { status } = await ask('GET', place(id))
      if (status !== 200) throw new Error(`${place(id)} answered ${status}`)
      times.push(performance.now() - began)
    }
    found[name] = Number(median(times).toFixed(1))
  }
  return found
}

/**
 * @param base of a server with the demo
 * @param databaseUrl of its database, as one who may copy rows without their triggers
 * @returns rows and bytes of every table, and what one workshop waits for alone and among the others
 */
export async function years(base, databaseUrl, { workshops, batches }) {
  const ask = await signedIn(base)
  const [first] = (await ask('GET', '/api/batches')).body.batches
  const begun = await ask('POST', `/api/batches/${first.id}/runs`, { id: randomUUID() })
  if (begun.status > 201) throw new Error(`a run was not begun: ${JSON.stringify(begun.body)}`)
  const client = new pg.Client({ connectionString: databaseUrl })
  await client.connect()
  try {
    // Copies are right as they are: neither keys nor triggers look at each of them.
    await client.query('set session_replication_role = replica')
    await workedOut(client, ask)
    const [{ id: workshop }] = (await client.query('select id from workshop limit 1')).rows
    await fill(client, workshop, batches)
    await client.query('analyze')
    const alone = await waits(ask, first.id)
    const { rows } = await client.query(
      `select table_name as name from information_schema.columns
       where table_schema = 'public' and column_name = 'workshop_id' and table_name <> all($1)`,
      [DOORS],
    )
    const tables = []
    for (const { name } of rows) tables.push([name, await columnsOf(client, name)])
    for (let i = 1; i < workshops; i++) await repeat(client, workshop, tables)
    await client.query('analyze')
    const among = await waits(ask, first.id)
    const sizes = await client.query(
      `select relname as table, pg_total_relation_size(c.oid)::float8 as bytes, c.reltuples::float8 as rows
       from pg_class c where relkind = 'r' and relnamespace = 'public'::regnamespace and relname = any($1)
       order by 2 desc`,
      [rows.map(({ name }) => name)],
    )
    return { alone, among, sizes: sizes.rows.filter(one => one.rows > 0) }
  } finally {
    await client.end()
  }
}
