/** Where a mould stands, what its wall is, and what it stands on. */

export const PLACES = {
  room: 'in the room',
  refrigerator: 'in the refrigerator',
  freezer: 'in the freezer',
  oven: 'in the oven, heated and switched off',
  mat: 'on a heating mat',
  box: 'in a closed box',
} as const
export type Place = keyof typeof PLACES

export const WALL_KINDS = ['silicone', 'wood', 'hdpe', 'cardboard', 'pvc', 'acrylic', 'film'] as const
export type WallKind = (typeof WALL_KINDS)[number]

export const UNDER_KINDS = ['wood', 'stone', 'towel', 'rack'] as const
export type UnderKind = (typeof UNDER_KINDS)[number]
