import { fact } from '../quantities/facts/index.ts'
import { say } from '../quantities/words/index.ts'
import { describedFields } from '../document/fields/index.ts'
import type { Class, Field } from '../document/fields/index.ts'

const short = (value: unknown): string =>
  typeof value === 'number' ? String(Number(value.toPrecision(6))) : JSON.stringify(value)

function values({ kind, from, to, values: some, of, each }: Pick<Field, 'kind'> & Partial<Field>): string {
  switch (kind) {
    case 'number':
      return `${short(from)} to ${short(to)}`
    case 'whole':
      return `${short(from)} to ${short(to)}, whole`
    case 'text':
      return 'text'
    case 'flag':
      return 'true, false'
    case 'choice':
    case 'fixed':
      return some!.map(value => `\`${value}\``).join(', ')
    case 'part':
      return `[${of!().name}](#${of!().name.toLowerCase()})`
    case 'parts':
      return `${from} to ${to} of [${of!().name}](#${of!().name.toLowerCase()})`
    case 'list':
      return `${from} to ${to}: ${values(each!)}`
  }
}

function row(field: Field): string {
  const { key, says, sentence, orNull, orEmpty, optional, start, kind } = field
  const also = [orNull && '`null`', orEmpty && 'empty', optional && 'left out'].filter(Boolean).join(', ')
  const range = `${values(field)}${also ? ` or ${also}` : ''}`
  const begins = start === undefined || kind === 'fixed' || kind === 'parts' ? '' : `\`${short(start)}\``
  const about = says ?? (kind === 'part' || kind === 'parts' || kind === 'fixed' ? '' : say(fact(sentence)))
  return `| \`${key}\` | ${about.replaceAll('|', '/')} | ${range} | ${begins} |`
}

/** The fields of classes as tables in Markdown, each class under its name, in the order given. */
export const fieldTables = (types: readonly Class[]): string =>
  types
    .map(type => {
      const rows = describedFields(type).map(row)
      return [
        `## ${type.name}`,
        '',
        '| field | what | values | starts as |',
        '| --- | --- | --- | --- |',
        ...rows,
      ].join('\n')
    })
    .join('\n\n')
