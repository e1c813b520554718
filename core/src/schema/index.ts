import { defaultMetadataStorage } from 'class-transformer/cjs/storage.js'
import { validationMetadatasToSchemas } from 'class-validator-jsonschema'
import { PLAN_FORMAT, PLAN_VERSION, Plan } from '../plan/index.ts'

type Schema = Record<string, unknown> & { properties: Record<string, unknown> }

/** Parts that may be null: "no scent", "no colour". The validator's rule for that is a function, so it is named here. */
const NULLABLE: Readonly<Record<string, readonly string[]>> = { [Plan.name]: ['scent'], Cup: ['colorant'] }

const nullable = (part: unknown) => ({ anyOf: [part, { type: 'null' }] })

function strict(name: string, schema: Schema): Schema {
  const properties = { ...schema.properties }
  for (const key of NULLABLE[name] ?? []) {
    const { $ref } = properties[key] as { $ref?: string }
    properties[key] = nullable({ $ref })
  }
  return { ...schema, properties, additionalProperties: false, required: Object.keys(properties) }
}

/** Fixed values read better as constants than as the validator's own form. */
const CONSTANTS: Record<string, unknown> = { format: { const: PLAN_FORMAT }, version: { const: PLAN_VERSION } }

/** JSON Schema (draft 2020-12) of the plan document, made from the classes that check it. */
export function planSchema(): Record<string, unknown> {
  const all = validationMetadatasToSchemas({
    classTransformerMetadataStorage: defaultMetadataStorage as never,
    refPointerPrefix: '#/$defs/',
  }) as unknown as Record<string, Schema>
  const { [Plan.name]: plan, ...rest } = all
  const root = strict(Plan.name, plan!)
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
