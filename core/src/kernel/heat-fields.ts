/** Where the numbers of a block stand. Lists of a number a cell follow each other, each with the same room. */

/** Of every block: what its cells are like and have been through. °C, shares, K, s, h at 65 °C, W/(m·K). */
export const WARMTH: i32 = 0
export const CONVERTED: i32 = 1
export const GELLED: i32 = 2
export const MOST_GELLED: i32 = 3
export const MARGIN: i32 = 4
export const HOTTEST: i32 = 5
export const GELLED_AT: i32 = 6
export const DOSE: i32 = 7
export const BEFORE: i32 = 8
/** As the conductances were last worked out. */
export const CONDUCTS: i32 = 9
/** What a step makes of it: J/m³, J/(m³K); conductivities between cells, 0 at walls; what the sweeps start from and end with, and scratch. */
export const SOURCE: i32 = 10
export const CAPACITY: i32 = 11
export const ACROSS: i32 = 12
export const UP: i32 = 13
export const ALONG: i32 = 14
export const SWEEP: i32 = 15
export const SCRATCH: i32 = 16
/** Of the columns over x: volume, and area over volume and distance of the inner and the outer face, 1/m². */
export const VOLUME: i32 = 17
export const INNER: i32 = 18
export const OUTER: i32 = 19
/** Gel temperature of each cell, °C. */
export const GEL_C: i32 = 20
/** Of each wall five lists: its warmth; what conducts to it and through it, W/(m²K); °C that its cell exchanges heat with; that cell. */
export const WALLS: i32 = 21
export const WALL_LISTS: i32 = 5
export const WALL_C: i32 = 0
export const TO_WALL: i32 = 1
export const THROUGH: i32 = 2
export const MEETS: i32 = 3
export const CELL: i32 = 4
/** Side, top, bottom, end. */
export const MOST_WALLS: i32 = 4
export const LISTS: i32 = WALLS + WALL_LISTS * MOST_WALLS

/** Points of the tables over warmth: so many to a K, from the coldest on; and of the one over conversion, from none to all. */
export const STEPS_PER_K: i32 = 4
export const COLDEST_C: f64 = -33
export const NODES: i32 = 694
export const SOAP_STEPS: i32 = 512

/** A material's numbers with its table behind them: at every node four numbers. */
export const MATERIAL_HEAD: i32 = 8
export const MATERIAL_ROOM: i32 = MATERIAL_HEAD + 4 * NODES
/** In a material's head: what of conversion superfat leaves, heat of reaction and gel, J/m³; J/(m³K) at 50 °C and its slope, 1/K; fresh W/(m·K); °C. */
export const KEEPS: i32 = 0
export const HEAT: i32 = 1
export const GEL_HEAT: i32 = 2
export const HOLDS: i32 = 3
export const SLOPE: i32 = 4
export const FRESH: i32 = 5
export const GELS_AT: i32 = 6
/** What the reaction starts from. */
export const SEEDS: i32 = 7

/** A margin that stands for: not gelled at all, K. */
export const NEVER: f64 = -99
