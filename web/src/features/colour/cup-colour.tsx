import { asReckoned, findById, seenBy, stripOf, at } from '@ostler/core'
import type { CupColour, Forecast, Plan } from '@ostler/core'
import { useMemo, useState } from 'react'
import { Link } from 'react-router'
import { useBatch } from '../../plan/context.tsx'
import { useColourView } from '../../plan/colour-view.ts'
import { useTold } from '../../parts/plan-field.tsx'
import { Slider } from '../../ui/slider.tsx'
import { inkOn } from '../../ui/swatch.tsx'
import { LadderDialog } from './ladder-dialog.tsx'
import { WishFields } from './wish-fields.tsx'
import { Say } from '../../ui/say.tsx'
import { rich, showShare, t, tidy } from '../../words/index.ts'

interface Props {
  plan: Plan
  forecast: Forecast
  index: number
}

/** One cup's colour: what it becomes, what was wished for, and the doses that make it. */
export function CupColourPanel({ plan, forecast, index }: Props) {
  const cup = plan.cups[index]!
  const colour = forecast.colours.cups[index]!
  const [laddering, setLaddering] = useState(false)
  const isOnLadder = plan.ladders.some(one => one.cups.includes(cup.id))
  return (
    <section aria-label={t('Colour of {cup}', { cup: cup.name })} className="flex flex-col gap-4">
      <Large colour={colour} name={cup.name} />
      {colour.browning && <Browning colour={colour} />}
      <WishFields plan={plan} forecast={forecast} index={index} />
      <Doses plan={plan} index={index} />
      {cup.colorants.length > 0 && <Strip plan={plan} forecast={forecast} index={index} />}
      <div className="flex flex-wrap items-center gap-3">
        <button
          className="button"
          disabled={cup.colorants.length === 0 || isOnLadder}
          onClick={() => setLaddering(true)}
        >
          {t('Ladder of tints …')}
        </button>
        <Link to={`../cups?cup=${cup.id}`} className="underline">
          {t('All of this cup')}
        </Link>
      </div>
      {isOnLadder && (
        <p className="-mt-2 text-[13px] text-soft">
          {t('This cup is a step of a ladder: its colour changes in all steps at once.')}
        </p>
      )}
      {laddering && <LadderDialog plan={plan} forecast={forecast} index={index} onClose={() => setLaddering(false)} />}
    </section>
  )
}

function Large({ colour, name }: { colour: CupColour; name: string }) {
  const { sight } = useColourView()
  const cured = colour.stages.cured[colour.gelled]
  const hex = seenBy(cured.hex, sight)
  const wish = colour.wish && seenBy(colour.wish.hex, sight)
  return (
    <div className="-mx-4 -mt-4 max-[900px]:-mx-3">
      <div className="flex h-36">
        <div className="flex flex-1 flex-col justify-end p-4" style={{ background: hex, color: inkOn(hex) }}>
          <h2 className="text-2xl leading-tight">{name}</h2>
          <span>{t('cured · {hex}', { hex: cured.hex })}</span>
        </div>
        {wish && (
          <div className="flex w-1/3 flex-col justify-end p-3" style={{ background: wish, color: inkOn(wish) }}>
            <span>{t('wished for')}</span>
            <span>{colour.wish!.hex}</span>
          </div>
        )}
      </div>
    </div>
  )
}

function Browning({ colour }: { colour: CupColour }) {
  const browning = colour.browning!
  const held =
    browning.held > 0.01 ? t('Stabiliser holds {held} of it back, at best.', { held: showShare(browning.held, 0) }) : ''
  return (
    <p className={browning.deltaE >= 5 ? 'text-rust' : 'text-soft'}>
      {rich(
        '{deltaE}{ofScent} of its scent is vanillin: {word} when cured, ΔE {deltaE2} from the same without scent. {held}',
        {
          deltaE: browning.deltaE >= 5 && '△ ',
          ofScent: showShare(browning.ofScent, 1),
          word: <Say of={browning.word} />,
          deltaE2: tidy(browning.deltaE, 0),
          held,
        },
      )}
    </p>
  )
}

/** Doses as sliders: the colour follows while they move. */
function Doses({ plan, index }: { plan: Plan; index: number }) {
  const batch = useBatch()
  const told = useTold()
  const cup = plan.cups[index]!
  if (cup.colorants.length === 0)
    return (
      <p className="text-soft">
        {rich('No colorant in it. {addOne} or wish for a colour above.', {
          addOne: (
            <Link to={`../cups?cup=${cup.id}`} className="underline">
              {t('Add one')}
            </Link>
          ),
        })}
      </p>
    )
  return (
    <div>
      {cup.colorants.map((part, j) => {
        const colorant = findById(batch.shelf.colorants, part.colorant)
        const usual = colorant?.usualMaxGPerKg ?? 10
        const set = (doseGPerKg: number) =>
          told(
            batch.edit({ kind: 'set-dose', cup: cup.id, colorant: part.colorant, doseGPerKg }, `slide ${cup.id} ${j}`),
          )
        return (
          <div key={part.colorant}>
            <div className="flex justify-between">
              <span>{colorant?.name ?? part.colorant}</span>
              <strong>{t('{doseGPerKg} g/kg', { doseGPerKg: tidy(part.doseGPerKg, 2) })}</strong>
            </div>
            {part.slurry ? (
              <p className="text-[13px] text-soft">{t('from a slurry already made: its weights decide')}</p>
            ) : (
              <Slider
                label={t('Dose of {colorant}', { colorant: colorant?.name ?? part.colorant })}
                value={part.doseGPerKg}
                most={Math.max(usual * 1.25, part.doseGPerKg)}
                step={usual / 200}
                mark={usual}
                onValue={value => set(Number(value.toPrecision(4)))}
              />
            )}
          </div>
        )
      })}
      <p className="text-[13px] text-soft">{t('The line marks the usual most.')}</p>
    </div>
  )
}

/** The same doses weaker and stronger. */
function Strip({ plan, forecast, index }: Props) {
  const batch = useBatch()
  const told = useTold()
  const { sight } = useColourView()
  const cup = plan.cups[index]!
  const strip = useMemo(
    () => stripOf(asReckoned(plan, forecast.colours, cup.id), forecast.portions, batch.shelf, index),
    [plan, forecast, batch.shelf, index, cup.id],
  )
  const take = (factor: number) => {
    const colorants = cup.colorants.map(part => ({
      ...part,
      doseGPerKg: Math.min(300, Number((part.doseGPerKg * factor).toPrecision(4))),
    }))
    told(batch.edit({ kind: 'set', path: at(plan => plan.cups[index]!.colorants), value: colorants }))
  }
  return (
    <div>
      <h3 className="mb-1 text-[13px] text-soft">{t('Weaker and stronger, cured: press one to take it')}</h3>
      <div className="flex">
        {strip.map(({ factor, colour }) => (
          <button
            key={factor}
            className={`min-h-14 min-w-0! flex-1 text-[12px] ${factor === 1 ? 'z-10 outline-2 outline-ink' : ''}`}
            style={{ background: seenBy(colour.hex, sight), color: inkOn(seenBy(colour.hex, sight)) }}
            aria-label={t('{factor} times the dose: {hex}', { factor, hex: colour.hex })}
            disabled={factor === 0}
            onClick={() => take(factor)}
          >
            {factor === 0 ? t('none') : `×${tidy(factor, 2)}`}
          </button>
        ))}
      </div>
    </div>
  )
}
