import type { ReactNode } from 'react'

/** How a sign looks, drawn small: a cut face of two layers with what is seen on it. */

const W = 60
const H = 44
const FACE = { x: 4, y: 4, width: W - 8, height: H - 8 } as const
const [UPPER, LOWER] = ['#efe6d2', '#b9c9c4']
const EDGE = '#55504a'

const dots = (places: readonly (readonly [number, number, number?])[], fill: string, stroke = 'none'): ReactNode =>
  places.map(([x, y, r = 1.6], i) => (
    <circle key={i} cx={x} cy={y} r={r} fill={fill} stroke={stroke} strokeWidth={0.6} />
  ))
const lines = (paths: readonly string[], stroke: string, width = 1): ReactNode =>
  paths.map((d, i) => <path key={i} d={d} fill="none" stroke={stroke} strokeWidth={width} strokeLinecap="round" />)
const frame = (stroke: string, width: number): ReactNode => (
  <rect
    x={FACE.x + width / 2}
    y={FACE.y + width / 2}
    width={FACE.width - width}
    height={FACE.height - width}
    fill="none"
    stroke={stroke}
    strokeWidth={width}
  />
)

const SPOTS = [
  [14, 12],
  [24, 28],
  [36, 15],
  [44, 30],
  [30, 22],
  [18, 34],
  [48, 12],
] as const
const DROPS = [
  [12, 6],
  [20, 5],
  [29, 6],
  [38, 5],
  [47, 6],
  [6, 18],
  [54, 26],
] as const

/** What lies over the face, by sign; signs of the pot, of smell and of tests have no picture. */
const OVER: Readonly<Record<string, ReactNode>> = {
  'k-ring': <ellipse cx={30} cy={22} rx={17} ry={11} fill="#8f9b8c" fillOpacity={0.75} stroke="#6d776b" />,
  'k-rivers': lines(
    [
      'M8 14 L18 18 L22 12 L34 20 L44 14 L54 20',
      'M10 32 L20 27 L28 33 L40 26 L52 34',
      'M18 18 L20 27',
      'M34 20 L40 26',
    ],
    '#7f8a80',
    1.4,
  ),
  'k-air': dots(SPOTS, '#ffffff', EDGE),
  'k-tunnel': [
    <ellipse key="a" cx={30} cy={22} rx={9} ry={3} fill="#6b655c" />,
    <ellipse key="b" cx={22} cy={28} rx={5} ry={2} fill="#6b655c" />,
    <ellipse key="c" cx={39} cy={17} rx={5} ry={2} fill="#6b655c" />,
  ],
  'k-wetpocket': dots(
    [
      [22, 26, 4],
      [38, 15, 3],
    ],
    '#7fa3b8',
    '#3f5f70',
  ),
  'k-whitehard': SPOTS.map(([x, y], i) => (
    <path key={i} d={`M${x} ${y - 2.4}l2.2 2.4l-2.2 2.4l-2.2-2.4z`} fill="#ffffff" stroke={EDGE} strokeWidth={0.7} />
  )),
  'k-whitewax': dots(
    SPOTS.map(([x, y]) => [x, y, 2.4] as const),
    '#fffdf4',
  ),
  'k-whitepig': lines(['M10 12 q14 2 26 0', 'M16 30 q16 3 32 -1', 'M24 20 q10 2 24 1'], '#ffffff', 2.4),
  'k-specks': dots(SPOTS, '#33424d'),
  'k-drag': lines(['M6 10 H54', 'M6 16 H54', 'M6 22 H54', 'M6 28 H54', 'M6 34 H54'], '#ffffff', 0.9),
  'k-crumble': [
    <path key="a" d="M56 4 l-5 5 l3 5 l-6 4 l5 6 l-4 5 l5 5 l-6 6 h8 z" fill="var(--paper)" />,
    ...[0, 1, 2, 3].map(i => <circle key={`b${i}`} cx={50 + i * 2} cy={41 - (i % 2)} r={1} fill={EDGE} />),
  ],
  'k-brittle': [
    <path key="a" d="M4 4 h9 l-9 8 z M56 40 h-8 l8 -9 z" fill="var(--paper)" />,
    <path key="b" d="M30 4 l-3 10 l5 8 l-4 18" fill="none" stroke={EDGE} />,
  ],
  'k-split': <path d="M4 21 H56 V24 H4 z" fill="var(--paper)" stroke={EDGE} strokeWidth={0.6} />,
  'k-torn': (
    <path
      d="M4 22 l5 -4 l4 6 l6 -7 l5 8 l7 -6 l5 5 l6 -7 l6 8 l4 -4 l4 3"
      fill="none"
      stroke={EDGE}
      strokeWidth={2.2}
    />
  ),
  'k-blur': <rect x={4} y={15} width={52} height={14} fill="#d4d8cb" />,
  'k-muddy': lines(['M6 14 q12 12 24 2 t24 4', 'M6 26 q14 -10 26 2 t22 0', 'M8 34 q12 -8 22 0 t24 -2'], '#8d867b', 3),
  'k-embedgap': [
    <circle key="a" cx={30} cy={22} r={9} fill="#c9a24b" />,
    <circle key="b" cx={30} cy={22} r={10.4} fill="none" stroke="var(--paper)" strokeWidth={2} />,
  ],
  'k-pale': <rect {...FACE} fill="#ffffff" fillOpacity={0.55} />,
  'k-wrongcolour': <rect x={4} y={22} width={52} height={18} fill="#c98b5f" />,
  'u-ash': <path d="M4 4 H56 V9 q-6 3 -13 0 t-13 1 t-13 -1 t-13 0 z" fill="#ffffff" />,
  'u-crust': frame('#ffffff', 5),
  'u-needles': lines(['M12 8 l4 8', 'M20 6 l-2 10', 'M30 7 l5 8', 'M42 6 l-4 9', 'M50 8 l-1 9'], '#ffffff', 1.3),
  'u-sweat': dots(
    DROPS.map(([x, y]) => [x, y, 2] as const),
    '#d7e8f0',
    '#5d7f90',
  ),
  'u-scentbeads': dots(
    DROPS.map(([x, y]) => [x, y, 2] as const),
    '#e7c66a',
    '#8a6d1f',
  ),
  'u-oily': frame('#d9c07a', 3),
  'u-mattrim': frame('#f7f3ea', 6),
  'u-sunk': <path d="M4 4 H56 q-26 16 -52 0 z" fill="var(--paper)" />,
  'u-tilt': <path d="M4 4 H56 V4 L4 13 z" fill="var(--paper)" />,
  'u-soft': [
    <path key="a" d="M22 4 q8 12 16 0 z" fill="var(--paper)" />,
    <path key="b" d="M22 4 q8 12 16 0" fill="none" stroke={EDGE} />,
  ],
  'u-stick': <path d="M4 40 V28 l5 3 l3 -4 l3 5 l5 2 l-4 6 z" fill="var(--paper)" />,
  'r-brownrim': frame('#a9744a', 6),
  'r-brownall': <rect {...FACE} fill="#b98a5c" fillOpacity={0.75} />,
  'r-fade': <rect x={4} y={4} width={24} height={36} fill="#ffffff" fillOpacity={0.6} />,
  'r-bleed': <rect x={4} y={17} width={52} height={6} fill={LOWER} fillOpacity={0.8} />,
  'r-orange': dots(
    SPOTS.map(([x, y]) => [x, y, 2.2] as const),
    '#d8842a',
  ),
  'r-warp': [
    <path key="a" d="M4 4 H56 q-26 9 -52 0 z" fill="var(--paper)" />,
    <path key="b" d="M4 40 H56 q-26 -9 -52 0 z" fill="var(--paper)" />,
  ],
  'r-chalk': dots(
    [...SPOTS, [10, 24], [52, 22], [26, 10]].map(([x, y]) => [x, y, 2.8] as const),
    '#ffffff',
  ),
  'm-crack': <path d="M27 4 l2 8 l-3 6 l5 8 l3 -8 l-2 -6 l2 -8 z" fill={EDGE} />,
  'm-rise': <path d="M6 4 q24 -14 48 0 z" fill={UPPER} stroke={EDGE} strokeWidth={0.8} transform="translate(0 1)" />,
  'm-oilpool': <ellipse cx={30} cy={5} rx={20} ry={3} fill="#e2c25c" stroke="#8a6d1f" strokeWidth={0.6} />,
  'm-sank': dots(
    [
      [18, 26, 3],
      [32, 31, 3],
      [44, 24, 3],
    ],
    '#7a5b3a',
  ),
  'm-through': <path d="M22 14 q4 14 8 20 q5 -7 8 -20 z" fill={UPPER} />,
}

/** Null where a sign has nothing to be drawn. */
export function SignPicture({ sign }: { sign: string }) {
  const over = OVER[sign]
  if (over === undefined) return null
  return (
    <svg aria-hidden viewBox={`0 0 ${W} ${H}`} width={W} height={H} className="shrink-0">
      <rect {...FACE} fill={UPPER} />
      <rect x={FACE.x} y={H / 2} width={FACE.width} height={FACE.height / 2} fill={LOWER} />
      {over}
      <rect {...FACE} fill="none" stroke={EDGE} strokeWidth={0.8} />
    </svg>
  )
}
