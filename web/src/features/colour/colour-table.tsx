import { GELS, STAGES, seenBy } from '@ostler/core'
import type { CupColour, Forecast, Gelled, Plan, ColourVision, SoapColour, Stage, Words } from '@ostler/core'
import { useColourView } from '../../plan/colour-view.ts'
import { Say } from '../../ui/say.tsx'
import { rich, t, tidy } from '../../words/index.ts'

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
  plain: t('plain base'),
  estimate: t('an estimate'),
  'own swatch': t('from one swatch of yours'),
  fitted: t('from your swatches'),
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
          <th className="font-normal">{t(STAGES.pour)}</th>
          <th colSpan={2} className="font-normal">
            {t('{cut}, day {cutDays}', { cut: t(STAGES.cut), cutDays: tidy(plan.colour.cutDays, 1) })}
          </th>
          <th colSpan={2} className="font-normal">
            {t('{cured}, {curedDays} weeks', { cured: t(STAGES.cured), curedDays: tidy(plan.colour.curedDays / 7, 1) })}
          </th>
          <th />
        </tr>
        <tr className="text-[12px] text-soft">
          <th />
          <th />
          {COLUMNS.slice(1).map(({ stage, gelled }) => (
            <th key={stage + gelled} className={gelled === planned ? 'text-ink' : 'font-normal'}>
              {t(GELS[gelled])}
            </th>
          ))}
          <th />
        </tr>
      </thead>
      <tbody>
        <tr>
          <td className="py-1 pr-3 text-soft">{t('Plain')}</td>
          {COLUMNS.map(({ stage, gelled }) => (
            <Cell
              key={stage + gelled}
              colour={base[stage][gelled]}
              sight={sight}
              what={t('Plain, {stage}', { stage: t(STAGES[stage]) })}
            />
          ))}
          <td className="pl-4 text-[13px] text-soft max-[700px]:hidden">{t('the soap that all colours lie in')}</td>
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
                what={`${plan.cups[i]!.name}, ${t(STAGES[stage])}, ${t(GELS[gelled])}`}
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
            title={t('wished for: {wish}', { wish })}
            style={{ background: seenBy(wish, sight) }}
          />
        )}
      </span>
    </td>
  )
}

const VERDICTS = {
  match: t('as wished'),
  close: t('close to the wish'),
  near: t('near the wish'),
  'out-of-reach': t('not the wish'),
}

function Words({ colour }: { colour: CupColour }) {
  const { browning, wish } = colour
  return (
    <>
      {browning && browning.deltaE >= 2.5 && (
        <span className="block font-semibold text-rust">
          {rich('browns: {word}, ΔE {deltaE}', { word: <Say of={browning.word} />, deltaE: tidy(browning.deltaE, 0) })}
        </span>
      )}
      {wish && (
        <span className={`block ${wish.verdict === 'out-of-reach' ? 'text-rust' : ''}`}>
          {t('{verdict}, ΔE {deltaE}', { verdict: VERDICTS[wish.verdict], deltaE: tidy(wish.deltaE, 1) })}
        </span>
      )}
      <span className="block">
        {t('{basis}: ± ΔE {lowDeltaE} to {highDeltaE}', {
          basis: BASIS[colour.basis],
          lowDeltaE: colour.lowDeltaE,
          highDeltaE: colour.highDeltaE,
        })}
      </span>
    </>
  )
}
