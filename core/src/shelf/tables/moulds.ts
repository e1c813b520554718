/**
 * Moulds by inner size; taper and rounded corners are left out. Extra hours before unmoulding: an estimate per wall.
 */
export const MOULDS = `
id               | name                                         | form     | innerLengthMm | innerWidthMm | innerHeightMm | cavities | usualFillShare | wall            | lining | releaseHours
loaf-1kg         | Silicone loaf, about 1 kg                    | box      | 230           | 75           | 70            | 1        | 90             | silicone        | none   | 12
loaf-sleeved     | Silicone loaf in wooden sleeve, about 1.5 kg | box      | 280           | 80           | 75            | 1        | 90             | silicone-sleeve | none   | 12
loaf-1500        | Wooden loaf, about 1.5 kg                    | box      | 300           | 75           | 75            | 1        | 90             | wood            | paper  | 0
loaf-3kg         | Wooden loaf, about 3 kg                      | box      | 400           | 90           | 90            | 1        | 90             | wood            | paper  | 0
loaf-tall        | Tall narrow loaf                             | box      | 250           | 60           | 100           | 1        | 90             | plastic         | paper  | 0
loaf-tester      | Small test loaf                              | box      | 110           | 60           | 65            | 1        | 85             | silicone        | none   | 12
slab-12          | Slab for 12 bars                             | box      | 300           | 225          | 30            | 1        | 90             | plastic         | paper  | 0
slab-divided-18  | Divided slab, 18 bars                        | box      | 84            | 57           | 28            | 18       | 95             | plastic         | none   | 0
column-round-76  | Round column, 76 mm bore                     | cylinder | 76            | 76           | 300           | 1        | 95             | plastic         | film   | 0
column-square-63 | Square column, 63 mm                         | box      | 63            | 63           | 300           | 1        | 95             | plastic         | film   | 0
column-hex-70    | Hexagonal column, 70 mm across flats         | hexagon  | 70            | 70           | 250           | 1        | 95             | plastic         | film   | 0
cavity-rect-6    | Cavity tray, 6 rectangles                    | box      | 85            | 60           | 28            | 6        | 95             | silicone        | none   | 12
cavity-round-12  | Cavity tray, 12 rounds                       | cylinder | 65            | 65           | 25            | 12       | 95             | silicone        | none   | 12
cavity-oval-8    | Cavity tray, 8 ovals                         | ellipse  | 85            | 58           | 27            | 8        | 95             | silicone        | none   | 12
cavity-dome-6    | Cavity tray, 6 half spheres                  | dome     | 70            | 70           | 35            | 6        | 95             | silicone        | none   | 12
carton-1l        | Card drink carton, 1 litre                   | box      | 95            | 60           | 170           | 1        | 85             | card            | none   | 0
`
