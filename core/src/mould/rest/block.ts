import type { Around, BlockInput, Faces } from './block-input.ts'
import { LOSSES } from './constants.ts'
import { EndBar } from './end-bar.ts'
import { Reaction } from './reaction.ts'
import type { Cells } from './reaction.ts'
import { Grid, faceConductances, sweepAcross, sweepAlong, sweepUp } from './sweeps.ts'
import { BROWNS_FROM_C, browningAt } from './tables.ts'
import { WallLine } from './wall-line.ts'
import type { Face } from './walls.ts'

/** Not gelled at all, K. */
export const NEVER = -99
const SHORTEST_S = 2
const LONGEST_S = 600
const FIRST_S = 5

/**
 * Heat, conversion and gel in a block of soap, step by step: alternating directions in increment form (Douglas), 0.55 implicit
 * inside, fully implicit at the walls, whose own heat is eliminated so that energy is kept to rounding.
 */
export class Block {
  readonly n: number
  readonly dx: number
  readonly dy: number
  readonly dz: number
  readonly T: Float64Array
  readonly X: Float64Array
  readonly g: Float64Array
  readonly gmax: Float64Array
  /** Most that a cell was above its gel temperature while it could gel, K. */
  readonly margin: Float64Array
  readonly hottest: Float64Array
  /** Seconds until a cell was more than half gelled; −1: never. */
  readonly gelledAt: Float64Array
  /** Warmth that browns milk and sugar, h at 65 °C. */
  readonly dose: Float64Array
  /** Of the cells in a column over x, m² (m² per radian where round): all rows alike. */
  readonly volume: Float64Array
  /** Rows that are filled. */
  rows: number
  timeS: number
  /** Heat made, lost and kept since the start, J per m of length (per radian where round; of a quarter in three dimensions). */
  made = 0
  lost = 0
  kept = 0
  readonly #grid: Grid
  readonly #reaction: Reaction
  readonly #before: Float64Array
  readonly #lines: { side: WallLine; top: WallLine; bottom: WallLine; end: WallLine | null }
  readonly #all: readonly WallLine[]
  readonly #state: Cells
  readonly #end: EndBar | null
  #fill = 0
  #lastStep = 0
  #step = FIRST_S

  constructor(readonly input: BlockInput) {
    const { nx, ny, nz, widthM, heightM, depthM, faces, wallC } = input
    this.n = nx * ny * nz
    this.dx = widthM / nx
    this.dy = heightM / ny
    this.dz = depthM / nz
    const cells = () => new Float64Array(this.n)
    this.T = Float64Array.from(input.startC)
    this.X = Float64Array.from(input.startX)
    this.g = cells()
    this.gmax = cells()
    this.margin = cells().fill(NEVER)
    this.hottest = Float64Array.from(input.startC)
    this.gelledAt = cells().fill(-1)
    this.dose = cells()
    this.#before = Float64Array.from(input.startC)
    this.rows = input.fills?.[0]?.rows ?? ny
    this.timeS = input.fills?.[0]?.atS ?? 0
    this.#grid = new Grid(input)
    this.volume = this.#grid.volume
    this.#reaction = new Reaction(input, this.n)
    const wall = (face: Face, count: number, depth: number, scale: number) =>
      new WallLine(face, count, wallC, depth, scale)
    this.#lines = {
      side: wall(faces.side, ny * nz, this.dx, this.#grid.right[nx - 1]! * this.dx),
      top: wall(faces.top, nx * nz, this.dy, 1 / this.dy),
      bottom: wall(faces.bottom, nx * nz, this.dy, 1 / this.dy),
      end: nz > 1 ? wall(faces.end, nx * ny, this.dz, 1 / this.dz) : null,
    }
    const { side, top, bottom, end } = this.#lines
    this.#all = end ? [side, top, bottom, end] : [side, top, bottom]
    const { T, X, g, gmax, gelledAt } = this
    this.#state = { T, X, g, gmax, gelledAt, before: this.#before }
    this.#end = input.lengthM === null || nz > 1 ? null : new EndBar(input.lengthM)
    this.#place()
  }

  /** Cells that are filled: x first, then z, then y, so they lie together. */
  get filled(): number {
    return this.rows * this.input.nx * this.input.nz
  }

  /** Which cells lie at which wall, for the rows that are filled. */
  #place(): void {
    const { nx, nz } = this.input
    const plane = nx * nz
    const { side, top, bottom, end } = this.#lines
    this.#grid.rows = this.rows
    side.lieAt(this.rows * nz, j => j * nx + nx - 1)
    bottom.lieAt(plane, j => j)
    top.lieAt(plane, j => (this.rows - 1) * plane + j)
    end?.lieAt(this.rows * nx, j => Math.floor(j / nx) * plane + (nz - 1) * nx + (j % nx))
    this.#reaction.isStale = true
  }

  /** Changes what the mould is wrapped in; its walls keep their warmth. */
  rewrap(faces: Faces): void {
    this.#lines.side.face = faces.side
    this.#lines.top.face = faces.top
    this.#lines.bottom.face = faces.bottom
    if (this.#lines.end) this.#lines.end.face = faces.end
    this.#step = FIRST_S
  }

  /** Steps on until `untilS`, in steps that the reaction allows; ends one whenever more is poured in. */
  run(untilS: number, around: Around): void {
    const { stepK = 1 } = this.input
    while (this.timeS < untilS - 1e-6) {
      const next = this.input.fills?.[this.#fill + 1]
      if (next && next.atS <= this.timeS + 1e-6) {
        this.#fill += 1
        this.rows = next.rows
        this.#step = FIRST_S
        this.#place()
        continue
      }
      const dt = Math.min(this.#step, untilS - this.timeS, next ? next.atS - this.timeS : Infinity)
      const [dT, dX] = this.stepBy(dt, around)
      const factor = Math.min(1.3, Math.max(0.4, (0.9 * stepK) / Math.max(dT, dX / 0.015, 1e-9)))
      if (dt >= this.#step - 1e-9) this.#step = Math.min(LONGEST_S, Math.max(SHORTEST_S, dt * factor))
    }
  }

  /** One step of `dt` s, however large; gives the largest changes. */
  stepBy(dt: number, around: Around): [dT: number, dX: number] {
    const { T } = this
    const grid = this.#grid
    const reaction = this.#reaction
    const ahead = this.#lastStep > 0 ? (0.5 * dt) / this.#lastStep : 0
    const dX = reaction.step(this.filled, dt, ahead, this.timeS + dt, this.#state, grid.capacity)
    if (reaction.isStale) {
      faceConductances(grid, reaction.k)
      reaction.isStale = false
    }
    const { airC, roomC, forced, matC } = around
    const air = { airC, roomC, forced, matC, film: this.input.film, losses: this.input.losses ?? LOSSES }
    const { side, top, bottom, end } = this.#lines
    const all = this.#all
    for (let i = 0; i < all.length; i += 1) all[i]!.warmth(dt, air, reaction.k, T)
    const lambda = this.#endSink(dt)
    grid.d.fill(0)
    for (let i = 0; i < all.length; i += 1) all[i]!.pull(dt, T, grid.d)
    this.lost += sweepAcross(grid, dt, T, reaction.source, side, lambda, airC) * this.#cell
    this.lost += this.#atWall(side, dt)
    if (end) {
      sweepAlong(grid, dt, end)
      this.lost += this.#atWall(end, dt)
    }
    sweepUp(grid, dt, top, bottom)
    const dT = this.#take(dt)
    this.lost += this.#atWall(bottom, dt) + this.#atWall(top, dt)
    this.timeS += dt
    this.#lastStep = dt
    return [dT, dX]
  }

  get #cell(): number {
    return this.dx * this.dy * this.dz
  }

  #endSink(dt: number): number {
    const { materials, faces, losses } = this.input
    return this.#end ? this.#end.step(dt, materials[0]!, faces.side, losses ?? LOSSES) : 0
  }

  /** Heat that a wall takes in a step, by what its cells came to in their own sweep; moves the wall's warmth on. */
  #atWall(line: WallLine, dt: number): number {
    const { nx } = this.input
    const { d, capacity } = this.#grid
    const isLast = line === this.#lines.top || line === this.#lines.bottom
    let sum = 0
    for (let j = 0; j < line.count; j += 1) {
      const i = line.cells[j]!
      const stage = this.T[i]! + (isLast ? 0 : d[i]! / capacity[i]!)
      sum += line.ge[j]! * (stage - line.te[j]!) * this.volume[i % nx]!
      line.after(j, stage, dt)
    }
    return sum * dt * line.scale * this.#cell
  }

  /** Follows the last sweep back down, takes its changes over, and notes what each cell has been through; gives the largest change, K. */
  #take(dt: number): number {
    const { input, T, X, margin, hottest, dose, volume } = this
    const { capacity, d, c } = this.#grid
    const { source, gelC, ready } = this.#reaction
    const before = this.#before
    const hours = dt / 3600
    const { nx, nz, materialOf } = input
    const plane = nx * nz
    const [never, brownsFrom] = [NEVER, BROWNS_FROM_C]
    let most = 0
    let made = 0
    let kept = 0
    const { filled } = this
    let x = nx - 1
    for (let i = filled - 1; i >= 0; i -= 1) {
      const change = d[i]! + c[i]! * d[i + plane]!
      d[i] = change
      const v = volume[x]!
      x = x === 0 ? nx - 1 : x - 1
      made += source[i]! * v
      kept += capacity[i]! * change * v
      const was = T[i]!
      const t = was + change
      before[i] = was
      T[i] = t
      const size = Math.abs(change)
      if (size > most) most = size
      // While it cools, nothing of what follows can rise but a margin that waited for enough soap.
      if (change > 0 || margin[i] === never) {
        if (t > hottest[i]!) hottest[i] = t
        if (X[i]! > ready) {
          const above = t - gelC[materialOf[i]!]!
          if (above > margin[i]!) margin[i] = above
        }
      }
      if (t > brownsFrom) dose[i] = dose[i]! + hours * browningAt(t)
    }
    this.made += made * this.#cell
    this.kept += kept * this.#cell
    return most
  }

  /** Heat that the outside takes per s and m of length (or of the quarter) now, for what the mould stands in. */
  lossNow(): number {
    const { nx } = this.input
    let sum = 0
    for (const line of this.#all)
      for (let j = 0; j < line.count; j += 1) {
        const i = line.cells[j]!
        const c = line.face.isOpen ? this.T[i]! : line.wallC[j]!
        sum += line.g2 * (c - line.surroundC) * this.volume[i % nx]! * line.scale * this.#cell
      }
    return sum
  }
}
