export { forecast, forecaster } from './forecast.ts'
export type { Forecast, ForecastResult } from './forecast.ts'

export { everything } from './everything.ts'
export { batchLook } from './batch-look.ts'
export type { BatchCourse, BatchLook, Raster } from './batch-look.ts'
export { quickensSentence } from './batter-notices.ts'
