export { baredShelf } from './bared.ts'
export { fieldWords } from './fields.ts'
export type { Field } from './fields.ts'
export { Ingredient, Lot, SOURCES, ShelfItem, TAGS } from './item.ts'
export type { Tag } from './item.ts'
export {
  ACCELERATIONS,
  Additive,
  LIMIT_BASES,
  Liquid,
  MAX_ALLERGENS,
  MAX_SCENT_PARTS,
  MOMENTS,
  Oil,
  OilShare,
  Scent,
  Allergen,
  ScentPart,
} from './ingredients.ts'
export type { AccelerationClass, HeatClass, Moment } from './ingredients.ts'
export {
  Colorant,
  MAX_CUP_COLORANTS,
  MAX_PALETTE,
  MAX_SWATCHES,
  MEDIA,
  OwnSwatch,
  Palette,
  SWATCH_FAULTS,
} from './colorant.ts'
export { BEFORE_TRIALS, FINDINGS, Finding, apartFrom, foundOf } from './finding.ts'
export type { FindingWhat } from './finding.ts'
export type { Medium, PaletteColour, SwatchFault } from './colorant.ts'
export { FORMS, LININGS, MouldShape, Tool, Vessel } from './equipment.ts'
export type { Lining, MouldForm, Wall } from './equipment.ts'
export { MATERIAL_VERDICTS, vesselFit } from './materials.ts'

export {
  MOST_ITEMS,
  SHELF_KINDS,
  TagRule,
  checkItem,
  fieldsOfKind,
  findById,
  idFromName,
  newItem,
  rulesOn,
  shelfKinds,
  stockOf,
  unitCost,
} from './shelf.ts'
export type { Shelf, ShelfKind } from './shelf.ts'
export { fattyGroups, isFattyAcid, isHard } from './fatty.ts'
export type { FattyGroups } from './fatty.ts'
export { readCell, writeCell } from './cells.ts'
export { completed, referenceShelf, wholeShelf } from './reference.ts'
export { SHELF_VERSION, openedItem } from './kept.ts'
export { substitutesFor } from './substitutes.ts'
export type { SubstitutableKind } from './substitutes.ts'
export { itemChanges } from './item-changes.ts'
export { MOST_ROWS, TableReader, tableHeaders, tableRow } from './table-file.ts'
export type { RowReport, TableColumn, TablePreview } from './table-file.ts'
export { OwnWindow, WINDOW_KINDS } from './own-windows.ts'
export type { WindowKind } from './own-windows.ts'
export { OwnTime, TIME_KINDS } from './own-times.ts'
export type { TimeKind } from './own-times.ts'
export type { Evidence, PaceReading, CureReadings, FactorReading, RestReadings } from './evidence.ts'
