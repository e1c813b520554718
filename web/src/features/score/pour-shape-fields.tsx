import { DEPTHS, LAYER_FACES, POUR_WAYS, TOGETHER, showLength, showMass, at, tiltedPours } from '@ostler/core'
import type { Depth, Edit, LayerFace, Pour, PourWay, Together } from '@ostler/core'
import { useBatch, useForecast, useHabits, usePlan } from '../../plan/context.tsx'
import { Choice } from '../../ui/choice.tsx'
import { options } from '../../ui/options.ts'
import { PlanField, useTold } from '../../parts/plan-field.tsx'
import { t } from '../../words/index.ts'

/** What a pour's way needs beside itself. */
const NEEDS: Readonly<Record<PourWay, readonly string[]>> = {
  layer: ['texture', 'tiltDeg', 'pencil'],
  spoon: ['pencil'],
  line: ['depth', 'count', 'across', 'range', 'spreadMm'],
  walls: ['depth', 'count', 'spreadMm'],
  spots: ['depth', 'count', 'across', 'range', 'spreadMm'],
  drop: ['depth', 'count', 'across', 'range', 'cover'],
  pot: ['hour'],
  drizzle: ['count'],
  peaks: [],
  piped: ['count'],
}

/** How many streams, spots or rounds a way starts with. */
const COUNTS: Readonly<Partial<Record<PourWay, number>>> = {
  line: 3,
  walls: 2,
  spots: 3,
  drop: 3,
  drizzle: 12,
  piped: 8,
}
const COUNTED: Readonly<Partial<Record<PourWay, string>>> = {
  spots: t('Spots'),
  drizzle: t('Turns to and fro'),
  piped: t('Rounds along'),
}

/** Another way in, with what that way cannot do without. */
const wayEdit = ({ shape, dropMm }: Pour, index: number, way: PourWay): Edit => {
  const path = (key: string) => ['score', index, 'shape', key]
  return {
    kind: 'many',
    edits: [
      { kind: 'set', path: path('way'), value: way },
      ...(way === 'drop' || way === 'line'
        ? [{ kind: 'set' as const, path: path('range'), value: shape.range || 0.6 }]
        : []),
      ...(COUNTS[way] !== undefined && shape.count === 1
        ? [{ kind: 'set' as const, path: path('count'), value: COUNTS[way] }]
        : []),
      ...(way === 'drop' && dropMm < 40
        ? [{ kind: 'set' as const, path: ['score', index, 'dropMm'], value: 100 }]
        : []),
    ],
  }
}

/** How a pour lies: its way in, and what that way needs. */
export function PourShapeFields({ pour, index }: { pour: Pour; index: number }) {
  const batch = useBatch()
  const told = useTold()
  const { shape } = pour
  const path = (key: string) => ['score', index, 'shape', key]
  const set = (key: string, value: unknown) => told(batch.edit({ kind: 'set', path: path(key), value }))
  const share = (label: string, key: string) => (
    <PlanField label={label} kind="share" decimals={0} width={64} path={path(key)} />
  )
  const needs = (key: string) => NEEDS[shape.way].includes(key)
  const change = (way: PourWay) => told(batch.edit(wayEdit(pour, index, way)))
  return (
    <div className="grid grid-cols-2 gap-x-3 gap-y-2 border-t border-booth-deep pt-2">
      <div className="col-span-2">
        <Choice<PourWay>
          label={t('Goes in')}
          className="w-full"
          value={shape.way}
          options={options(POUR_WAYS)}
          onValue={change}
        />
      </div>
      {index > 0 && (
        <div className="col-span-2">
          <Choice<Together>
            label={t('Poured')}
            className="w-full"
            value={pour.together}
            options={options(TOGETHER)}
            onValue={value => told(batch.edit({ kind: 'set', path: at(plan => plan.score[index]!.together), value }))}
          />
        </div>
      )}
      {needs('depth') && (
        <div className="col-span-2">
          <Choice<Depth>
            label={t('How deep')}
            className="w-full"
            value={shape.depth}
            options={options(DEPTHS)}
            onValue={value => set('depth', value)}
          />
        </div>
      )}
      {needs('texture') && (
        <Choice<LayerFace>
          label={t('Its lower face')}
          value={shape.texture}
          options={options(LAYER_FACES)}
          onValue={value => set('texture', value)}
        />
      )}
      {needs('tiltDeg') && <TiltField tiltDeg={shape.tiltDeg} path={path('tiltDeg')} />}
      {needs('count') && (
        <PlanField
          label={COUNTED[shape.way] ?? t('Streams')}
          kind="plain"
          decimals={0}
          width={64}
          path={path('count')}
          hint={shape.way === 'piped' && <PieceMass index={index} count={shape.count} />}
        />
      )}
      {needs('across') && share(t('Across the mould'), 'across')}
      {needs('range') && share(t('Spread out over'), 'range')}
      {needs('spreadMm') && (
        <PlanField label={t('Half-width (0: as it runs)')} kind="length" width={64} path={path('spreadMm')} />
      )}
      {needs('cover') && share(t('Closes over it'), 'cover')}
      {needs('hour') && <HourField path={path('hour')} />}
      {needs('pencil') && index > 0 && <PencilChoice pencil={shape.pencil} onPencil={value => set('pencil', value)} />}
    </div>
  )
}

const HourField = ({ path }: { path: readonly (string | number)[] }) => (
  <PlanField label={t('Hour of the clock (0: middle)')} kind="plain" decimals={1} width={64} path={path} />
)

/** What a piped piece weighs. */
function PieceMass({ index, count }: { index: number; count: number }) {
  const habits = useHabits()
  const massG = useForecast()?.portions.layers[index]?.massG
  if (massG === undefined || count < 1) return null
  return (
    <span className="text-[13px] whitespace-nowrap text-soft">
      {t('{massG} each', { massG: showMass(massG / count, habits, 1) })}
    </span>
  )
}

function TiltField({ tiltDeg, path }: { tiltDeg: number; path: (string | number)[] }) {
  const habits = useHabits()
  const { innerWidthMm } = usePlan(state => state.plan.mould)
  const plan = usePlan(state => state.plan)
  const room = tiltedPours(plan).find(one => one.pour === path[1])
  /** What is put under one side. */
  const blockMm = Math.round(Math.tan((Math.abs(tiltDeg) * Math.PI) / 180) * innerWidthMm)
  return (
    <PlanField
      label={t('Mould tilted, degrees')}
      kind="plain"
      decimals={0}
      width={64}
      path={path}
      hint={
        blockMm > 0.5 && (
          <span className={`text-[13px] ${room && room.filledMl > room.mostMl ? 'text-rust' : 'text-soft'}`}>
            {t('block of {blockMm}{room}', {
              blockMm: showLength(blockMm, habits),
              room:
                room &&
                (room.filledMl > room.mostMl
                  ? t('; ▲ runs over, at most {mostDeg}°', { mostDeg: Math.floor(room.mostDeg) })
                  : t('; room for {mostMl} ml more', { mostMl: Math.round(room.mostMl - room.filledMl) })),
            })}
          </span>
        )
      }
    />
  )
}

function PencilChoice({ pencil, onPencil }: { pencil: string; onPencil: (id: string) => void }) {
  const { shelf } = useBatch()
  return (
    <div className="col-span-2">
      <Choice
        label={t('Powder dusted under it')}
        className="w-full"
        value={pencil}
        options={[
          { value: '', text: t('none') },
          ...shelf.colorants
            .filter(one => !one.archived && one.form === 'powder')
            .map(one => ({ value: one.id, text: one.name })),
        ]}
        onValue={onPencil}
      />
    </div>
  )
}
