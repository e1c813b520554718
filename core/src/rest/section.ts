import {
  CP_SLOPE,
  GEL_HYSTERESIS_K,
  GEL_NEEDS,
  GEL_QUICKENS,
  GEL_TAU_S,
  K_GEL,
  K_SOAP,
  LOSSES,
  SEED,
} from './constants.ts'
import type { Material } from './material.ts'
import { gelBySoap, gelByWarmth, restRate } from './tables.ts'
import { EndBar } from './end-bar.ts'
import { WallLine } from './wall-line.ts'
import type { Face } from './walls.ts'

/** A cross-section of the soap: half of it where it is the same on both sides. Lengths in m. */
export interface SectionInput {
  /** Cells from the middle (or one wall) outwards, and upwards. */
  nx: number
  ny: number
  /** Half width or radius; height of the soap. */
  widthM: number
  heightM: number
  isRound: boolean
  /** Length along the mould, for what its ends lose; null: nothing. */
  lengthM: number | null
  /** Index of the material of each cell, row by row from the bottom. */
  materials: readonly Material[]
  materialOf: Uint8Array
  /** °C and conversion of each cell as it was poured. */
  startC: Float64Array
  startX: Float64Array
  faces: { side: Face; top: Face; bottom: Face }
  /** °C of walls at the start. */
  wallC: number
  /** Factors that readings can move: rate, losses; and K on the gel temperature. */
  rate?: number
  losses?: number
  gelShiftK?: number
  /** A film of fixed strength, W/(m²K), and a heat capacity that rises otherwise with warmth: for cases with exact answers. */
  film?: number
  cpSlope?: number
}

/** What surrounds the mould at a moment, °C. */
export interface Around {
  airC: number
  /** Of the room, for evaporation. */
  roomC: number
  /** Forced air, W/(m²K). */
  forced: number
  /** A mat right below, °C, instead of table and air; null: none. */
  matC: number | null
}

/** Not gelled at all, K. */
export const NEVER = -99
const DOSE_FROM_C = 45

/**
 * Heat, conversion and gel in a cross-section, step by step: alternating directions in increment form, 0.55 implicit inside,
 * fully implicit at the walls, whose own heat is eliminated so that energy is kept to rounding.
 */
export class Section {
  readonly n: number
  readonly dx: number
  readonly dy: number
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
  readonly volume: Float64Array
  timeS = 0
  /** Heat made, lost and kept since the start, J per m of length (per radian where round). */
  made = 0
  lost = 0
  kept = 0
  readonly #area: Float64Array
  readonly #before: Float64Array
  readonly #kx: Float64Array
  readonly #ky: Float64Array
  readonly #capacity: Float64Array
  readonly #k: Float64Array
  readonly #source: Float64Array
  readonly #d: Float64Array
  readonly #c: Float64Array
  readonly #lines: { side: WallLine; top: WallLine; bottom: WallLine }
  readonly #end: EndBar | null
  #lambda = 0
  #lastStep = 0
  #step = 5

  constructor(readonly input: SectionInput) {
    const { nx, ny, widthM, heightM, isRound } = input
    this.n = nx * ny
    this.dx = widthM / nx
    this.dy = heightM / ny
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
    this.#kx = new Float64Array((nx + 1) * ny)
    this.#ky = new Float64Array(nx * (ny + 1))
    this.#capacity = cells()
    this.#k = cells()
    this.#source = cells()
    this.#d = cells()
    this.#c = new Float64Array(Math.max(nx, ny))
    this.#area = Float64Array.from({ length: nx + 1 }, (_, i) => (isRound ? i * this.dx : 1))
    this.volume = Float64Array.from({ length: nx }, (_, i) => (isRound ? (i + 0.5) * this.dx : 1))
    this.#lines = {
      side: new WallLine(input.faces.side, ny, input.wallC),
      top: new WallLine(input.faces.top, nx, input.wallC),
      bottom: new WallLine(input.faces.bottom, nx, input.wallC),
    }
    this.#end = input.lengthM === null ? null : new EndBar(input.lengthM)
  }

  /** Changes what the mould is wrapped in; its walls keep their warmth. */
  rewrap(faces: SectionInput['faces']): void {
    this.#lines.side.face = faces.side
    this.#lines.top.face = faces.top
    this.#lines.bottom.face = faces.bottom
    this.#step = 5
  }

  /** Steps on until `untilS`, in steps that the reaction allows. */
  run(untilS: number, around: Around): void {
    while (this.timeS < untilS - 1e-6) {
      const dt = Math.min(this.#step, untilS - this.timeS)
      const [dT, dX] = this.#advance(dt, around)
      const factor = 0.9 / Math.max(dT, dX / 0.015, 1e-9)
      if (dt >= this.#step - 1e-9) this.#step = Math.min(300, Math.max(2, dt * Math.min(1.3, Math.max(0.4, factor))))
    }
  }

  /** One step of `dt` s, however large; gives the largest changes. */
  stepBy(dt: number, around: Around): [dT: number, dX: number] {
    return this.#advance(dt, around)
  }

  #advance(dt: number, around: Around): [number, number] {
    const dX = this.#react(dt)
    this.#films(dt, around)
    this.#lambda = this.#endSink(dt)
    this.#conductances()
    const dT = this.#solve(dt, around)
    this.timeS += dt
    this.#lastStep = dt
    this.#note(dt)
    return [dT, dX]
  }

  /** Conversion, gel and the heat of both; what cells hold and conduct after it. */
  #react(dt: number): number {
    const { input, T, X, g, gmax } = this
    const before = this.#before
    const rate = input.rate ?? 1
    const shift = input.gelShiftK ?? 0
    const ahead = this.#lastStep > 0 ? (0.5 * dt) / this.#lastStep : 0
    const decay = Math.exp(-dt / GEL_TAU_S)
    const slope = input.cpSlope ?? CP_SLOPE
    let most = 0
    for (let i = 0; i < this.n; i += 1) {
      const m = input.materials[input.materialOf[i]!]!
      const keep = 1 - m.superfatShare
      const t = T[i]! + (T[i]! - before[i]!) * ahead
      const x = X[i]!
      const gel = g[i]!
      const speed = restRate(t) * m.quickness * rate * (1 + GEL_QUICKENS * gel) * dt
      const mid = Math.min(1, x + 0.5 * speed * (SEED + x) * (1 - x) * (1 - keep * x))
      const now = Math.min(1, x + speed * (SEED + mid) * (1 - mid) * (1 - keep * mid))
      const gelC = m.gelC + shift
      const goal = gelByWarmth(t - (gmax[i]! > 0.5 ? gelC - GEL_HYSTERESIS_K : gelC)) * gelBySoap(now)
      const after = goal + (gel - goal) * decay
      this.#source[i] = m.density * (m.heat * (now - x) - m.gelHeat * (after - gel))
      this.#capacity[i] = m.density * m.cp50 * (1 + slope * (t - 50))
      this.#k[i] = m.conductivity + K_SOAP * now + K_GEL * after
      if (now - x > most) most = now - x
      X[i] = now
      g[i] = after
      if (after > gmax[i]!) gmax[i] = after
    }
    return most
  }

  /** Conductances from the soap through each wall, by the air around it now. */
  #films(dt: number, around: Around): void {
    const { nx, ny, film, losses = LOSSES } = this.input
    const air = { ...around, film, losses }
    const k = this.#k
    const T = this.T
    this.#lines.side.warmth(dt, this.dx, air, k, T, nx - 1, nx)
    this.#lines.top.warmth(dt, this.dy, air, k, T, (ny - 1) * nx, 1)
    this.#lines.bottom.warmth(dt, this.dy, air, k, T, 0, 1)
  }

  #endSink(dt: number): number {
    const { materials, faces, losses } = this.input
    return this.#end ? this.#end.step(dt, materials[0]!, faces.side, losses ?? LOSSES) : 0
  }

  /** Volumetric conductances between neighbours, W/(m³K) times their share of the face. */
  #conductances(): void {
    const { nx, ny } = this.input
    const k = this.#k
    for (let y = 0; y < ny; y += 1)
      for (let x = 1; x < nx; x += 1) {
        const i = y * nx + x
        const a = k[i - 1]!
        const b = k[i]!
        this.#kx[y * (nx + 1) + x] = ((2 * a * b) / (a + b) / (this.dx * this.dx)) * this.#area[x]!
      }
    for (let i = nx; i < this.n; i += 1) {
      const a = k[i - nx]!
      const b = k[i]!
      this.#ky[i] = (2 * a * b) / (a + b) / (this.dy * this.dy)
    }
  }

  #solve(dt: number, { airC }: Around): number {
    const { T, volume } = this
    const { nx, ny } = this.input
    const { side, top, bottom } = this.#lines
    const d = this.#d
    const kx = this.#kx
    const ky = this.#ky
    const lambda = this.#lambda
    const sideArea = this.#area[nx]! / this.dx
    // Right-hand side: heat made, and every flux at the old temperatures.
    for (let y = 0; y < ny; y += 1)
      for (let x = 0; x < nx; x += 1) {
        const i = y * nx + x
        const t = T[i]!
        let flux = 0
        if (x > 0) flux += kx[y * (nx + 1) + x]! * (T[i - 1]! - t)
        if (x < nx - 1) flux += kx[y * (nx + 1) + x + 1]! * (T[i + 1]! - t)
        else flux += side.ge[y]! * sideArea * (side.te[y]! - t)
        flux /= volume[x]!
        if (y > 0) flux += ky[i]! * (T[i - nx]! - t)
        else flux += (bottom.ge[x]! / this.dy) * (bottom.te[x]! - t)
        if (y < ny - 1) flux += ky[i + nx]! * (T[i + nx]! - t)
        else flux += (top.ge[x]! / this.dy) * (top.te[x]! - t)
        d[i] = this.#source[i]! + dt * flux - dt * lambda * this.#capacity[i]! * (t - airC)
      }
    this.#sweepX(dt, airC)
    const most = this.#sweepY(dt)
    return most
  }

  #sweepX(dt: number, airC: number): void {
    const { T, volume } = this
    const { nx, ny } = this.input
    const { side } = this.#lines
    const d = this.#d
    const c = this.#c
    const theta = 0.55 * dt
    const sideArea = this.#area[nx]! / this.dx
    const cell = this.dx * this.dy
    for (let y = 0; y < ny; y += 1) {
      const row = y * nx
      const faces = y * (nx + 1)
      for (let x = 0; x < nx; x += 1) {
        const i = row + x
        const left = x > 0 ? (theta * this.#kx[faces + x]!) / volume[x]! : 0
        const right = x < nx - 1 ? (theta * this.#kx[faces + x + 1]!) / volume[x]! : 0
        let diagonal = this.#capacity[i]! * (1 + dt * this.#lambda) + left + right
        if (x === nx - 1) diagonal += (dt * side.ge[y]! * sideArea) / volume[x]!
        if (x > 0) {
          diagonal += left * c[x - 1]!
          d[i] = d[i]! + left * d[i - 1]!
        }
        c[x] = -right / diagonal
        d[i] = d[i]! / diagonal
      }
      for (let x = nx - 2; x >= 0; x -= 1) d[row + x] = d[row + x]! - c[x]! * d[row + x + 1]!
      for (let x = 0; x < nx; x += 1) {
        const i = row + x
        const sink = dt * this.#lambda * this.#capacity[i]! * (T[i]! + d[i]! - airC)
        this.lost += sink * volume[x]! * cell
      }
      const last = row + nx - 1
      const stage = T[last]! + d[last]!
      this.lost += dt * side.ge[y]! * this.#area[nx]! * this.dy * (stage - side.te[y]!)
      side.after(y, stage, dt)
      for (let x = 0; x < nx; x += 1) d[row + x] = d[row + x]! * this.#capacity[row + x]!
    }
  }

  #sweepY(dt: number): number {
    const { T, volume } = this
    const { nx, ny } = this.input
    const { top, bottom } = this.#lines
    const before = this.#before
    const d = this.#d
    const c = this.#c
    const theta = 0.55 * dt
    const cell = this.dx * this.dy
    let most = 0
    for (let x = 0; x < nx; x += 1) {
      for (let y = 0; y < ny; y += 1) {
        const i = y * nx + x
        const below = y > 0 ? theta * this.#ky[i]! : 0
        const above = y < ny - 1 ? theta * this.#ky[i + nx]! : 0
        let diagonal = this.#capacity[i]! + below + above
        if (y === 0) diagonal += (dt * bottom.ge[x]!) / this.dy
        if (y === ny - 1) diagonal += (dt * top.ge[x]!) / this.dy
        if (y > 0) {
          diagonal += below * c[y - 1]!
          d[i] = d[i]! + below * d[i - nx]!
        }
        c[y] = -above / diagonal
        d[i] = d[i]! / diagonal
      }
      for (let y = ny - 2; y >= 0; y -= 1) d[y * nx + x] = d[y * nx + x]! - c[y]! * d[(y + 1) * nx + x]!
      const stageBottom = T[x]! + d[x]!
      const topCell = (ny - 1) * nx + x
      const stageTop = T[topCell]! + d[topCell]!
      const face = dt * volume[x]! * this.dx
      this.lost += face * bottom.ge[x]! * (stageBottom - bottom.te[x]!)
      this.lost += face * top.ge[x]! * (stageTop - top.te[x]!)
      bottom.after(x, stageBottom, dt)
      top.after(x, stageTop, dt)
      for (let y = 0; y < ny; y += 1) {
        const i = y * nx + x
        const change = d[i]!
        this.made += this.#source[i]! * volume[x]! * cell
        this.kept += this.#capacity[i]! * change * volume[x]! * cell
        before[i] = T[i]!
        T[i] = T[i]! + change
        const size = Math.abs(change)
        if (size > most) most = size
      }
    }
    return most
  }

  #note(dt: number): void {
    const { input, T, X, gmax, margin, hottest, gelledAt, dose } = this
    const shift = input.gelShiftK ?? 0
    for (let i = 0; i < this.n; i += 1) {
      const t = T[i]!
      if (t > hottest[i]!) hottest[i] = t
      if (gmax[i]! > 0.5 && gelledAt[i]! < 0) gelledAt[i] = this.timeS
      if (X[i]! > GEL_NEEDS) {
        const above = t - input.materials[input.materialOf[i]!]!.gelC - shift
        if (above > margin[i]!) margin[i] = above
      }
      if (t > DOSE_FROM_C) dose[i] = dose[i]! + (dt / 3600) * Math.pow(2.5, (t - 65) / 10)
    }
  }

  /** Heat that the outside takes per s and m of length now, for what the mould stands in. */
  lossNow(): number {
    const { nx, ny } = this.input
    const { side, top, bottom } = this.#lines
    let sum = 0
    for (let y = 0; y < ny; y += 1) sum += side.g2 * (side.wallC[y]! - side.surroundC) * this.#area[nx]! * this.dy
    for (let x = 0; x < nx; x += 1) {
      const area = this.volume[x]! * this.dx
      const topC = top.face.isOpen ? this.T[(ny - 1) * nx + x]! : top.wallC[x]!
      sum += (top.g2 * (topC - top.surroundC) + bottom.g2 * (bottom.wallC[x]! - bottom.surroundC)) * area
    }
    return sum
  }
}
