import { GELS, STAGES, seenBy, tidy } from '@ostler/core'
import type { CupColour, Forecast, Gelled, Plan, ColourVision, SoapColour, Stage, Words } from '@ostler/core'
import { useColourView } from '../../plan/colour-view.ts'
import { Say } from '../../ui/say.tsx'

interface Props {
  plan: Plan
  forecast: Forecast
  chosen: string
  onChoose: (cup: string) => void
}

interface Column {
  stage: Stage
  gelled: Gelled
}

const COLUMNS: readonly Column[] = [
  { stage: 'pour', gelled: 'no' },
  { stage: 'cut', gelled: 'no' },
  { stage: 'cut', gelled: 'yes' },
  { stage: 'cured', gelled: 'no' },
  { stage: 'cured', gelled: 'yes' },
]

const BASIS = {
  plain: 'plain base',
  estimate: 'an estimate',
  'own swatch': 'from one swatch of yours',
  fitted: 'from your swatches',
}

/** Every cup on pour day, at the cut and cured, gelled and not. */
export function ColourTable({ plan, forecast, chosen, onChoose }: Props) {
  const { sight } = useColourView()
  const { base, cups, gelled: planned } = forecast.colours
  return (
    <table className="w-full table-fixed border-separate border-spacing-0">
      <colgroup>
        <col className="w-[17%] max-[700px]:w-[30%]" />
        {COLUMNS.map(({ stage, gelled }) => (
          <col key={stage + gelled} />
        ))}
        <col className="w-[27%] max-[700px]:w-0" />
      </colgroup>
      <thead>
        <tr className="text-[13px] text-soft">
          <th />
          <th className="font-normal">{STAGES.pour}</th>
          <th colSpan={2} className="font-normal">
            {STAGES.cut}, day {tidy(plan.colour.cutDays, 1)}
          </th>
          <th colSpan={2} className="font-normal">
            {STAGES.cured}, {tidy(plan.colour.curedDays / 7, 1)} weeks
          </th>
          <th />
        </tr>
        <tr className="text-[12px] text-soft">
          <th />
          <th />
          {COLUMNS.slice(1).map(({ stage, gelled }) => (
            <th key={stage + gelled} className={gelled === planned ? 'text-ink' : 'font-normal'}>
              {GELS[gelled]}
            </th>
          ))}
          <th />
        </tr>
      </thead>
      <tbody>
        <tr>
          <td className="py-1 pr-3 text-soft">Plain</td>
          {COLUMNS.map(({ stage, gelled }) => (
            <Cell key={stage + gelled} colour={base[stage][gelled]} sight={sight} what={`Plain, ${STAGES[stage]}`} />
          ))}
          <td className="pl-4 text-[13px] text-soft max-[700px]:hidden">the soap that all colours lie in</td>
        </tr>
        {cups.map((colour, i) => (
          <tr key={colour.cup} className={colour.cup === chosen ? 'bg-chosen' : ''}>
            <td className={colour.cup === chosen ? 'shadow-[inset_4px_0_0_var(--ink)]' : ''}>
              <button
                className="min-h-12 w-full py-1 pr-2 pl-3 text-left leading-tight font-semibold"
                aria-pressed={colour.cup === chosen}
                onClick={() => onChoose(colour.cup)}
              >
                {plan.cups[i]!.name}
              </button>
            </td>
            {COLUMNS.map(({ stage, gelled }) => (
              <Cell
                key={stage + gelled}
                colour={colour.stages[stage][gelled]}
                sight={sight}
                what={`${plan.cups[i]!.name}, ${STAGES[stage]}, ${GELS[gelled]}`}
                {...(stage === 'cured' && gelled === planned && colour.wish && { wish: colour.wish.hex })}
              />
            ))}
            <td className="pl-4 text-[13px] leading-snug text-soft max-[700px]:hidden">
              <Words colour={colour} />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}

interface CellProps {
  colour: SoapColour
  sight: ColourVision
  what: string
  wish?: string
}

function Cell({ colour, sight, what, wish }: CellProps) {
  return (
    <td className="h-12 min-w-10 p-0" title={`${what}: ${colour.hex}`}>
      <span
        role="img"
        aria-label={`${what}: ${colour.hex}`}
        className="relative block h-12 w-full"
        style={{ background: seenBy(colour.hex, sight) }}
      >
        {wish && (
          <span
            className="absolute top-1.5 right-1.5 size-5 rounded-full border border-black/40"
            title={`wished for: ${wish}`}
            style={{ background: seenBy(wish, sight) }}
          />
        )}
      </span>
    </td>
  )
}

const VERDICTS = {
  match: 'as wished',
  close: 'close to the wish',
  near: 'near the wish',
  'out-of-reach': 'not the wish',
}

function Words({ colour }: { colour: CupColour }) {
  const { browning, wish } = colour
  return (
    <>
      {browning && browning.deltaE >= 2.5 && (
        <span className="block font-semibold text-rust">
          browns: <Say of={browning.word} />, ΔE {tidy(browning.deltaE, 0)}
        </span>
      )}
      {wish && (
        <span className={`block ${wish.verdict === 'out-of-reach' ? 'text-rust' : ''}`}>
          {VERDICTS[wish.verdict]}, ΔE {tidy(wish.deltaE, 1)}
        </span>
      )}
      <span className="block">
        {BASIS[colour.basis]}: ± ΔE {colour.lowDeltaE} to {colour.highDeltaE}
      </span>
    </>
  )
}
