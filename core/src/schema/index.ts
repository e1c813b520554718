import { defaultMetadataStorage } from 'class-transformer/cjs/storage.js'
import { validationMetadatasToSchemas } from 'class-validator-jsonschema'
import { PLAN_FORMAT, PLAN_VERSION, Plan } from '../plan/index.ts'

type Schema = Record<string, unknown> & { properties: Record<string, unknown> }

/** Values that may be null: "no scent", "no colour". The validator's rule for that is a function, so it is named here. */
const NULLABLE: Readonly<Record<string, readonly string[]>> = {
  [Plan.name]: ['freeLye', 'whipped', 'scent', 'planB', 'blendedS'],
  Cup: ['wish', 'ownScent', 'stabiliserRatio', 'clingG', 'stop', 'draw', 'lyeShare'],
  CupColorant: ['slurry'],
  Pour: ['window'],
  CupActual: ['colouredG'],
  ColourWish: ['baseHex', 'gel'],
  Rest: ['oven', 'wallMm', 'preheatedC'],
  OilPart: ['infusion'],
  Recipe: ['origin'],
  Heat: ['lyeC'],
  Division: ['top'],
}

/** Texts that may be empty beside what their pattern says. */
const MAY_BE_EMPTY: Readonly<Record<string, readonly string[]>> = {
  Heat: ['startAt', 'lyeVessel', 'oilsVessel'],
  Cup: ['vessel'],
  Reserve: ['cup'],
  Division: ['makesUp', 'mediumOil'],
  Infusion: ['colorant'],
  TintLadder: ['white'],
  PourShape: ['pencil'],
}

/** The validator's bundle writes a nested part as a reference beside other words, which only the reference needs. */
const nullable = (part: unknown) => {
  const { $ref } = part as { $ref?: string }
  return { anyOf: [$ref ? { $ref } : part, { type: 'null' }] }
}

function strict(name: string, schema: Schema): Schema {
  const properties = { ...schema.properties }
  for (const key of NULLABLE[name] ?? []) properties[key] = nullable(properties[key])
  for (const key of MAY_BE_EMPTY[name] ?? []) properties[key] = { anyOf: [properties[key], { const: '' }] }
  return { ...schema, properties, additionalProperties: false, required: Object.keys(properties) }
}

/** Classes that a plan is made of: what the plan refers to, and what that refers to. */
function partsOf(root: Schema, all: Readonly<Record<string, Schema>>): Record<string, Schema> {
  const found: Record<string, Schema> = {}
  const walk = (schema: Schema) => {
    for (const [, name] of JSON.stringify(schema).matchAll(/"#\/\$defs\/(\w+)"/g)) {
      if (found[name!] || !all[name!]) continue
      found[name!] = all[name!]!
      walk(all[name!]!)
    }
  }
  walk(root)
  return found
}

/** Fixed values read better as constants than as the validator's own form. */
const CONSTANTS: Record<string, unknown> = { format: { const: PLAN_FORMAT }, version: { const: PLAN_VERSION } }

/** JSON Schema (draft 2020-12) of the plan document, made from the classes that check it. */
export function planSchema(): Record<string, unknown> {
  const all = validationMetadatasToSchemas({
    classTransformerMetadataStorage: defaultMetadataStorage as never,
    refPointerPrefix: '#/$defs/',
  }) as unknown as Record<string, Schema>
  const plan = all[Plan.name]!
  const rest = partsOf(plan, all)
  const root = strict(Plan.name, plan)
  const pour = rest['Pour']!
  const parts = { ...rest, Pour: { ...pour, properties: { ...pour.properties, kind: { const: 'pour' } } } }
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: `Ostler batch plan, version ${PLAN_VERSION}`,
    ...root,
    properties: { ...root.properties, ...CONSTANTS },
    $defs: Object.fromEntries(Object.entries(parts).map(([name, schema]) => [name, strict(name, schema)])),
  }
}
