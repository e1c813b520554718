export { FORECAST_FORMAT, forecast } from './forecast.ts'
export type { Forecast, ForecastResult } from './forecast.ts'
export type { Notice } from './notices.ts'
export type { WorkingKey } from './workings.ts'
