/**
 * Vessels: what clings is computed from a film of 0.20 mm (thin) and 0.55 mm (thick) on the wetted wall, an estimate.
 */
export const VESSELS = `
id                 | name                          | role  | material  | capacityMl | workingFillShare | clingThinG | clingThickG | count
jug-pp-500         | Jug, polypropylene 500 ml     | jug   | pp        | 500        | 80               | 5          | 14           | 3
jug-pp-1000        | Jug, polypropylene 1 litre    | jug   | pp        | 1000       | 80               | 8          | 22           | 4
jug-pp-2000        | Jug, polypropylene 2 litre    | lye   | pp        | 2000       | 80               | 13         | 36           | 1
jug-hdpe-2000      | Jug, HDPE 2 litre             | lye   | hdpe      | 2000       | 80               | 13         | 36           | 1
bucket-pp-5000     | Bucket, polypropylene 5 litre | pot   | pp        | 5000       | 75               | 22         | 61           | 1
pot-stainless-3000 | Pot, stainless steel 3 litre  | pot   | steel     | 3000       | 75               | 16         | 43           | 1
pot-stainless-6000 | Pot, stainless steel 6 litre  | pot   | steel     | 6000       | 75               | 25         | 68           | 1
cup-pp-250         | Cup, polypropylene 250 ml     | cup   | pp        | 250        | 85               | 3          | 9            | 6
beaker-pp-600      | Beaker, polypropylene 600 ml  | cup   | pp        | 600        | 85               | 6          | 17           | 4
squeeze-ldpe-350   | Squeeze bottle, LDPE 350 ml   | other | ldpe      | 350        | 85               | 7          | 21           | 1
tray-silicone-250  | Folding cup, silicone 250 ml  | cup   | silicone  | 250        | 85               | 3          | 9            | 1
jug-glass-1000     | Jug, glass 1 litre            | other | glass     | 1000       | 80               | 8          | 22           | 1
pan-aluminium-2000 | Pan, aluminium 2 litre        | other | aluminium | 2000       | 75               | 12         | 33           | 1
pan-enamel-3000    | Pan, enamelled steel 3 litre  | pot   | enamel    | 3000       | 75               | 16         | 43           | 1
cup-paper-250      | Cup, coated paper 250 ml      | other | paper     | 250        | 85               | 3          | 9            | 1
bath-8l            | Wash basin, 8 litre           | bath  | pp        | 8000       | 80               | 0          | 0            | 1
`
