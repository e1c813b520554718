/** What older plans are given for what they could not say yet. Frozen: what new plans start with may change, these may not. */

export const HEAT = {
  startAt: '',
  waterC: 20,
  iceShare: 0,
  meltC: 60,
  lyeVessel: 'jug-pp-1000',
  oilsVessel: 'pot-stainless-3000',
  lyeCooling: 'air',
  oilsCooling: 'air',
  bathC: 15,
  bathLitres: 6,
  iceKg: 0.5,
  lyeC: null,
  rule: 'gap',
  gapK: 6,
  bandLowC: 27,
  bandHighC: 43,
  readings: [],
}

export const PREPARATION = { done: [], weighed: [], overhangMm: 30, rollWidthMm: 380 }

export const DIVISION = {
  by: 'height',
  rule: 'others',
  makesUp: '',
  cling: 'thin',
  mediumFrom: 'extra',
  mediumOil: '',
  actual: [],
  mode: 'one-pot',
  lye: 'divided',
  melt: 'common',
  top: null,
}

export const COLOUR = { baseHex: null, baseDays: 42, gel: null, cutDays: 2, curedDays: 42 }

export const SHAPE = {
  way: 'layer',
  texture: 'straight',
  tiltDeg: 0,
  across: 0.5,
  range: 0,
  count: 1,
  spreadMm: 0,
  depth: 'auto',
  cover: 0,
  hour: 3,
  pencil: '',
}

export const FINISH = { embeds: [], toppings: [], mat: { texture: 'flat', depthMm: 2, pitchMm: 12 } }

export const REST_IN_8 = {
  wish: 'any',
  wall: 'auto',
  wallMm: null,
  preheatedC: null,
  beside: { count: 0, gapMm: 50 },
  room: [],
  humidity: 0.5,
  box: { kind: 'cardboard', litres: 18, moulds: 1 },
  rack: { tempC: 21, humidity: 0.5, air: 'still' },
  under: 'wood',
  pouredAt: '',
  wantedOn: '',
  steps: [{ atMin: 0, place: 'room', tempC: 50, holdMin: 0, cover: 'film', towels: { top: 0, sides: 0, below: 0 } }],
  mist: false,
  oven: null,
  cut: { waitH: 0, sideTrimMm: 0, topTrimMm: 0, sampleMm: 0 },
  readings: [],
  weighIns: [],
}
