export { ENGLISH, said, say } from './say.ts'
export type { Catalogue } from './say.ts'
export { showMeasure } from './measures.ts'
