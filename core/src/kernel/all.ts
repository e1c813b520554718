/** All that is compiled. */
export { conduct, gelledMost, heatKept, heatMade, react, take } from './heat-cells.ts'
export { lay, useTables } from './heat-lists.ts'
export { conductances, still, sweepAcross, sweepAlong, sweepUp } from './heat-sweeps.ts'
export { atWall, lossAtWall, meanAtWall, pull, warmWall } from './heat-walls.ts'
export { turns } from './twist.ts'
