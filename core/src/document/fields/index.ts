export {
  Choice,
  Choices,
  Fixed,
  Id,
  Ids,
  Like,
  NumberFrom,
  Part,
  Parts,
  Text,
  Texts,
  Uuid,
  Whole,
  Wholes,
  YesNo,
} from './rules.ts'
export { describedFields, fieldSentences } from './describe.ts'
export type { Class, Field } from './describe.ts'
export { problemsIn } from './check.ts'
export type { Problem } from './check.ts'
export { fieldAt, placeOf } from './place.ts'
export type { FieldPath } from './place.ts'
export { settled } from './settle.ts'
export { started, tidied } from './tidy.ts'
