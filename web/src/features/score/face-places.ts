/** Which way a face is cut, and where it is drawn. */
export type Cut = 'across' | 'along' | 'top' | 'turned'

export interface Place {
  left: number
  floor: number
  scale: number
  width: number
}
