import {
  fact,
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
import type { FactValue, Forecast, Plan, Shelf, UnitHabits, WeighLine } from '@ostler/core'
import { catalogueOf } from '../telling/telling.ts'
import { Pages } from './page.ts'

export interface SheetTask {
  /** As it is kept, of any version. */
  plan: unknown
  shelf: Shelf
  habits: UnitHabits
  language: string
}

/** How whoever reads the sheet is told things. */
interface Told {
  habits: UnitHabits
  tell: (words: FactValue) => string
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

function weighing(pages: Pages, plan: Plan, made: Forecast, shelf: Shelf, { habits, tell }: Told): void {
  const lines = printedLines(weighList(plan, made.portions, shelf), plan)
  for (const title of new Set(lines.map(line => tell(line.title)))) {
    pages.heading(title)
    pages.ticks(
      lines
        .filter(line => tell(line.title) === title)
        .map(line => ({ what: tell(line.what), note: tell(line.where), amount: lineMass(line, habits) })),
    )
  }
}

function cups(pages: Pages, plan: Plan, { portions }: Forecast, { habits, tell }: Told): void {
  const after = potAfter(portions)
  pages.heading(tell(fact('Cups')))
  pages.ticks(
    plan.cups.flatMap((cup, i) => {
      const portion = portions.cups[i]!
      if (!(portion.totalG > 0)) return []
      const colours = portion.colours.map(part => `${showMass(part.powderG, habits, 0.01)} ${part.name}`)
      const leaves =
        plan.division.mode === 'one-pot'
          ? tell(fact('leaves {leftG} in the pot', { leftG: showMass(after.cupsG[i]!, habits, 1) }))
          : ''
      const note = [colours.length > 0 ? colours.join(', ') : tell(fact('plain')), leaves].filter(Boolean).join('; ')
      return [{ what: cup.name, note, amount: showMass(portion.batterG, habits, 1) }]
    }),
  )
}

function pours(pages: Pages, plan: Plan, { portions, lanes }: Forecast, { habits, tell }: Told): void {
  pages.heading(tell(fact('Pours')))
  pages.ticks(
    plan.score.map((pour, i) => {
      const layer = portions.layers[i]!
      const at = lanes.pours.find(one => one.pour === pour.id)
      const note = [
        tell(fact(pour.overSpatula ? 'over a spatula' : 'freely')),
        tell(fact('from {height}', { height: showLength(pour.dropMm, habits) })),
        tell(fact('to {height}', { height: showLength(layer.toMm, habits) })),
        at && tell(fact('about minute {minute}', { minute: Math.round(at.startMin) })),
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
export async function sheetPdf({ plan: kept, shelf, habits, language }: SheetTask): Promise<Uint8Array | null> {
  const read = readPlan(kept)
  const result = read.ok ? forecast(read.plan, shelf) : null
  if (!read.ok || !result?.ok) return null
  const { plan } = read
  const told: Told = { habits, tell: words => say(words, habits, catalogueOf(language)) }
  const { tell } = told
  const made = result.forecast
  const heat = heatPlan(plan, shelf, made.portions)
  const pages = await Pages.open(plan.name)
  pages.title(plan.name)
  pages.text(
    tell(
      fact('Pour sheet. {mould}, soap {height} high; superfat {superfat}.', {
        mould: plan.mould.name,
        height: showLength(plan.mould.fillMm, habits),
        superfat: showShare(made.portions.superfatShare),
      }),
    ),
    { soft: true },
  )
  const grave = made.notices.filter(one => one.weight === 'stop').map(one => `! ${tell(one.sentence)}`)
  if (plan.isTrial) grave.unshift(`! ${tell(fact('A trial: not for skin, not for sale.'))}`)
  for (const sentence of grave) pages.text(sentence, { bold: true })
  pages.heading(tell(fact('Safety, before anything is weighed')))
  pages.ticks(SAFETY.map(what => ({ what: tell(fact(what)) })))
  weighing(pages, plan, made, shelf, told)
  pages.heading(tell(fact('Temperatures')))
  pages.text(
    tell(
      fact('Lye to {lyeC}, oils to {oilsC}; the lye rises to about {peakC}.', {
        lyeC: showTemperature(heat.lye.targetC, habits),
        oilsC: showTemperature(heat.oils.targetC, habits),
        peakC: showTemperature(heat.peak.peakC, habits),
      }),
    ),
  )
  cups(pages, plan, made, told)
  pours(pages, plan, made, told)
  if (plan.notes !== '') {
    pages.heading(tell(fact('Notes')))
    pages.text(plan.notes)
  }
  return pages.save()
}
