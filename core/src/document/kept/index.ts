export { opened } from './kept.ts'
export type { Kind, Loose, Opened, Step } from './kept.ts'
