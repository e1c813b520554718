import { BOXES, MAX_ROOM_CHANGES, at } from '@ostler/core'
import type { BoxKind, Plan } from '@ostler/core'
import { Plus, Trash2 } from 'lucide-react'
import { useBatch, usePlan } from '../../plan/context.tsx'
import { Check } from '../../ui/check.tsx'
import { Choice } from '../../ui/choice.tsx'
import { options } from '../../ui/options.ts'
import { PlanField, useTold } from '../../parts/plan-field.tsx'
import { t } from '../../words/index.ts'

/** What is seldom otherwise: the wall's thickness, a warmed mould, neighbours, a room that changes, the box. */
export function RestSurroundings() {
  const batch = useBatch()
  const told = useTold()
  const { wallMm, preheatedC, beside, box, steps } = usePlan(state => state.plan.rest)
  const set = (path: (string | number)[], value: unknown) =>
    told(batch.edit({ kind: 'set', path: ['rest', ...path], value }))
  return (
    <details className="border-t border-booth-deep pt-2">
      <summary className="cursor-pointer">{t('More about where it stands')}</summary>
      <div className="mt-2 flex flex-col gap-3">
        <div>
          <Check
            label={t('I know how thick the wall is')}
            checked={wallMm !== null}
            onChange={on => set(['wallMm'], on ? 12 : null)}
          />
          {wallMm !== null && (
            <PlanField label={t('Wall')} kind="length" width={64} path={at(plan => plan.rest.wallMm)} />
          )}
        </div>
        <div>
          <Check
            label={t('the mould is warmed before the pour')}
            checked={preheatedC !== null}
            onChange={on => set(['preheatedC'], on ? 40 : null)}
          />
          {preheatedC !== null && (
            <PlanField label={t('Warmed to')} kind="temperature" width={64} path={at(plan => plan.rest.preheatedC)} />
          )}
        </div>
        <div className="grid grid-cols-2 gap-3">
          <Choice
            label={t('Moulds beside it')}
            value={String(beside.count)}
            options={[
              { value: '0', text: t('none') },
              { value: '1', text: t('one') },
              { value: '2', text: t('one on either side') },
            ]}
            onValue={value => set(['beside', 'count'], Number(value))}
          />
          {beside.count > 0 && (
            <PlanField label={t('Gap')} kind="length" width={64} path={at(plan => plan.rest.beside.gapMm)} />
          )}
        </div>
        {steps.some(step => step.place === 'box') && (
          <fieldset className="grid grid-cols-2 gap-3">
            <legend className="text-[13px] text-soft">{t('The box')}</legend>
            <Choice<BoxKind>
              label={t('Kind')}
              value={box.kind}
              options={options(BOXES)}
              onValue={value => set(['box', 'kind'], value)}
            />
            <PlanField
              label={t('Litres')}
              kind="plain"
              decimals={0}
              width={64}
              path={at(plan => plan.rest.box.litres)}
            />
            <PlanField
              label={t('Moulds in it')}
              kind="plain"
              decimals={0}
              width={64}
              path={at(plan => plan.rest.box.moulds)}
            />
          </fieldset>
        )}
        <RoomChanges />
      </div>
    </details>
  )
}

/** When the room gets warmer or colder, and by how much. */
function RoomChanges() {
  const batch = useBatch()
  const told = useTold()
  const room = usePlan(state => state.plan.rest.room)
  const roomC = usePlan(state => state.plan.conditions.roomC)
  const set = (value: Plan['rest']['room']) =>
    told(batch.edit({ kind: 'set', path: at(plan => plan.rest.room), value }))
  const addRoom = () => set([...room, { atMin: Math.min(5700, (room.at(-1)?.atMin ?? 0) + 240), tempC: roomC }])
  return (
    <div>
      <p className="text-[13px] text-soft">{t('The room changes')}</p>
      <ul>
        {room.map((_, i) => (
          <li key={i} className="flex items-end gap-3">
            <PlanField
              label={t('After, minutes')}
              kind="plain"
              decimals={0}
              width={64}
              path={at(plan => plan.rest.room[i]!.atMin)}
            />
            <PlanField label={t('to')} kind="temperature" width={64} path={at(plan => plan.rest.room[i]!.tempC)} />
            <button
              className="quiet ml-auto"
              aria-label={t('Remove change {i} of the room', { i: i + 1 })}
              onClick={() => set(room.filter((_, n) => n !== i))}
            >
              <Trash2 size={16} aria-hidden />
            </button>
          </li>
        ))}
      </ul>
      <button className="button mt-1" disabled={room.length >= MAX_ROOM_CHANGES} onClick={addRoom}>
        <Plus size={16} aria-hidden /> {t('a change')}
      </button>
    </div>
  )
}
