import { describedFields } from '../document/fields/index.ts'
import type { Class, Field as DescribedField } from '../document/fields/index.ts'
import { BenchRun, RUN_VERSION } from '../bench/index.ts'
import { PLAN_VERSION, Plan } from '../plan/index.ts'
import { Trial } from '../trial/index.ts'
import { fieldTables } from './table.ts'

type Schema = Record<string, unknown>

const ref = (of: Class) => ({ $ref: `#/$defs/${of.name}` })

/** What a value is like that is neither null nor empty. */
function plain({
  kind,
  from,
  to,
  pattern,
  values,
  of,
  each,
}: Pick<DescribedField, 'kind'> & Partial<DescribedField>): Schema {
  switch (kind) {
    case 'number':
      return { type: 'number', minimum: from, maximum: to }
    case 'whole':
      return { type: 'integer', minimum: from, maximum: to }
    case 'text':
      return { type: 'string', ...(pattern && { pattern: pattern.source }) }
    case 'flag':
      return { type: 'boolean' }
    case 'choice':
      return { enum: values }
    case 'fixed':
      return { const: values![0] }
    case 'part':
      return ref(of!())
    case 'parts':
      return { type: 'array', minItems: from, maxItems: to, items: ref(of!()) }
    case 'list':
      return { type: 'array', minItems: from, maxItems: to, items: plain(each!) }
  }
}

function property(field: DescribedField): Schema {
  const { says, orNull, orEmpty } = field
  const said = says ? { description: says } : {}
  const value = plain(field)
  if (orNull) return { ...said, anyOf: [value, { type: 'null' }] }
  if (orEmpty) return { ...said, anyOf: [value, { const: '' }] }
  return { ...said, ...value }
}

const schemaOf = (type: Class): Schema => {
  const fields = describedFields(type)
  return {
    type: 'object',
    properties: Object.fromEntries(fields.map(field => [field.key, property(field)])),
    additionalProperties: false,
    required: fields.filter(field => field.optional !== true).map(field => field.key),
  }
}

/** Every class that a class is made of, itself left out. */
function partsOf(type: Class, found = new Set<Class>()): Set<Class> {
  for (const { of } of describedFields(type)) {
    const part = of?.()
    if (!part || found.has(part)) continue
    found.add(part)
    partsOf(part, found)
  }
  return found
}

/** Every field of the plan document as tables, made from what its classes say of them. */
export const planTables = (): string => fieldTables([Plan, ...partsOf(Plan)])

/** JSON Schema (draft 2020-12) of a document, made from what its classes say of their fields. */
function documentSchema(type: Class, title: string, id: string): Record<string, unknown> {
  const parts = [...partsOf(type)].sort((a, b) => a.name.localeCompare(b.name))
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    $id: id,
    title,
    ...schemaOf(type),
    $defs: Object.fromEntries(parts.map(part => [part.name, schemaOf(part)])),
  }
}

export const planSchema = () =>
  documentSchema(Plan, `Ostler batch plan, version ${PLAN_VERSION}`, `urn:ostler:plan:${PLAN_VERSION}`)
export const trialSchema = () => documentSchema(Trial, 'Ostler trial, version 1', 'urn:ostler:trial:1')
export const runSchema = () =>
  documentSchema(BenchRun, `Ostler run, version ${RUN_VERSION}`, `urn:ostler:run:${RUN_VERSION}`)

/** Every field of the trial document as tables. */
export const trialTables = (): string => fieldTables([Trial, ...partsOf(Trial)])

export { wordsOfFields } from './words.ts'
