import { randomUUID } from 'node:crypto'
import { readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { designFrom, findById, forecast, fromLots, gelOf, readPlanText, say, usedUp } from '@ostler/core'
import type { Plan, ShelfItem } from '@ostler/core'
import type { BatchStore } from '../batches/store.ts'
import type { Database } from '../database/connection.ts'
import type { LotStore } from '../lots/store.ts'
import { DEMO_SIGN_IN } from '../members/demo-sign-in.ts'
import type { Who } from '../database/who.ts'
import type { MemberStore } from '../members/store.ts'
import { projectDir } from '../project-dir.ts'
import type { RecordStore } from '../record/store.ts'
import { DEMO_PAST, pastEntries, pastPlan } from './demo-records.ts'
import type { DesignStore } from '../designs/store.ts'
import type { RecipeStore } from '../recipes/store.ts'
import type { ShelfStore } from '../shelf/store.ts'
import type { TrialStore } from '../trials/store.ts'
import { demoDesigns } from './demo-designs.ts'
import { demoTrials } from './demo-trials.ts'
import {
  DEMO_ALLERGENS,
  DEMO_LABELLING,
  DEMO_LOTS,
  DEMO_PALETTE,
  DEMO_PRICING,
  DEMO_RACK,
  DEMO_RECIPES,
  DEMO_REORDERS,
  DEMO_SWATCHES,
} from './demo-shelf.ts'

const EXAMPLES = join(projectDir(), 'examples')

interface Stores {
  db: Database
  members: MemberStore
  batches: BatchStore
  shelf: ShelfStore
  recipes: RecipeStore
  designs: DesignStore
  records: RecordStore
  lots: LotStore
  trials: TrialStore
}

async function fillShelf(who: Who, { shelf: store, recipes }: Stores): Promise<void> {
  const { workshopId } = who
  const { shelf } = await store.all(workshopId)
  for (const [kind, id, lots] of DEMO_LOTS) {
    const item = shelf[kind].find(one => one.id === id)
    if (!item) throw new Error(`the demo has a lot of ${id}, which is not among the ${kind}`)
    const swatches = kind === 'colorants' ? DEMO_SWATCHES.find(([colorant]) => colorant === id)?.[1] : undefined
    const [reorderAtG, allergens] = [DEMO_REORDERS[id], DEMO_ALLERGENS[id]]
    const known = {
      ...(swatches && { swatches }),
      ...(reorderAtG !== undefined && { reorderAtG }),
      ...(allergens && { allergens }),
    }
    // Full still: what went into batches comes off, and then the shelf is counted.
    await store.save(who, kind, { ...item, ...known, lots: lots.map(lot => ({ ...lot, left: lot.bought })) }, 1)
  }
  await store.save(who, 'palettes', DEMO_PALETTE, 0)
  await store.setRules(workshopId, [
    { tag: 'not-cosmetic', weight: 'never' },
    { tag: 'plastic', weight: 'never' },
    { tag: 'milk', weight: 'tell' },
    { tag: 'tree-nut', weight: 'tell' },
    { tag: 'gluten', weight: 'tell' },
  ])
  for (const { name, versions } of DEMO_RECIPES) {
    const first = await recipes.add(who, name, versions[0]!.reason, versions[0]!.recipe)
    if (!first.ok) throw new Error(`the demo recipe ${name} was not saved`)
    for (const [i, { reason, recipe }] of versions.slice(1).entries())
      await recipes.addVersion(who, first.saved.id, i + 1, name, reason, recipe)
  }
}

/** Examples whose designs stand in the library too. */
const KEPT = ['heron-reach.json', 'mill-race.json', 'otter-slide.json', 'peat-and-sedge.json', 'thistle-top.json']

async function keepDesign(who: Who, plan: Plan, { designs, shelf }: Stores): Promise<void> {
  const result = forecast(plan, (await shelf.all(who.workshopId)).shelf)
  const cups = result.ok ? result.forecast.colours.cups : []
  const hexOf = (id: string) =>
    cups.find(one => one.cup === id)?.stages.cured[gelOf(plan)].hex ??
    plan.cups.find(cup => cup.id === id)?.wish ??
    '#bdb6a6'
  await designs.add(who, { ...designFrom(plan, plan.name, hexOf), notes: plan.notes.slice(0, 300) })
}

function exampleOf(file: string): Plan {
  const result = readPlanText(readFileSync(join(EXAMPLES, file), 'utf8'))
  if (!result.ok) throw new Error(`The example ${file} is not a plan: ${say(result.problems[0]!.sentence)}`)
  return result.plan
}

/** Batches that were made before today, with the lots that went in and what came of them. */
async function addPast(who: Who, stores: Stores, now: Date): Promise<void> {
  const { batches, records, lots } = stores
  const { workshopId } = who
  for (const past of DEMO_PAST) {
    const plan = pastPlan(exampleOf(`${past.example}.json`), past, now)
    const { id } = await batches.add(workshopId, plan)
    await records.add(who, id, pastEntries(past, now))
    if (past.tags) await batches.setTags(workshopId, id, past.tags)
    if (past.pouredDaysAgo === null) continue
    const { shelf } = await stores.shelf.all(workshopId)
    const made = forecast(plan, shelf)
    if (!made.ok) continue
    const takes = usedUp(plan, shelf, made.forecast.portions, {}).flatMap(({ kind, id: item, massG }) =>
      fromLots(findById<ShelfItem>(shelf[kind], item)?.lots ?? [], massG).map(one => ({ kind, item, ...one })),
    )
    await lots.book(workshopId, id, { takes, evenIfShort: true })
  }
}

/** The shelf as it was counted last. */
async function countShelf(who: Who, { shelf: store }: Stores): Promise<void> {
  const { shelf, revisions } = await store.all(who.workshopId)
  for (const [kind, id, lots] of DEMO_LOTS) {
    const item = shelf[kind].find(one => one.id === id)!
    await store.save(who, kind, { ...item, lots }, revisions[kind][id]!)
  }
}

const keepWays = (workshopId: string, { db }: Stores) =>
  db
    .updateTable('workshop')
    .set({
      labelling: JSON.stringify(DEMO_LABELLING),
      rack: JSON.stringify(DEMO_RACK),
      pricing: JSON.stringify(DEMO_PRICING),
    })
    .where('id', '=', workshopId)
    .execute()

/** Loads the made-up workshop with the example batches, unless a workshop exists. */
export async function loadDemo(stores: Stores, now = new Date()): Promise<void> {
  const { members, batches } = stores
  if (await members.hasWorkshop({ countsDemo: true })) return
  const form = { workshopName: 'Sluice Lane Workshop', memberName: 'Demo maker', ...DEMO_SIGN_IN }
  const made = await members.setUp(form, { countsDemo: true, isDemo: true })
  if (!made.ok) return
  const { workshopId, memberId } = made
  const who = { workshopId, memberId }
  await fillShelf(who, stores)
  await keepWays(workshopId, stores)
  await addPast(who, stores, now)
  await countShelf(who, stores)
  for (const file of readdirSync(EXAMPLES)
    .filter(name => name.endsWith('.json'))
    .sort()) {
    const plan = exampleOf(file)
    await batches.add(workshopId, plan)
    if (KEPT.includes(file)) await keepDesign(who, plan, stores)
  }
  for (const design of demoDesigns()) {
    const kept = await stores.designs.add(who, design)
    if (!kept.ok) throw new Error(`the demo design ${design.name} was not kept`)
  }
  const { shelf } = await stores.shelf.all(workshopId)
  const file = join(projectDir(), 'trials', 'green-doses.json')
  for (const trial of demoTrials(file, shelf, now.toISOString().slice(0, 10)))
    await stores.trials.add(workshopId, randomUUID(), { trial, batch: null })
}
