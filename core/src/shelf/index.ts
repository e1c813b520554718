export { findById } from './types.ts'
export type {
  AccelerationClass,
  Colorant,
  FattyGroups,
  Medium,
  MouldShape,
  Oil,
  Scent,
  Shelf,
  ShelfKind,
  SolidFatParts,
} from './types.ts'
export { REFERENCE_OILS } from './oils.ts'
export { REFERENCE_SHELF } from './reference.ts'
