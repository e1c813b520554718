import type { Around, BlockInput, Faces } from './block-input.ts'
import { LOSSES } from './constants.ts'
import { EndBar } from './end-bar.ts'
import { fields, kernel } from '../../kernel/index.ts'
import type { Kernel } from '../../kernel/index.ts'
import { Reaction } from './reaction.ts'
import { BROWNING, SOAP } from './tables.ts'
import { WallLine } from './wall-line.ts'
import type { Face } from './walls.ts'

const SHORTEST_S = 2
const LONGEST_S = 600
const FIRST_S = 5

function writeTables(at: Kernel): void {
  const soap = at.roomFor(SOAP.length)
  const browning = at.roomFor(BROWNING.length)
  at.numbers().set(SOAP, soap)
  at.numbers().set(BROWNING, browning)
  at.useTables(soap, browning)
}

/**
 * Heat, conversion and gel in a block of soap, step by step in the kernel. What its cells are like is written there before the
 * first step, and read back after each run; many blocks take turns.
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
  /** What the kernel holds of each cell, in its order. */
  readonly #state: readonly Float64Array[]
  readonly #faces: { inner: Float64Array; outer: Float64Array }
  readonly #reaction: Reaction
  readonly #lines: { side: WallLine; top: WallLine; bottom: WallLine; end: WallLine | null }
  readonly #all: readonly WallLine[]
  readonly #end: EndBar | null
  /** Room of a list in the kernel. */
  readonly #room: number
  #fill = 0
  #lastStep = 0
  #step = FIRST_S

  constructor(
    readonly input: BlockInput,
    readonly kernelOf: Kernel = kernel(),
  ) {
    const { nx, ny, nz, widthM, heightM, depthM, faces, wallC, isRound } = input
    this.n = nx * ny * nz
    this.#room = this.n + nx * nz + 2
    this.dx = widthM / nx
    this.dy = heightM / ny
    this.dz = depthM / nz
    const { dx, n } = this
    const cells = () => new Float64Array(n)
    this.T = Float64Array.from(input.startC)
    this.X = Float64Array.from(input.startX)
    this.g = cells()
    this.gmax = cells()
    this.margin = cells().fill(fields.NEVER)
    this.hottest = Float64Array.from(input.startC)
    this.gelledAt = cells().fill(-1)
    this.dose = cells()
    const { T, X, g, gmax, margin, hottest, gelledAt, dose } = this
    this.#state = [T, X, g, gmax, margin, hottest, gelledAt, dose, Float64Array.from(input.startC), cells()]
    this.rows = input.fills?.[0]?.rows ?? ny
    this.timeS = input.fills?.[0]?.atS ?? 0
    const area = (x: number) => (isRound ? x * dx : 1)
    this.volume = Float64Array.from({ length: nx }, (_, x) => (isRound ? (x + 0.5) * dx : 1))
    const share = (x: number, face: number) => area(face) / (this.volume[x]! * dx * dx)
    this.#faces = {
      inner: Float64Array.from({ length: nx }, (_, x) => share(x, x)),
      outer: Float64Array.from({ length: nx }, (_, x) => share(x, x + 1)),
    }
    this.#reaction = new Reaction(input, n)
    const wall = (at: number, face: Face, count: number, depth: number, scale: number) =>
      new WallLine(at, face, count, wallC, depth, scale)
    this.#lines = {
      side: wall(0, faces.side, ny * nz, dx, this.#faces.outer[nx - 1]! * dx),
      top: wall(1, faces.top, nx * nz, this.dy, 1 / this.dy),
      bottom: wall(2, faces.bottom, nx * nz, this.dy, 1 / this.dy),
      end: nz > 1 ? wall(3, faces.end, nx * ny, this.dz, 1 / this.dz) : null,
    }
    const { side, top, bottom, end } = this.#lines
    this.#all = end ? [side, top, bottom, end] : [side, top, bottom]
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

  /** Where a list begins in the kernel. */
  #at(list: number): number {
    return this.kernelOf.heat.at + list * this.#room
  }

  /** Writes everything into the kernel, unless it stands there as it was left. */
  #enter(): void {
    const { kernelOf: at, input } = this
    const room = this.#room
    const isFirst = at.heat.holds === null
    const size = fields.LISTS * room + input.materials.length * fields.MATERIAL_ROOM
    if (!at.heat.isNewFor(at, this, size)) return
    if (isFirst) writeTables(at)
    const numbers = at.numbers()
    at.lay(at.heat.at, input.nx, input.nz, room)
    this.#state.forEach((list, i) => numbers.set(list, this.#at(i)))
    // Nothing flows through what is no face between two cells.
    numbers.fill(0, this.#at(fields.ACROSS), this.#at(fields.ALONG) + room)
    numbers.set(this.volume, this.#at(fields.VOLUME))
    numbers.set(this.#faces.inner, this.#at(fields.INNER))
    numbers.set(this.#faces.outer, this.#at(fields.OUTER))
    this.#reaction.write(numbers, this.#at(fields.LISTS), this.#at(fields.GEL_C))
    for (const line of this.#all) line.write(numbers, at.heat.at, room)
    if (!this.#reaction.isStale) at.conductances(this.rows, this.dy ** 2, this.dz ** 2)
  }

  /** Takes over what the kernel made of it. */
  #read(): void {
    const { kernelOf: at } = this
    const numbers = at.numbers()
    this.#state.forEach((list, i) => list.set(numbers.subarray(this.#at(i), this.#at(i) + this.n)))
    for (const line of this.#all) line.read(numbers, at.heat.at, this.#room)
  }

  /** Steps on until `untilS`, in steps that the reaction allows; ends one whenever more is poured in. */
  run(untilS: number, around: Around): void {
    const { stepK = 1 } = this.input
    const { kernelOf: at } = this
    this.#enter()
    while (this.timeS < untilS - 1e-6) {
      const next = this.input.fills?.[this.#fill + 1]
      if (next && next.atS <= this.timeS + 1e-6) {
        this.#fill += 1
        this.rows = next.rows
        this.#step = FIRST_S
        this.#place()
        for (const line of this.#all) line.writeCells(at.numbers(), at.heat.at, this.#room)
        continue
      }
      const dt = Math.min(this.#step, untilS - this.timeS, next ? next.atS - this.timeS : Infinity)
      const [dT, dX] = this.#stepBy(dt, around)
      const factor = Math.min(1.3, Math.max(0.4, (0.9 * stepK) / Math.max(dT, dX / 0.015, 1e-9)))
      if (dt >= this.#step - 1e-9) this.#step = Math.min(LONGEST_S, Math.max(SHORTEST_S, dt * factor))
    }
    this.#read()
  }

  /** One step of `dt` s, however large; gives the largest changes. */
  stepBy(dt: number, around: Around): [dT: number, dX: number] {
    this.#enter()
    const most = this.#stepBy(dt, around)
    this.#read()
    return most
  }

  #stepBy(dt: number, around: Around): [dT: number, dX: number] {
    const { kernelOf: at, rows, filled } = this
    const reaction = this.#reaction
    const ahead = this.#lastStep > 0 ? (0.5 * dt) / this.#lastStep : 0
    const dX = reaction.step(at, filled, dt, ahead, this.timeS + dt)
    if (reaction.isStale) {
      at.conductances(rows, this.dy ** 2, this.dz ** 2)
      reaction.isStale = false
    }
    const { airC, roomC, forced, matC } = around
    const air = { airC, roomC, forced, matC, film: this.input.film, losses: this.input.losses ?? LOSSES }
    const { side, top, bottom, end } = this.#lines
    const all = this.#all
    for (let i = 0; i < all.length; i += 1) all[i]!.warmth(at, dt, air)
    const lambda = this.#endSink(dt)
    at.still(filled)
    for (let i = 0; i < all.length; i += 1) at.pull(all[i]!.number, all[i]!.count, dt, all[i]!.scale)
    this.lost += at.sweepAcross(rows, dt, side.scale, lambda, airC) * this.#cell
    this.lost += this.#atWall(side, dt)
    if (end) {
      at.sweepAlong(rows, dt, end.scale)
      this.lost += this.#atWall(end, dt)
    }
    at.sweepUp(rows, dt, top.scale, bottom.scale)
    const dT = at.take(filled, dt)
    this.made += at.heatMade() * this.#cell
    this.kept += at.heatKept() * this.#cell
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

  /** Heat that a wall takes in a step. */
  #atWall(line: WallLine, dt: number): number {
    const isLast = line === this.#lines.top || line === this.#lines.bottom
    return line.after(this.kernelOf, dt, isLast) * dt * line.scale * this.#cell
  }

  /** Heat that the outside takes per s and m of length (or of the quarter) now, for what the mould stands in. */
  lossNow(): number {
    this.#enter()
    let sum = 0
    for (const { number, count, face, g2, surroundC, scale } of this.#all)
      sum = this.kernelOf.lossAtWall(number, count, face.isOpen, g2, surroundC, scale, this.#cell, sum)
    return sum
  }
}
