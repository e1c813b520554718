import {
  acrossView,
  alongView,
  barsAlong,
  cavityKinds,
  designOf,
  differenceWords,
  isColumn,
  isTray,
  levelView,
  showLength,
  at,
} from '@ostler/core'
import type { Design, Plan, Words } from '@ostler/core'
import { Printer } from 'lucide-react'
import { useMemo, useState } from 'react'
import { Link } from 'react-router'
import { useBatch, useHabits, usePlan } from '../../plan/context.tsx'
import { Check } from '../../ui/check.tsx'
import { Choice } from '../../ui/choice.tsx'
import { PlanField, useTold } from '../../parts/plan-field.tsx'
import { Section } from '../../ui/section.tsx'
import { Slider } from '../../ui/slider.tsx'
import { useSize } from '../../ui/use-size.ts'
import { useMeasures } from '../../parts/use-advice.ts'
import { StageSwitch } from '../../parts/stage-switch.tsx'
import { Cavities } from './cavities-section.tsx'
import { DesignSentences } from '../../parts/design-sentences.tsx'
import { FaceCanvas } from '../../drawing/face-canvas.tsx'
import { SavePicture } from './save-picture.tsx'
import { TurnedLoaf } from '../../drawing/turned-loaf.tsx'
import { useCavityPlan, useDesign, useDesignHexes, useDesignNames, useLevels } from '../../drawing/use-design.ts'
import { useSay } from '../../ui/say.tsx'
import { t } from '../../words/index.ts'

const FACE_PX = 150
/** Drawn finer than shown, so that fine threads stay smooth. */
const FINE = 2

/** What every bar of the batch will show: all faces, the top, the block in space, and cuts the other ways. */
export function BarsPage() {
  const whole = usePlan(state => state.plan)
  const [mouldAt, setMouldAt] = useState(0)
  const [chosen, setChosen] = useState<string | null>(null)
  const moulds = [whole.mould, ...whole.moreMoulds]
  const kinds = mouldAt === 0 ? cavityKinds(whole) : []
  // Further moulds get every pour.
  const ofKind = useCavityPlan(whole, chosen)
  const plan = kinds.length > 1 ? ofKind : whole
  const mould = moulds[mouldAt] ?? plan.mould
  const first = useDesign(null, kinds.length > 1 ? chosen : null)
  const levels = useLevels(plan)
  const other = useMemo(() => (mould === plan.mould ? null : designOf(plan, levels, mould)), [plan, levels, mould])
  const design = other ?? first
  const hexes = useDesignHexes(design)
  const shown = useMemo(() => ({ ...plan, mould }), [plan, mould])
  const names = useDesignNames(design)
  const parts: Props = { design, hexes, names, plan: shown }
  return (
    <main className="flex flex-1 flex-col gap-6 bg-booth px-5 py-4 max-[900px]:px-3 print:bg-white">
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
        <h1 className="text-2xl">{t('Every bar')}</h1>
        {moulds.length > 1 && (
          <Choice
            label={t('Mould')}
            value={String(mouldAt)}
            options={moulds.map((one, i) => ({ value: String(i), text: `${i + 1}, ${one.name}` }))}
            onValue={value => setMouldAt(Number(value))}
          />
        )}
        <span className="print:hidden">
          <StageSwitch />
        </span>
        <span className="ml-auto flex flex-wrap gap-2 print:hidden">
          <Link to="../design" className="button bg-paper">
            {t('Design sheet')}
          </Link>
          <button className="button bg-paper" onClick={() => print()}>
            <Printer size={16} aria-hidden /> {t('Print')}
          </button>
          <Link to="../score" className="button bg-paper">
            {t('Back to the score')}
          </Link>
        </span>
      </div>
      <DesignSentences />
      {kinds.length > 1 ? (
        <Cavities plan={whole} kinds={kinds} shown={plan} onChoose={setChosen} />
      ) : isTray(mould) ? (
        <Cavity {...parts} />
      ) : isColumn(mould) ? (
        <Rounds {...parts} />
      ) : (
        <Bars {...parts} />
      )}
      <InSpace {...parts} />
      <Others {...parts} />
    </main>
  )
}

interface Props {
  design: Design
  hexes: readonly string[]
  names: readonly Words[]
  plan: Plan
}

function CutFields({ hasRows = false }: { hasRows?: boolean }) {
  const batch = useBatch()
  const told = useTold()
  const onSide = usePlan(state => state.plan.cutting.onSide)
  return (
    <div className="flex flex-wrap items-end gap-x-4 gap-y-2 print:hidden">
      <PlanField label={t('A bar is')} kind="length" width={64} path={at(plan => plan.cutting.barMm)} />
      <PlanField label={t('Trimmed off each end')} kind="length" width={64} path={at(plan => plan.cutting.trimMm)} />
      <PlanField label={t('A cut takes')} kind="length" width={64} path={at(plan => plan.cutting.kerfMm)} />
      {hasRows && (
        <PlanField label={t('Bars across')} kind="plain" decimals={0} width={64} path={at(plan => plan.cutting.rows)} />
      )}
      {hasRows && (
        <Check
          label={t('cut on its side')}
          checked={onSide}
          onChange={value => told(batch.edit({ kind: 'set', path: at(plan => plan.cutting.onSide), value }))}
        />
      )}
    </div>
  )
}

/** A row of a wide mould's cut is shown part by part. */
function Bars({ design, hexes, names, plan }: Props) {
  const habits = useHabits()
  const [backs, setBacks] = useState(false)
  const { program } = design
  const { cutting } = plan
  const length = program.radiusMm > 0 ? 2 * program.radiusMm : program.lengthMm
  const { bars, leftMm } = barsAlong(length, cutting)
  const faces = bars.flatMap((bar, i) => [
    { key: `${i}-a`, text: String(i + 1), at: bar.from },
    ...(backs ? [{ key: `${i}-b`, text: t('{i}, back', { i: i + 1 }), at: bar.to }] : []),
  ])
  const isWide = cutting.rows > 1
  const width = isWide ? Math.min(520, FACE_PX * cutting.rows * 0.7) : FACE_PX
  const count = bars.length * cutting.rows
  return (
    <Section
      title={`${count} ${count === 1 ? t('bar') : t('bars')}`}
      aside={
        <span className="text-soft">
          {t('{barMm} each{isWide}{leftMm}', {
            barMm: showLength(cutting.barMm, habits),
            isWide: isWide && t(', {rows} from every slice', { rows: cutting.rows }),
            leftMm: leftMm > 1 && t(', {leftMm} left over', { leftMm: showLength(Math.round(leftMm), habits) }),
          })}
        </span>
      }
    >
      <CutFields hasRows />
      <Check className="mt-1 print:hidden" label={t('both sides of every bar')} checked={backs} onChange={setBacks} />
      {bars.length === 0 && <p className="text-rust">{t('No bar fits: make it thinner, or trim less.')}</p>}
      {cutting.onSide && (
        <p className="mt-1">
          {t('Lay the loaf on its side and cut from wall to wall: the top meets the blade edge on.')}
        </p>
      )}
      {bars.length > 1 && <BarsDiffer {...{ design, names, plan }} last={bars.length} />}
      <ol className="mt-3 flex flex-wrap gap-3">
        {faces.map(face => (
          <li key={face.key}>
            <div
              className={cutting.onSide ? 'relative' : ''}
              style={cutting.onSide ? sideBox(width, design) : undefined}
            >
              <div className="relative" style={cutting.onSide ? sideTurn(width, design) : undefined}>
                <FaceCanvas
                  program={program}
                  view={acrossView(program, Math.min(0.999, face.at / length), Math.round(width * FINE))}
                  hexes={hexes}
                  names={names}
                  label={t('Bar {face}', { face: face.text })}
                  className="block"
                  style={{ width }}
                />
                {isWide &&
                  Array.from({ length: cutting.rows - 1 }, (_, row) => (
                    <span
                      key={row}
                      aria-hidden
                      className="absolute inset-y-0 w-px bg-paper"
                      style={{ left: `${(100 * (row + 1)) / cutting.rows}%` }}
                    />
                  ))}
              </div>
            </div>
            <span className="text-[13px] text-soft">{face.text}</span>
          </li>
        ))}
      </ol>
    </Section>
  )
}

/** What the two ends of the loaf have of each colour. */
function BarsDiffer({ design, names, plan, last }: Omit<Props, 'hexes'> & { last: number }) {
  const say = useSay()
  const faces = useMeasures(design, plan)?.faces ?? []
  if (faces.length < 2) return <p className="mt-1 min-h-5" />
  const words = differenceWords(faces[0]!, faces.at(-1)!, names)
  return (
    <p className="mt-1 min-h-5">
      {words
        ? t('Bar 1 and bar {last}: {words}.', { last, words: say(words) })
        : t('Bar 1 and bar {last} have as much of every colour.', { last })}
    </p>
  )
}

/** Height of a face shown so wide, px. */
const heightOf = (width: number, { program }: Design): number => {
  const view = acrossView(program, 0.5, 1000)
  return (width * view.height) / view.width
}

/** A face as it stands when the loaf lies on its side. */
const sideBox = (width: number, design: Design) => ({ width: heightOf(width, design), height: width })
const sideTurn = (width: number, design: Design) => ({
  width,
  transformOrigin: t('top left'),
  transform: `translateX(${heightOf(width, design)}px) rotate(90deg)`,
})

/** A column is cut into rounds. */
function Rounds({ design, hexes, names, plan }: Props) {
  const { program } = design
  const { bars } = barsAlong(program.heightMm, plan.cutting)
  return (
    <Section title={t('{bars} rounds', { bars: bars.length })}>
      <CutFields />
      {bars.length === 0 && <p className="text-rust">{t('No round fits: make it thinner, or trim less.')}</p>}
      <ol className="mt-3 flex flex-wrap gap-3">
        {bars.map((bar, i) => (
          <li key={bar.from}>
            <FaceCanvas
              program={program}
              view={levelView(program, Math.min(0.998, bar.from / program.heightMm), FACE_PX * FINE)}
              hexes={hexes}
              names={names}
              label={t('Round {i}', { i: i + 1 })}
              style={{ width: FACE_PX }}
            />
            <span className="text-[13px] text-soft">{i + 1}</span>
          </li>
        ))}
      </ol>
    </Section>
  )
}

/** Every cavity of a tray is a bar: they are poured alike. */
function Cavity({ design, hexes, names, plan }: Props) {
  const { program } = design
  return (
    <Section
      title={t('{cavities} bars', { cavities: plan.mould.cavities })}
      aside={<span className="text-soft">{t('every cavity is one, poured alike')}</span>}
    >
      <div className="flex flex-wrap items-end gap-4">
        <FaceCanvas
          {...{ program, hexes, names, plan }}
          view={levelView(program, 1, FACE_PX * 2 * FINE)}
          label={t('A bar from above')}
          style={{ width: FACE_PX * 2 }}
        />
        <FaceCanvas
          {...{ program, hexes, names }}
          view={acrossView(program, 0.5, FACE_PX * FINE)}
          label={t('A bar cut across')}
          style={{ width: FACE_PX }}
        />
      </div>
    </Section>
  )
}

const SPACE_PX = 360

function InSpace({ design, hexes, names, plan }: Props) {
  const [ref, size] = useSize<HTMLDivElement>()
  const [at, setAt] = useState(0)
  return (
    <Section
      title={t('In space')}
      aside={<span className="text-soft print:hidden">{t('drag it, or turn it with the arrow keys')}</span>}
    >
      <div ref={ref} className="w-full">
        {size.width > 0 && <TurnedLoaf {...{ design, hexes, names, plan, at }} width={size.width} height={SPACE_PX} />}
      </div>
      <div className="flex max-w-100 items-center gap-3 print:hidden">
        <span className="shrink-0 text-[14px]">{t('cut open')}</span>
        <Slider
          label={t('How far it is cut open')}
          value={at * 100}
          most={90}
          step={1}
          onValue={value => setAt(value / 100)}
        />
      </div>
    </Section>
  )
}

type Cut = 'along' | 'level' | 'across'
const CUTS: Readonly<Record<Cut, string>> = {
  level: t('From above, at this height'),
  along: t('Cut lengthwise, at this width'),
  across: t('Cut across, at this length'),
}
const LONG_PX = 520

function Others({ design, hexes, names, plan }: Props) {
  const { program } = design
  const [places, setPlaces] = useState<Record<Cut, number>>({ level: 1, along: 0.5, across: 0.5 })
  const round = program.radiusMm > 0
  const length = round ? 2 * program.radiusMm : program.lengthMm
  const across = round ? 2 * program.halfWidthMm : program.widthMm
  const viewOf = (cut: Cut) => (width: number) => {
    const at = Math.min(0.999, Math.max(0.001, places[cut]))
    return cut === 'level'
      ? levelView(program, places.level, width)
      : cut === 'along'
        ? alongView(program, at, width)
        : acrossView(program, at, width)
  }
  return (
    <Section title={t('Cut the other ways')}>
      <div className="flex flex-wrap gap-6">
        {(Object.entries(CUTS) as [Cut, string][]).map(([cut, text]) => {
          const width = cut === 'across' ? 220 : LONG_PX
          return (
            <figure key={cut} style={{ width }} className="max-w-full">
              <FaceCanvas
                {...{ program, hexes, names, plan }}
                view={viewOf(cut)(width * FINE)}
                label={text}
                className="block w-full"
              />
              <figcaption className="print:hidden">
                <span className="text-[13px] text-soft">{text}</span>
                <Slider
                  label={text}
                  value={places[cut] * 100}
                  most={100}
                  step={1}
                  onValue={value => setPlaces({ ...places, [cut]: value / 100 })}
                />
                <SavePicture
                  {...{ program, plan, hexes }}
                  viewAt={viewOf(cut)}
                  widthMm={cut === 'across' ? across : length}
                  name={`${plan.name} ${cut}`}
                />
              </figcaption>
            </figure>
          )
        })}
      </div>
    </Section>
  )
}
