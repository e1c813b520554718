/**
 * Tools of a small workshop.
 */
export const TOOLS = `
id            | name                       | use                       | count | battery
scale-1g      | Scale, steps of 1 g        | oils and water            | 1     | yes
scale-fine    | Fine scale, steps of 0.1 g | lye, scent, colours       | 1     | yes
stick-blender | Stick blender              | the emulsion              | 1     | no
mini-mixer    | Mini mixer                 | colours in their liquid   | 1     | yes
spatula       | Spatula                    | scraping and pouring over | 4     | no
spoon-steel   | Stainless spoon            | stirring lye              | 2     | no
thermometer   | Thermometer                | lye and oils              | 2     | yes
level         | Spirit level               | the mould on two axes     | 1     | no
skewer        | Skewer                     | swirls and test drips     | 3     | no
wire          | Hanger wire                | lifted swirls             | 1     | no
whisk         | Hand whisk                 | when the mixer fails      | 2     | no
sieve         | Fine sieve                 | powders and lye grains    | 1     | no
funnel        | Funnel                     | narrow pours              | 1     | no
comb          | Comb                       | combed tops               | 1     | no
scissors      | Scissors                   | liners                    | 1     | no
goggles       | Goggles                    | eyes                      | 1     | no
gloves        | Gloves, long               | hands, two pairs          | 2     | no
dust-mask     | Dust mask                  | dry powders               | 1     | no
wedge         | Wedge or block             | tilting the mould         | 1     | no
chopstick     | Chopstick                  | drawn swirls              | 2     | no
piping-bag    | Piping bag                 | piped tops                | 2     | no
piping-tips   | Piping tips                | piped tops                | 3     | no
cover         | Cover and towel            | the rest                  | 1     | no
`
