// The folders of each workspace and which of them use which, types included: what the picture in docs/ is drawn from, and what the
// tests hold free of rings.
import { readFileSync, readdirSync, statSync } from 'node:fs'
import { dirname, join, normalize, relative } from 'node:path'

const isSource = name => /\.tsx?$/.test(name) && !/\.(test|spec|d)\.tsx?$/.test(name)

function sourcesBelow(folder) {
  return readdirSync(folder).flatMap(name => {
    const path = join(folder, name)
    if (statSync(path).isDirectory()) return name === 'test' || name === 'node_modules' ? [] : sourcesBelow(path)
    return isSource(name) ? [path] : []
  })
}

const IMPORTS = /(?:from|import\()\s*['"](\.[^'"]+)['"]/g

/** Which files of a folder use which, by their paths. */
export function filesOf(root) {
  const files = sourcesBelow(root)
  const known = new Set(files)
  return new Map(
    files.map(file => {
      const text = readFileSync(file, 'utf8')
      const used = [...text.matchAll(IMPORTS)].map(([, path]) => normalize(join(dirname(file), path)))
      return [file, new Set(used.filter(path => known.has(path) && path !== file))]
    }),
  )
}

/** A file's room: its folder, of pages the folder of the page; what stands at the root puts the others together. */
export function roomOf(root, file) {
  const steps = relative(root, file).split('/')
  if (steps.length === 1) return '.'
  return steps[0] === 'features' && steps.length > 2 ? `features/${steps[1]}` : steps[0]
}

/** Which rooms use which. */
export function roomsOf(root) {
  const rooms = new Map()
  for (const [file, used] of filesOf(root)) {
    const from = roomOf(root, file)
    if (from === '.') continue
    if (!rooms.has(from)) rooms.set(from, new Set())
    for (const other of used) {
      const to = roomOf(root, other)
      if (to !== from && to !== '.') rooms.get(from).add(to)
    }
  }
  return rooms
}

/** Groups of nodes each of which can be reached from each other: rings. */
export function ringsOf(graph) {
  const reached = node => {
    const seen = new Set()
    const next = [...(graph.get(node) ?? [])]
    while (next.length > 0) {
      const one = next.pop()
      if (seen.has(one)) continue
      seen.add(one)
      next.push(...(graph.get(one) ?? []))
    }
    return seen
  }
  const from = new Map([...graph.keys()].map(node => [node, reached(node)]))
  const inRing = [...graph.keys()].filter(node => from.get(node).has(node))
  const rings = new Map()
  for (const node of inRing) {
    const ring = inRing.filter(other => from.get(node).has(other) && from.get(other).has(node)).sort()
    rings.set(ring.join(' '), ring)
  }
  return [...rings.values()]
}

/** Pages that use another page. */
export const betweenPages = rooms =>
  [...rooms].flatMap(([from, used]) =>
    from.startsWith('features/') ? [...used].filter(to => to.startsWith('features/')).map(to => `${from} → ${to}`) : [],
  )

/** How far up each room stands: those that use none at 0. Only without rings. */
export function heightsOf(rooms) {
  const heights = new Map()
  const height = room => {
    if (!heights.has(room)) heights.set(room, Math.max(-1, ...[...rooms.get(room)].map(height)) + 1)
    return heights.get(room)
  }
  for (const room of rooms.keys()) height(room)
  return heights
}

/** Without arrows that a longer way says as well. */
export function reduced(rooms) {
  const below = new Map()
  const all = room => {
    if (!below.has(room)) below.set(room, new Set([...rooms.get(room)].flatMap(to => [to, ...all(to)])))
    return below.get(room)
  }
  return new Map(
    [...rooms].map(([from, used]) => [
      from,
      new Set([...used].filter(to => ![...used].some(other => other !== to && all(other).has(to)))),
    ]),
  )
}
