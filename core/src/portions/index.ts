export { plainIceG } from './ice.ts'
export { resized } from './resize.ts'
export type { SizeWish } from './resize.ts'
export { missingOils, portionsOf } from './portions.ts'
export type { Portions, WeighedExtra, WeighedScent } from './portions.ts'
export { broughtIn, cupChemistry } from './cups.ts'
export type { CupScent, Portion, PortionColour } from './cups.ts'

export type { Layer } from './layers.ts'
export { dustedLines } from './dusting.ts'

export { withOilWeight } from './oil-weight.ts'
export { potAfter } from './pot-after.ts'
export { cavityPath } from './cavity-path.ts'
