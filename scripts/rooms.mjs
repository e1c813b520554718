// npm run rooms: draws docs/architecture.svg from the code; with --check says whether it is up to date.
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { format } from 'oxfmt'
import { ROOT } from './lib/paths.mjs'
import { heightsOf, reduced, ringsOf, roomsOf } from './lib/rooms.mjs'
import { Told, run, say } from './lib/say.mjs'

const PICTURE = join(ROOT, 'docs', 'architecture.svg')
const BOX = { width: 104, height: 30, gap: 14, row: 62 }
const PANEL = { pad: 18, title: 34 }
const WORKSPACES = [
  {
    name: 'web: pages in the browser',
    root: 'web/src',
    fold: room => (room.startsWith('features/') ? 'features' : room),
  },
  { name: 'server: HTTP and the database', root: 'server/src', fold: room => room },
  { name: 'core: all that is worked out', root: 'core/src', fold: room => room },
]

/** Pages are one box: none of them uses another. */
function folded(rooms, fold) {
  const all = new Map()
  for (const [from, used] of rooms) {
    const to = [...used].map(fold).filter(room => room !== fold(from))
    all.set(fold(from), new Set([...(all.get(fold(from)) ?? []), ...to]))
  }
  return all
}

function placed(rooms) {
  const heights = heightsOf(rooms)
  const top = Math.max(...heights.values())
  const rows = Array.from({ length: top + 1 }, (_, n) =>
    [...rooms.keys()].filter(room => heights.get(room) === top - n).sort(),
  )
  const most = Math.max(...rows.map(row => row.length))
  const width = most * (BOX.width + BOX.gap) - BOX.gap
  const boxes = new Map()
  rows.forEach((row, n) => {
    const used = row.length * (BOX.width + BOX.gap) - BOX.gap
    row.forEach((room, i) => boxes.set(room, { x: (width - used) / 2 + i * (BOX.width + BOX.gap), y: n * BOX.row }))
  })
  return { boxes, width, height: top * BOX.row + BOX.height }
}

function panel({ name, root, fold }) {
  const rooms = folded(roomsOf(join(ROOT, root)), fold)
  const rings = ringsOf(rooms)
  if (rings.length > 0) throw new Told(`Rooms in a ring: ${rings.map(ring => ring.join(', ')).join('; ')}`)
  const { boxes, width, height } = placed(rooms)
  const lines = [...reduced(rooms)].flatMap(([from, used]) =>
    [...used].sort().map(to => {
      const [a, b] = [boxes.get(from), boxes.get(to)]
      const [x1, y1, x2, y2] = [a.x + BOX.width / 2, a.y + BOX.height, b.x + BOX.width / 2, b.y]
      const bend = (y2 - y1) / 2
      return `<path d="M${x1} ${y1}C${x1} ${y1 + bend} ${x2} ${y2 - bend} ${x2} ${y2}"/>`
    }),
  )
  const drawn = [...boxes].map(
    ([room, { x, y }]) =>
      `<rect x="${x}" y="${y}" width="${BOX.width}" height="${BOX.height}" rx="3"/><text x="${x + BOX.width / 2}" y="${y + 20}">${room}</text>`,
  )
  return { name, width: width + 2 * PANEL.pad, height: height + PANEL.title + PANEL.pad, lines, drawn }
}

async function picture() {
  const panels = WORKSPACES.map(panel)
  const width = Math.max(...panels.map(one => one.width))
  let y = 0
  const parts = panels.map(one => {
    const at = y
    y += one.height + 16
    const inner = `translate(${(width - one.width) / 2 + PANEL.pad} ${at + PANEL.title})`
    return `<rect class="panel" x="0.5" y="${at + 0.5}" width="${width - 1}" height="${one.height}" rx="6"/>
      <text class="title" x="${PANEL.pad}" y="${at + 22}">${one.name}</text>
      <g transform="${inner}"><g class="arrows">${one.lines.join('')}</g>${one.drawn.join('')}</g>`
  })
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${y}" role="img" aria-label="Rooms of the three workspaces and what uses what">
    <style>
      svg { font: 13px sans-serif; background: #f6f4ee }
      .panel { fill: #edeae1; stroke: #b9b3a4 }
      rect { fill: #fff; stroke: #2c2a26 }
      text { text-anchor: middle; fill: #2c2a26 }
      .title { text-anchor: start; font-weight: bold }
      .arrows path { fill: none; stroke: #8a8271 }
    </style>
    ${parts.join('\n')}
  </svg>`
  return (await format('architecture.html', svg, { printWidth: 140 })).code
}

await run(async () => {
  const drawn = await picture()
  if (!process.argv.includes('--check')) return writeFileSync(PICTURE, drawn)
  if (readFileSync(PICTURE, 'utf8') !== drawn)
    throw new Told('docs/architecture.svg is not what the code is: npm run rooms draws it anew.')
  say('the picture of the rooms is up to date')
})
