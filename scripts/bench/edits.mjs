import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { tellP95 } from '../lib/measure.mjs'
import { ROOT } from '../lib/paths.mjs'

/** What Score shows of a forecast, and what Colour shows. */
const SCORE = ['portions', 'recipe', 'lanes', 'quickens', 'rest', 'colours', 'risk', 'freeLye', 'notices']
const COLOUR = ['portions', 'colours']
const WARM = 300
const ROUNDS = 600

/** An edit, and an edit with all that a page shows of it: a name, a dose, a degree. */
export default async function edits() {
  const { applyEdit, forecaster, readPlanText, referenceShelf } = await import('@ostler/core')
  const { plan } = readPlanText(readFileSync(join(ROOT, 'examples', 'seven-fathoms.json'), 'utf8'))
  const shelf = referenceShelf()
  const measured = (edit, parts) => {
    const forecast = forecaster()
    let now = plan
    const show = () => {
      const result = forecast(now, shelf)
      for (const part of parts) void result.forecast[part]
    }
    show()
    const times = { apply: [], all: [] }
    for (let i = 0; i < ROUNDS; i += 1) {
      const from = performance.now()
      const result = applyEdit(now, edit(i))
      if (!result.ok) throw new Error(JSON.stringify(result.sentence))
      now = result.plan
      const applied = performance.now()
      show()
      if (i < WARM) continue
      times.apply.push(applied - from)
      times.all.push(performance.now() - from)
    }
    return times
  }
  const set = (path, value) => ({ kind: 'set', path, value })
  const name = measured(i => set(['name'], `Name ${i}`), SCORE)
  const dose = measured(i => set(['cups', 0, 'colorants', 0, 'doseGPerKg'], 1 + (i % 300) / 100), COLOUR)
  const degree = measured(i => set(['conditions', 'mixC'], 28 + (i % 300) / 100), SCORE)
  tellP95('edit.apply', [...name.apply, ...dose.apply, ...degree.apply])
  tellP95('edit.name', name.all)
  tellP95('edit.dose', dose.all)
  tellP95('edit.degree', degree.all)
}
