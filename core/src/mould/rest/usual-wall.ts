import type { WallKind } from '../../plan/index.ts'
import type { Mould } from '../../plan/index.ts'

/** Wall and thickness that a mould usually has: bare ones are silicone, lined ones wood, tubes plastic. */
export function usualWall(mould: Mould): WallKind {
  if (mould.form === 'cylinder') return 'pvc'
  return mould.lining === 'none' ? 'silicone' : 'wood'
}
