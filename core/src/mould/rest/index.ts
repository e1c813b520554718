export { materialOf } from './material.ts'

export { middleSlice, restHistory, workedThrough } from './history.ts'
export type { CurvePoint, Frame } from './history.ts'

export { UNDERS, MOULD_WALLS } from './walls.ts'
export { REST_ERROR, REST_VARIATION, restNumbers, wholeRun, withVariation } from './chances.ts'
export type { RestNumbers, TimeBand } from './chances.ts'

export { showTowels } from './walls.ts'
export { makeItSo } from './make-it-so.ts'
export type { RestSearch, RestWay, Work } from './make-it-so.ts'
export { aboutOf, restRunInputOf } from './plan-rest.ts'
export { restCavity } from './cavity.ts'

export { overheatsForced, staysCold } from './sentences.ts'
export type { RestTask } from './sentences.ts'
export { fittedRest, readRest, restOutlook } from './outlook.ts'
export type { RestOutlook, RestSaid } from './outlook.ts'

export { restEvidence } from './evidence.ts'
export { restPaces } from './rest-paces.ts'

export type { Refit } from './refit.ts'
export { batterWater } from './cup-materials.ts'
export { quickRest, readyC } from './gel-shares.ts'
export type { CupGel, QuickRest } from './gel-shares.ts'
export { gelAlong, gelOfBars } from './along.ts'

export { contrastFor, waterEdit, waterOnShelf } from './contrast.ts'
export type { ContrastWay } from './contrast.ts'
