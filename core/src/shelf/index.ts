export { fieldsOf } from './fields.ts'
export type { Field } from './fields.ts'
export { Lot, SOURCES, ShelfItem, TAGS } from './item.ts'
export type { Source, Tag } from './item.ts'
export {
  ACCELERATIONS,
  Additive,
  HEATS,
  LIMIT_BASES,
  Liquid,
  MAX_SCENT_PARTS,
  MOMENTS,
  Oil,
  SCENT_TYPES,
  Scent,
  ScentPart,
  TEXTURES,
} from './ingredients.ts'
export type { AccelerationClass, HeatClass, LimitBasis, Moment, Texture } from './ingredients.ts'
export {
  COLORANT_FORMS,
  Colorant,
  MAX_CUP_COLORANTS,
  MAX_PALETTE,
  MAX_SWATCHES,
  MEDIA,
  OwnSwatch,
  Palette,
  SPECTRA,
  SWATCH_FAULTS,
} from './colorant.ts'
export type { Medium, PaletteColour, PaletteDose, SwatchFault } from './colorant.ts'
export { FORMS, LININGS, MATERIALS, MouldShape, Tool, VESSEL_ROLES, Vessel, WALLS } from './equipment.ts'
export type { Lining, Material, MouldForm, Wall } from './equipment.ts'
export { CONTENT_DENSITY, MATERIAL_VERDICTS, vesselFit } from './materials.ts'
export type { MaterialVerdict, Suits, VesselFit } from './materials.ts'
export {
  MOST_ITEMS,
  SHELF_KINDS,
  TagRule,
  checkItem,
  fieldsOfKind,
  findById,
  idFromName,
  newItem,
  shelfKinds,
  stockOf,
  unitCost,
} from './shelf.ts'
export type { ItemOf, Shelf, ShelfKind } from './shelf.ts'
export { fattyGroups, isFattyAcid, isHard } from './fatty.ts'
export type { FattyGroups } from './fatty.ts'
export { readCell, writeCell } from './cells.ts'
export { completed, referenceShelf } from './reference.ts'
export { SHELF_VERSION, openedItem } from './kept.ts'
export { substitutesFor } from './substitutes.ts'
export type { SubstitutableKind, Substitute } from './substitutes.ts'
export { MOST_ROWS, TableReader, tableHeaders, tableRow } from './table-file.ts'
export type { RowReport, TablePreview } from './table-file.ts'
export { OwnWindow, WINDOW_KINDS } from './own-windows.ts'
export type { WindowKind } from './own-windows.ts'
export { OwnTime, TIME_KINDS } from './own-times.ts'
export type { TimeKind } from './own-times.ts'
export type { Evidence, PaceReading, RestReadings } from './evidence.ts'
