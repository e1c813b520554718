import type { Shared } from '../record/index.ts'

/** Whom what was learned of a cause concerns, and where it is changed. */

/** What two plans share, or that they are of one workshop. */
export type NextKey = Shared | 'workshop'
/** Pages of a plan. */
export type NextPage = 'batter' | 'cups' | 'score' | 'rest' | 'cut' | 'prepare'

const TABLE = `
lye-over workshop,recipe prepare
value-wrong recipe batter
lye-short workshop,recipe batter
fat-rich recipe,colour batter
lye-grain workshop prepare
early-split scent,recipe batter
false-trace recipe batter
ran-ahead recipe batter
water-low recipe batter
water-high recipe batter
scent-fast scent batter
scent-rice scent,recipe batter
scent-weep scent batter
vanillin scent batter
scent-faint scent batter
fats-set recipe batter
milk-scorch recipe batter
powder-salt recipe batter
coarse-bits recipe cut
colour-alkali colour cups
colour-light colour cups
dye-bleeds colour cups
poor-wetting colour cups
white-much colour,recipe cups
mix-up workshop prepare
poured-soon recipe,scent score
joint-late recipe score
cup-thick scent,recipe score
cup-thin recipe score
air-in workshop score
embed-odd workshop score
partial-gel mould,recipe rest
overheat mould,recipe,scent rest
no-gel mould,recipe rest
cold-wall mould rest
rivers mould,recipe,colour batter
air-ash mould,recipe rest
mould-moved mould rest
unmould-early mould,recipe rest
cut-late recipe cut
blade workshop cut
damp-air workshop rest
dry-uneven workshop rest
old-oils recipe,workshop batter
metal workshop,recipe batter
`

export interface NextAbout {
  keys: readonly NextKey[]
  at: NextPage
}

export const NEXT_ABOUT: ReadonlyMap<string, NextAbout> = new Map(
  TABLE.trim()
    .split('\n')
    .map(line => {
      const [cause, keys, at] = line.split(' ')
      return [cause!, { keys: keys!.split(',') as NextKey[], at: at as NextPage }]
    }),
)
