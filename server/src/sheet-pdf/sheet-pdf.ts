import {
  forecast,
  heatPlan,
  potAfter,
  printedLines,
  readPlan,
  say,
  showLength,
  showMass,
  showMassDown,
  showShare,
  showTemperature,
  weighList,
} from '@ostler/core'
import type { Forecast, Plan, Shelf, UnitHabits, WeighLine } from '@ostler/core'
import { Pages } from './page.ts'

export interface SheetTask {
  /** As it is kept, of any version. */
  plan: unknown
  shelf: Shelf
  habits: UnitHabits
}

const SAFETY = [
  'Goggles, long gloves, long sleeves, closed shoes; fresh air; children and animals out.',
  'Lye into water, never water into lye; stir until clear. No aluminium, no glass.',
  'Splashes on skin: cool running water for 15 to 20 minutes. Eyes: rinse at once, get emergency help. No vinegar.',
]

const lineMass = (line: WeighLine, habits: UnitHabits): string =>
  line.kind === 'lye' || line.kind === 'solution' || line.kind === 'scent'
    ? showMassDown(line.massG, habits, line.stepG)
    : showMass(line.massG, habits, line.stepG)

function weighing(pages: Pages, plan: Plan, made: Forecast, shelf: Shelf, habits: UnitHabits): void {
  const lines = printedLines(weighList(plan, made.portions, shelf), plan)
  for (const title of new Set(lines.map(line => say(line.title, habits)))) {
    pages.heading(title)
    pages.ticks(
      lines
        .filter(line => say(line.title, habits) === title)
        .map(line => ({ what: say(line.what, habits), note: say(line.where, habits), amount: lineMass(line, habits) })),
    )
  }
}

function cups(pages: Pages, plan: Plan, { portions }: Forecast, habits: UnitHabits): void {
  const after = potAfter(portions)
  pages.heading('Cups')
  pages.ticks(
    plan.cups.flatMap((cup, i) => {
      const portion = portions.cups[i]!
      if (!(portion.totalG > 0)) return []
      const colours = portion.colours.map(part => `${showMass(part.powderG, habits, 0.01)} ${part.name}`)
      const leaves = plan.division.mode === 'one-pot' ? `leaves ${showMass(after.cupsG[i]!, habits, 1)} in the pot` : ''
      const note = [colours.length > 0 ? colours.join(', ') : 'plain', leaves].filter(Boolean).join('; ')
      return [{ what: cup.name, note, amount: showMass(portion.batterG, habits, 1) }]
    }),
  )
}

function pours(pages: Pages, plan: Plan, { portions, lanes }: Forecast, habits: UnitHabits): void {
  pages.heading('Pours')
  pages.ticks(
    plan.score.map((pour, i) => {
      const layer = portions.layers[i]!
      const at = lanes.pours.find(one => one.pour === pour.id)
      const note = [
        pour.overSpatula ? 'over a spatula' : 'freely',
        `from ${showLength(pour.dropMm, habits)}`,
        `to ${showLength(layer.toMm, habits)}`,
        at && `about minute ${Math.round(at.startMin)}`,
      ]
      const name = plan.cups.find(cup => cup.id === pour.cup)?.name ?? ''
      return {
        what: `${i + 1}  ${name}`,
        note: note.filter(Boolean).join(', '),
        amount: showMass(layer.massG, habits, 1),
      }
    }),
  )
}

/** The pour sheet as a PDF; null of a plan that cannot be read or forecast. */
export async function sheetPdf({ plan: kept, shelf, habits }: SheetTask): Promise<Uint8Array | null> {
  const read = readPlan(kept)
  const result = read.ok ? forecast(read.plan, shelf) : null
  if (!read.ok || !result?.ok) return null
  const { plan } = read
  const made = result.forecast
  const heat = heatPlan(plan, shelf, made.portions)
  const pages = await Pages.open(plan.name)
  pages.title(plan.name)
  pages.text(
    `Pour sheet. ${plan.mould.name}, soap ${showLength(plan.mould.fillMm, habits)} high; superfat ${showShare(made.portions.superfatShare)}.`,
    { soft: true },
  )
  const grave = made.notices.filter(one => one.weight === 'stop').map(one => `! ${say(one.sentence, habits)}`)
  if (plan.isTrial) grave.unshift('! A trial: not for skin, not for sale.')
  for (const sentence of grave) pages.text(sentence, { bold: true })
  pages.heading('Safety, before anything is weighed')
  pages.ticks(SAFETY.map(what => ({ what })))
  weighing(pages, plan, made, shelf, habits)
  pages.heading('Temperatures')
  pages.text(
    `Lye to ${showTemperature(heat.lye.targetC, habits)}, oils to ${showTemperature(heat.oils.targetC, habits)}; the lye rises to about ${showTemperature(heat.peak.peakC, habits)}.`,
  )
  cups(pages, plan, made, habits)
  pours(pages, plan, made, habits)
  if (plan.notes !== '') {
    pages.heading('Notes')
    pages.text(plan.notes)
  }
  return pages.save()
}
