// How often what is said holds: bands, minutes to spare and chances against runs drawn by another generator than theirs.

/** Mulberry's generator: plain random numbers, so that nothing is shared with the evenly spread draws that are tested. */
export function randomOf(seed) {
  let s = seed >>> 0
  return () => {
    s = (s + 0x6d2b79f5) >>> 0
    let x = Math.imul(s ^ (s >>> 15), 1 | s)
    x = (x + Math.imul(x ^ (x >>> 7), 61 | x)) ^ x
    return ((x ^ (x >>> 14)) >>> 0) / 2 ** 32
  }
}
export const normals = random => () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())

/** Variation of a run, every part of it drawn on its own. */
export function variationFrom(core, input, random) {
  const z = normals(random)
  const rate = input.rate.mean + input.rate.sd * z()
  const groups = Math.max(0, ...input.cups.map(cup => (cup.scent ? cup.scent.group + 1 : 0)))
  const scents = Array.from({ length: groups }, () => input.scentSd * z())
  return {
    ...{ plainRate: rate, scentedRate: rate, scent: scents[0] ?? 0, scents },
    ...{ hands: Math.exp(core.HANDS_SD * z()), stop: core.STOP_SD * z(), rices: random() < core.ricingShare(input) },
  }
}

const MOMENTS = [0.1, 0.3, 0.5, 0.7, 0.9]
const mean = list => list.reduce((sum, x) => sum + x, 0) / Math.max(1, list.length)

/** Of an input: the share of runs whose lanes lie in their bands, and of pours with at least the minutes that are said. */
export function lanesCoverage(core, input, runs, seed) {
  const said = core.lanesOf(input)
  const random = randomOf(seed)
  const z = normals(random)
  const inBand = []
  const enough = []
  for (let n = 0; n < runs; n += 1) {
    const run = core.runPlan(input, variationFrom(core, input, random), 60)
    input.cups.forEach((cup, i) => {
      const { points } = said.lanes[i]
      const lane = run.lanes[i]
      if (points.length < 2 || lane.length < 2) return
      const off = input.levelError * z()
      const endS = Math.min(points.at(-1).min * 60, lane.at(-1).s)
      for (const at of MOMENTS) {
        const s = points[0].min * 60 + at * (points.at(-1).min * 60 - points[0].min * 60)
        if (s < lane[0].s || s > endS) continue
        const band = points.reduce((a, b) => (Math.abs(b.min * 60 - s) < Math.abs(a.min * 60 - s) ? b : a))
        const level = Math.min(5, Math.max(0, core.levelAt(lane, band.min * 60) + off))
        inBand.push(level >= band.low - 1e-9 && level <= band.high + 1e-9 ? 1 : 0)
      }
    })
    said.pours.forEach((pour, i) => {
      if (pour.marginMin < 59) enough.push(core.marginMin(input, run, i) >= pour.marginMin - 1e-9 ? 1 : 0)
    })
  }
  return { band: mean(inBand), margin: enough.length > 0 ? mean(enough) : null }
}

/** Points by which the chance that is said differs from so many runs. */
export function chanceError(core, input, runs, seed) {
  const random = randomOf(seed)
  let works = 0
  for (let n = 0; n < runs; n += 1) works += core.runWorks(input, variationFrom(core, input, random)).works
  return { said: core.chanceOf(input), many: core.monteCarlo(input, 200).chance, truth: works / runs }
}

/** What is drawn of a rest, each in its own standard deviations. */
function restVariation(core, z) {
  const drawn = Object.fromEntries(Object.keys(core.REST_VARIATION).map(variation => [variation, z()]))
  return variation => drawn[variation]
}

/** Times of a rest that have a band, with the model's error of ln of them. */
const REST_TIMES = { peakMin: 'peak', startMin: 'start', unmouldMin: 'unmould' }

/**
 * Of a rest: the share of runs, with the model's own error put on each, whose warmest, start of gel, time of the peak and
 * unmoulding lie within the bands that are said. Null where none has one.
 */
export function restCoverage(core, inputs, runs, seed) {
  const input = core.restRunInputOf(inputs, 'quick')
  const about = core.aboutOf(inputs)
  const said = core.restNumbers(input, about)
  const z = normals(randomOf(seed))
  const held = { peakC: [], peakMin: [], startMin: [], unmouldMin: [] }
  for (let n = 0; n < runs; n += 1) {
    const { run } = core.wholeRun(core.withVariation(input, restVariation(core, z)), about)
    const within = (key, value) => held[key].push(value >= said[key].low && value <= said[key].high ? 1 : 0)
    within('peakC', run.heating.peakC + core.REST_ERROR.peakK * z())
    for (const [key, error] of Object.entries(REST_TIMES))
      if (said[key] && run[key] !== null) within(key, Math.max(1, run[key]) * Math.exp(core.REST_ERROR[error] * z()))
  }
  return Object.fromEntries(Object.entries(held).map(([key, list]) => [key, list.length > 0 ? mean(list) : null]))
}

/** Plans that differ from the given ones in warmth, stop, water, superfat, scent, room and wrap: drawn at random, and sound. */
export function randomPlans(core, plans, count, seed) {
  const random = randomOf(seed)
  const from = (low, high, digits = 1) => Number((low + (high - low) * random()).toFixed(digits))
  const pick = list => list[Math.floor(random() * list.length)]
  const shelf = core.referenceShelf()
  const scents = shelf.scents.filter(one => one.acceleration !== 'seizes' && one.type !== 'blend')
  const found = []
  while (found.length < count) {
    const plan = pick(plans)
    const [step, ...later] = plan.rest.steps
    const towels = Math.floor(random() * 4)
    const scent = random() < 0.3 ? null : core.plannedScent([{ scent: pick(scents).id, share: 1 }], from(0.01, 0.03, 3))
    const changed = {
      ...plan,
      ...{ name: `Drawn ${found.length + 1}`, planB: null, seen: [], blendedS: null, scent },
      recipe: {
        ...plan.recipe,
        superfatShare: from(0.03, 0.08, 2),
        water: { ...plan.recipe.water, basis: 'concentration', value: from(0.27, 0.35, 2) },
      },
      conditions: { ...plan.conditions, mixC: from(26, 42), roomC: from(17, 26), stopLevel: from(1.2, 2.2) },
      cups: plan.cups.map(cup => ({ ...cup, ownScent: null, scented: random() < 0.7 })),
      rest: {
        ...plan.rest,
        readings: [],
        steps: [{ ...step, towels: { top: towels, sides: towels, below: random() < 0.5 ? towels : 0 } }, ...later],
      },
    }
    const read = core.readPlan(core.ordered(changed))
    if (read.ok && core.forecast(read.plan, shelf).ok) found.push(read.plan)
  }
  return found
}
