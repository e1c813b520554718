export { missingOils, portionsOf, stackLayers } from './portions.ts'
export type { Layer, Portion, Portions, WeighedOilPart } from './portions.ts'
