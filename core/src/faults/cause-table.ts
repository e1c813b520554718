/** What can have gone wrong: its chance in an ordinary batch (empty: worked out of what is known of it), and what it needs. Estimates. */
export const CAUSE_TABLE = `
id | name | group | base | gate
lye-over | Lye over-weighed or an oil short | lye |  | 
value-wrong | Lye worked out from a wrong oil value or for another oil or alkali | lye |  | 
lye-short | Too little working lye (under-weighed, old, eaten by acid, oil over) | oil |  | 
fat-rich | Superfat or added oil too high | oil | .01 | 
lye-grain | Lye not fully dissolved | lye | .006 | 
early-split | Poured or split before the emulsion held | lye |  | 
false-trace | False trace: fat set and looked like trace | lye |  | 
ran-ahead | Ran ahead: mixed too warm, lye too strong, or blended too far | pace | .05 | 
water-low | Too little water for this design | water | .02 | 
water-high | Too much water | water | .05 | 
scent-fast | The scent accelerates | scent | .03 | scent
scent-rice | The scent rices | scent |  | scent
scent-weep | The scent separates or weeps | scent | .02 | scent
vanillin | Vanillin browns | scent |  | vanillin
scent-faint | Scent missing, under-dosed or fleeting | scent | .05 | scentWanted
fats-set | Stearic, wax or hard butter set in specks | fat | .015 | hardFat
milk-scorch | Milk or sugar scorched | additive | .02 | liquid
powder-salt | Too much salt, lactate, clay or dry powder | additive | .01 | dry
coarse-bits | Coarse bits dragged by the blade | additive | .01 | coarse
colour-alkali | A colour does not stand alkali | colour | .02 | colour
colour-light | A colour fades in light | colour | .02 | colour
dye-bleeds | A soluble dye or lake migrates | colour | .015 | colours2
poor-wetting | Powder not wetted out | colour | .05 | colour
white-much | Too much white pigment | colour | .01 | white
mix-up | Cups or doses mixed up or a pour out of order | score | .015 | colours2
poured-soon | A layer came before the one below could carry it | score |  | layers
joint-late | A layer came too late or a film lay between | score | .01 | layers
cup-thick | A cup was thicker than its pour needed | score |  | 
cup-thin | A cup was thinner than its pour or tool needed, or was worked too long | score |  | 
air-in | Air whisked in and not tapped out | score | .12 | 
embed-odd | Embed old, dry or of another base | score | .15 | embeds
partial-gel | Partial gel | rest |  | 
overheat | Overheated in the mould | rest |  | 
no-gel | Stayed cool: no gel | rest |  | 
cold-wall | Mould or place too cold at the walls | rest | .03 | 
rivers | Gelled hot with much water | rest |  | 
air-ash | Ordinary ash: damp surface met air | rest |  | 
mould-moved | Mould leaned, bulged or leaked | rest | .03 | 
unmould-early | Taken out or cut too soon | cut | .06 | 
cut-late | Cut too late | cut | .02 | 
blade | Dull, thick or unwiped blade | cut | .06 | 
damp-air | Damp air draws dew | cure | .04 | 
dry-uneven | Dried from one side | cure | .06 | 
old-oils | Old, stale or quickly rancid oils | cure | .015 | 
metal | Hard water or metal traces | cure | .01 | 
`
