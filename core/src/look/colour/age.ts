/** When, and how far gelled: days since the pour, gel from 0 to 1, light 0 dark, 1 room, 3 window. */
export interface Age {
  days: number
  gel: number
  light?: number
  /** A polished face has half the haze. */
  isPolished?: boolean
}
