import {
  GRAMS_PER_OUNCE,
  auditOf,
  brimMl,
  findById,
  plainOil,
  plannedMould,
  readQuantity,
  resized,
  showMass,
  starterPlan,
} from '@ostler/core'
import type { Audit, Plan, Shelf, UnitHabits, Words } from '@ostler/core'
import { Trash2 } from 'lucide-react'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { addBatch } from '../../api/client.ts'
import { useHabits } from '../../plan/context.tsx'
import { AddChoice } from '../../ui/add-choice.tsx'
import { Section } from '../../ui/section.tsx'
import { useToast } from '../../ui/toast.tsx'
import { decimalMark, fixed, say, showShare, t, tidy } from '../../words/index.ts'
import { PasteRecipe } from './paste-recipe.tsx'
import type { TakenRecipe } from './paste-recipe.tsx'
import { readJson, sessionStore, writeJson } from '../../kept/storage.ts'
import { oilOptions } from '../../ui/add-options.ts'
import { Say } from '../../ui/say.tsx'

interface Typed {
  oils: { oil: string; text: string }[]
  lye: string
  purity: string
  water: string
}

const EMPTY: Typed = { oils: [], lye: '', purity: '98', water: '' }

/** A number typed in a field, or a sentence; an empty field says nothing yet. */
function reading(
  text: string,
  kind: 'mass' | 'share',
  unit: string,
  density?: number,
): { value: number | null; sentence: Words | null } {
  if (text.trim() === '') return { value: null, sentence: null }
  const read = readQuantity(text, kind, unit, density, decimalMark())
  if (!read.ok) return { value: null, sentence: read.sentence }
  if (read.value < 0) return { value: null, sentence: t('This cannot be less than nothing.') }
  return { value: read.value, sentence: null }
}

const purityReading = (text: string) => {
  const read = reading(text, 'share', '%')
  return read.value !== null && (read.value < 0.8 || read.value > 1)
    ? {
        value: null,
        sentence: t('Lye purity is from 80 to 100 %, not {text}. Is a digit missing?', { text: text.trim() }),
      }
    : read
}

/** What was pasted, as it is typed in the workshop's units. */
function typedOf({ oils, lyeG, waterG }: TakenRecipe, { mass }: UnitHabits, before: Typed): Typed {
  const text = (g: number | null): string => {
    const shown = g === null ? '' : mass === 'oz' ? tidy(g / GRAMS_PER_OUNCE, 3) : tidy(g, 2)
    return decimalMark() === 'comma' ? shown.replace('.', ',') : shown
  }
  return {
    ...before,
    ...{ lye: text(lyeG), water: text(waterG), oils: oils.map(({ oil, massG }) => ({ oil, text: text(massG) })) },
  }
}

const TYPED_KEY = 'ostler.audit'

/** What is typed stays when one looks elsewhere and comes back. */
function useKeptTyped(): [Typed, (typed: Typed) => void] {
  const [typed, setTyped] = useState<Typed>(() => ({ ...EMPTY, ...(readJson(sessionStore(), TYPED_KEY) ?? {}) }))
  return [
    typed,
    next => {
      setTyped(next)
      writeJson(sessionStore(), TYPED_KEY, next)
    },
  ]
}

/** What is typed, read: values, or what is wrong with them, and what they come to. */
function useAudit(shelf: Shelf, typed: Typed) {
  const habits = useHabits()
  const oils = typed.oils.map(part => ({
    ...part,
    ...reading(part.text, 'mass', habits.mass, findById(shelf.oils, part.oil)?.densityGPerMl),
  }))
  const lye = reading(typed.lye, 'mass', habits.mass)
  const purity = purityReading(typed.purity)
  const water = reading(typed.water, 'mass', habits.mass, 1)
  const audit = auditOf(
    {
      oils: oils.map(part => ({ oil: part.oil, massG: part.value ?? 0 })),
      lyeG: lye.value ?? 0,
      lyePurityShare: purity.value ?? 0,
      waterG: water.value ?? 0,
    },
    shelf,
  )
  return { oils, lye, purity, water, audit }
}

/** A recipe someone brings: what its superfat and water really are, and what is wrong with it. */
export function AuditSection({ shelf }: { shelf: Shelf }) {
  const habits = useHabits()
  const [typed, setTyped] = useKeptTyped()
  const set = (change: Partial<Typed>) => setTyped({ ...typed, ...change })
  const { oils, lye, purity, water, audit } = useAudit(shelf, typed)
  const unused = shelf.oils.filter(oil => !oil.archived && !typed.oils.some(part => part.oil === oil.id))
  return (
    <Section title={t('Look into a recipe from elsewhere')}>
      <p className="mb-3 max-w-180 text-soft">
        {t(
          'Type what it says, in grams or ounces. Ostler says its superfat with the range of the oils’ values, its water on every basis, and what is wrong with it.',
        )}
      </p>
      <PasteRecipe shelf={shelf} onTake={taken => setTyped(typedOf(taken, habits, typed))} />
      <div className="grid grid-cols-[420px_minmax(0,1fr)] gap-10 max-[900px]:grid-cols-1">
        <div>
          <table className="w-full">
            <tbody>
              {oils.map((part, i) => (
                <Line
                  key={part.oil}
                  name={findById(shelf.oils, part.oil)?.name ?? part.oil}
                  text={part.text}
                  unit={habits.mass}
                  sentence={part.sentence}
                  onText={text => set({ oils: typed.oils.map((one, j) => (j === i ? { ...one, text } : one)) })}
                  onRemove={() => set({ oils: typed.oils.filter((_, j) => j !== i) })}
                />
              ))}
            </tbody>
          </table>
          <div className="py-2">
            <AddChoice
              what={t('an oil it names')}
              options={oilOptions(unused, habits)}
              onAdd={oil => set({ oils: [...typed.oils, { oil, text: '' }] })}
            />
          </div>
          <LyeLines typed={typed} read={{ lye, purity, water }} onTyped={set} />
          {JSON.stringify(typed) !== JSON.stringify(EMPTY) && (
            <button className="quiet mt-2" onClick={() => setTyped(EMPTY)}>
              {t('Start over')}
            </button>
          )}
        </div>
        {audit ? (
          <Findings
            audit={audit}
            typed={oils}
            purity={purity.value ?? 1}
            hasWater={water.value !== null}
            shelf={shelf}
          />
        ) : (
          <p className="text-soft">{t('Name at least one oil with its weight, and the lye.')}</p>
        )}
      </div>
    </Section>
  )
}

interface LineProps {
  name: string
  text: string
  unit: string
  sentence: Words | null
  onText: (text: string) => void
  onRemove?: () => void
}

const Line = ({ name, text, unit, sentence, onText, onRemove }: LineProps) => (
  <tr className="border-b border-line">
    <td className="py-1.5">
      {name}
      {sentence && (
        <span role="alert" className="block text-[13px] text-rust">
          <Say of={sentence} />
        </span>
      )}
    </td>
    <td className="w-40 text-right whitespace-nowrap">
      <input
        aria-label={name}
        aria-invalid={sentence !== null || undefined}
        className="field w-24 text-right"
        inputMode="decimal"
        value={text}
        onChange={event => onText(event.target.value)}
      />{' '}
      <span className="text-[13px] text-soft">{unit}</span>
    </td>
    <td className="w-9">
      {onRemove && (
        <button className="quiet" aria-label={t('Remove {name}', { name })} onClick={onRemove}>
          <Trash2 size={15} aria-hidden />
        </button>
      )}
    </td>
  </tr>
)

interface LyeLinesProps {
  typed: Typed
  read: Record<'lye' | 'purity' | 'water', { sentence: Words | null }>
  onTyped: (change: Partial<Typed>) => void
}

function LyeLines({ typed, read, onTyped }: LyeLinesProps) {
  const { mass } = useHabits()
  const line = (key: 'lye' | 'purity' | 'water', name: string, unit: string) => (
    <Line
      name={name}
      text={typed[key]}
      unit={unit}
      sentence={read[key].sentence}
      onText={text => onTyped({ [key]: text })}
    />
  )
  return (
    <table className="w-full">
      <tbody>
        {line('lye', t('Lye (NaOH)'), mass)}
        {line('purity', t('Lye purity'), '%')}
        {line('water', t('Water'), mass)}
      </tbody>
    </table>
  )
}

const SIGNS = { stop: '▲ ', warn: '△ ', good: '✓ ' } as const

interface FindingsProps {
  audit: Audit
  typed: readonly { oil: string; value: number | null }[]
  purity: number
  hasWater: boolean
  shelf: Shelf
}

/** The plan with just so much oil: in its own mould, or in the smallest of the shelf that holds it. */
function asLarge(plan: Plan, shelf: Shelf, oilsG: number): { plan: Plan; sentence: Words | null } {
  const fits = (one: Plan) => {
    const size = resized(one, shelf, { by: 'oils', massG: oilsG })
    return size.ok ? { ...one, mould: { ...one.mould, fillMm: size.fillMm } } : null
  }
  const own = fits(plan)
  if (own) return { plan: own, sentence: null }
  const moulds = [...shelf.moulds].filter(mould => !mould.archived).sort((a, b) => brimMl(a) - brimMl(b))
  for (const mould of moulds) {
    const other = fits({ ...plan, mould: plannedMould(mould) })
    if (other) return { plan: other, sentence: null }
  }
  return { plan, sentence: t('No mould on the shelf takes just so much: the batch has the size of its mould.') }
}

/** Makes a batch of the recipe as it was typed, with at least a little superfat. */
function useMadeBatch({ audit, typed, purity, hasWater, shelf }: FindingsProps) {
  const navigate = useNavigate()
  const toast = useToast()
  const { water } = audit
  const [isBusy, setBusy] = useState(false)
  const make = async () => {
    setBusy(true)
    const starter = starterPlan(t('From elsewhere'))
    const oils = typed.flatMap(part =>
      part.value ? [plainOil(part.oil, Number((part.value / audit.oilsG).toFixed(6)))] : [],
    )
    try {
      const recipe = {
        ...starter.recipe,
        oils,
        superfatShare: Math.min(0.25, Math.max(0.03, Number(audit.superfatShare.toFixed(4)))),
        lyePurityShare: purity,
        water: {
          ...starter.recipe.water,
          basis: 'ratio' as const,
          value: hasWater ? Math.min(4, Math.max(1.2, Number(water.ratio.toFixed(3)))) : 2.3,
        },
      }
      const { plan, sentence } = asLarge({ ...starter, recipe }, shelf, audit.oilsG)
      const batch = await addBatch(plan)
      if (sentence) toast(sentence)
      await navigate(`/batches/${batch.id}/batter`)
    } catch (error) {
      toast((error as Error).message)
    }
    setBusy(false)
  }
  return { make, isBusy }
}

/** The water on every basis. */
const WaterTable = ({ water }: { water: Audit['water'] }) => (
  <table className="w-full max-w-100">
    <tbody>
      {[
        [t('lye concentration'), showShare(water.concentration)],
        [t('water to lye'), `${fixed(water.ratio, 2)} : 1`],
        [t('water, of the oils'), showShare(water.shareOfOils)],
        [t('discount from 38 % of the oils'), showShare(water.discount)],
      ].map(([name, value]) => (
        <tr key={name} className="border-b border-line">
          <th className="py-1 text-left font-normal text-soft">{name}</th>
          <td className="text-right font-semibold">{value}</td>
        </tr>
      ))}
    </tbody>
  </table>
)

function Findings(props: FindingsProps) {
  const { audit, hasWater } = props
  const habits = useHabits()
  const { make, isBusy } = useMadeBatch(props)
  const verdicts = hasWater ? audit.verdicts : audit.verdicts.filter(one => one.about !== 'water')
  return (
    <div role="status">
      <p className="text-3xl font-semibold">
        {t('{superfatShare} superfat', { superfatShare: showShare(audit.superfatShare) })}
      </p>
      <p className="text-soft">
        {t('{low} to {high} with the oils’ values and usual scales', {
          low: showShare(audit.superfat.low),
          high: showShare(audit.superfat.high),
        })}
      </p>
      <ul className="my-3 flex flex-col gap-1.5">
        {verdicts.map(verdict => (
          <li key={say(verdict.sentence)} className={verdict.weight === 'good' ? '' : 'font-semibold text-rust'}>
            <span aria-hidden>{SIGNS[verdict.weight]}</span>
            <Say of={verdict.sentence} />
          </li>
        ))}
      </ul>
      {hasWater && <WaterTable water={audit.water} />}
      <p className="my-3 text-[13px] text-soft">
        {t('{oilsG} of oils, {batterG} of batter. For 5 % superfat the lye would be {lyeFor5G}.', {
          oilsG: showMass(audit.oilsG, habits),
          batterG: showMass(audit.batterG, habits),
          lyeFor5G: showMass(Math.floor(audit.lyeFor5G * 10) / 10, habits),
        })}
      </p>
      <button className="button" disabled={isBusy} onClick={() => void make()}>
        {t('Make it a batch{superfatShare}', {
          superfatShare: audit.superfatShare < 0.03 ? t(', with at least 3 % superfat') : '',
        })}
      </button>
    </div>
  )
}
