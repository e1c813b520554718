import { acrossView, alongView, levelView, showLength } from '@ostler/core'
import type { Design, Plan } from '@ostler/core'
import { Download, Printer } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import { useHabits, usePlan } from '../../plan/context.tsx'
import { Check } from '../../ui/check.tsx'
import { PlanField } from '../../ui/plan-field.tsx'
import { Section } from '../../ui/section.tsx'
import { Slider } from '../../ui/slider.tsx'
import { drawFace } from '../../workers/faces.ts'
import { StageSwitch } from '../colour/stage-switch.tsx'
import { DesignSentences } from './design-sentences.tsx'
import { FaceCanvas } from './face-canvas.tsx'
import { painted } from './paint.ts'
import { useDesign, useDesignHexes } from './use-design.ts'

const FACE_PX = 150
/** Drawn finer than shown, so that fine threads stay smooth. */
const FINE = 2

/** What every bar of the batch will show: all faces, the top, and cuts the other ways. */
export function BarsPage() {
  const plan = usePlan(state => state.plan)
  const design = useDesign()
  const hexes = useDesignHexes(design)
  const { program } = design
  const isRound = program.radiusMm > 0
  return (
    <main className="flex flex-1 flex-col gap-6 bg-booth px-5 py-4 max-[900px]:px-3 print:bg-white">
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
        <h1 className="text-2xl">Every bar</h1>
        <span className="print:hidden">
          <StageSwitch />
        </span>
        <span className="ml-auto flex gap-2 print:hidden">
          <button className="button bg-paper" onClick={() => print()}>
            <Printer size={16} aria-hidden /> Print
          </button>
          <Link to="../score" className="button bg-paper">
            Back to the score
          </Link>
        </span>
      </div>
      <DesignSentences />
      {isRound ? (
        <Rounds design={design} hexes={hexes} plan={plan} />
      ) : (
        <Bars design={design} hexes={hexes} plan={plan} />
      )}
      <Others design={design} hexes={hexes} name={plan.name} />
    </main>
  )
}

interface Props {
  design: Design
  hexes: readonly string[]
  plan: Plan
}

/** Where each bar's two faces lie along what is cut, mm. */
function barsOf(lengthMm: number, { barMm, trimMm, kerfMm }: Plan['cutting']) {
  const count = Math.max(0, Math.floor((lengthMm - 2 * trimMm + kerfMm) / (barMm + kerfMm)))
  const bars = Array.from({ length: count }, (_, k) => {
    const from = trimMm + k * (barMm + kerfMm)
    return { from, to: from + barMm }
  })
  const left = lengthMm - 2 * trimMm - Math.max(0, count * (barMm + kerfMm) - kerfMm)
  return { bars, left }
}

function CutFields() {
  return (
    <div className="flex flex-wrap items-end gap-x-4 gap-y-2 print:hidden">
      <PlanField label="A bar is" kind="length" width={64} path={['cutting', 'barMm']} />
      <PlanField label="Trimmed off each end" kind="length" width={64} path={['cutting', 'trimMm']} />
      <PlanField label="A cut takes" kind="length" width={64} path={['cutting', 'kerfMm']} />
    </div>
  )
}

function Bars({ design, hexes, plan }: Props) {
  const habits = useHabits()
  const [backs, setBacks] = useState(false)
  const { program } = design
  const { bars, left } = barsOf(program.lengthMm, plan.cutting)
  const faces = bars.flatMap((bar, i) => [
    { key: `${i}-a`, text: String(i + 1), at: bar.from },
    ...(backs ? [{ key: `${i}-b`, text: `${i + 1}, back`, at: bar.to }] : []),
  ])
  return (
    <Section
      title={`${bars.length} bars`}
      aside={
        <span className="text-soft">
          {showLength(plan.cutting.barMm, habits)} each
          {left > 1 && `, ${showLength(Math.round(left), habits)} left over`}
        </span>
      }
    >
      <CutFields />
      <Check className="mt-1 print:hidden" label="both sides of every bar" checked={backs} onChange={setBacks} />
      {bars.length === 0 && <p className="text-rust">No bar fits: make it thinner, or trim less.</p>}
      <ol className="mt-3 flex flex-wrap gap-3">
        {faces.map(face => (
          <li key={face.key}>
            <FaceCanvas
              program={program}
              view={acrossView(program, Math.min(0.999, face.at / program.lengthMm), FACE_PX * FINE)}
              hexes={hexes}
              label={`Bar ${face.text}`}
              style={{ width: FACE_PX }}
            />
            <span className="text-[13px] text-soft">{face.text}</span>
          </li>
        ))}
      </ol>
    </Section>
  )
}

/** A column is cut into rounds. */
function Rounds({ design, hexes, plan }: Props) {
  const { program } = design
  const { bars } = barsOf(program.heightMm, plan.cutting)
  return (
    <Section title={`${bars.length} rounds`}>
      <CutFields />
      <ol className="mt-3 flex flex-wrap gap-3">
        {bars.map((bar, i) => (
          <li key={bar.from}>
            <FaceCanvas
              program={program}
              view={levelView(program, bar.from / program.heightMm, FACE_PX * FINE)}
              hexes={hexes}
              label={`Round ${i + 1}`}
              style={{ width: FACE_PX }}
            />
            <span className="text-[13px] text-soft">{i + 1}</span>
          </li>
        ))}
      </ol>
    </Section>
  )
}

type Cut = 'along' | 'level' | 'across'
const CUTS: Readonly<Record<Cut, string>> = {
  level: 'From above, at this height',
  along: 'Cut lengthwise, at this width',
  across: 'Cut across, at this length',
}
const LONG_PX = 520
const FINAL_PX = 1600

function Others({ design, hexes, name }: { design: Design; hexes: readonly string[]; name: string }) {
  const { program } = design
  const [places, setPlaces] = useState<Record<Cut, number>>({ level: 1, along: 0.5, across: 0.5 })
  const [busy, setBusy] = useState<Cut | null>(null)
  const viewOf = (cut: Cut, width: number) => {
    const at = Math.min(0.999, Math.max(0.001, places[cut]))
    return cut === 'level'
      ? levelView(program, at, width)
      : cut === 'along'
        ? alongView(program, at, width)
        : acrossView(program, at, width)
  }
  const save = async (cut: Cut) => {
    setBusy(cut)
    try {
      const picture = await drawFace(program, viewOf(cut, FINAL_PX), true)
      const canvas = document.createElement('canvas')
      canvas.width = picture.width
      canvas.height = picture.height
      canvas.getContext('2d')!.putImageData(painted(picture, hexes), 0, 0)
      const link = document.createElement('a')
      link.href = canvas.toDataURL('image/png')
      link.download = `${name.toLowerCase().replace(/[^a-z0-9]+/g, '-') || 'design'}-${cut}.png`
      link.click()
    } finally {
      setBusy(null)
    }
  }
  return (
    <Section title="Cut the other ways">
      <div className="flex flex-wrap gap-6">
        {(Object.entries(CUTS) as [Cut, string][]).map(([cut, text]) => {
          const width = cut === 'across' ? 220 : LONG_PX
          return (
            <figure key={cut} style={{ width }} className="max-w-full">
              <FaceCanvas
                program={program}
                view={viewOf(cut, width * FINE)}
                hexes={hexes}
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
                <button className="quiet" disabled={busy !== null} onClick={() => void save(cut)}>
                  <Download size={15} aria-hidden /> {busy === cut ? 'drawing …' : 'as a picture (PNG)'}
                </button>
              </figcaption>
            </figure>
          )
        })}
      </div>
    </Section>
  )
}
