import { TROUBLES, TROUBLE_GROUPS, openWays, pinchOf, planBOf } from '@ostler/core'
import type { BenchOutlook, OpenWay, TroubleKind } from '@ostler/core'
import { useState } from 'react'
import { useFollowed, useRun, useRunHex, useRunState } from '../../run/context.tsx'
import { inTen } from './plan-b-call.tsx'
import { BenchPanel, Chips } from './panel.tsx'
import { RemedyPart } from './remedy-part.tsx'
import type { About } from './use-bench.ts'
import { t } from '../../words/index.ts'

interface Props {
  outlook: BenchOutlook | null
  onNote: (about: About) => void
  onClose: () => void
}

const WHOLE = ''

/** What went wrong: how it is told, the ways out in their order with what each costs, and when to stop. */
export function TroublePanel({ outlook, onNote, onClose }: Props) {
  const [kind, setKind] = useState<TroubleKind | null>(null)
  if (kind === null)
    return (
      <BenchPanel title={t('Trouble')} onClose={onClose}>
        <PlanBKey outlook={outlook} onNote={onNote} />
        {TROUBLE_GROUPS.map(({ title, kinds }, i) => (
          <section key={title} className="mb-3">
            <h3 className="mb-1 text-lg">{title}</h3>
            <ul className="grid grid-cols-[repeat(auto-fill,minmax(210px,1fr))] gap-2">
              {kinds.map(one => (
                <TroubleKey key={one} text={t(TROUBLES[one].title)} onPress={() => setKind(one)} />
              ))}
              {i === TROUBLE_GROUPS.length - 1 && (
                <TroubleKey text={t('Called away')} onPress={() => onNote({ kind: 'away' })} />
              )}
            </ul>
          </section>
        ))}
      </BenchPanel>
    )
  return <WaysOut kind={kind} outlook={outlook} onNote={onNote} onClose={() => setKind(null)} />
}

function TroubleKey({ text, onPress }: { text: string; onPress: () => void }) {
  return (
    <li>
      <button
        className="min-h-16 w-full border border-ink px-4 text-left text-lg font-semibold hover:bg-chosen"
        onClick={onPress}
      >
        {text}
      </button>
    </li>
  )
}

/** Plan B at any time, and the way back from it. */
function PlanBKey({ outlook, onNote }: Pick<Props, 'outlook' | 'onNote'>) {
  const { following } = useRun()
  const { state } = useRunState()
  const name = planBOf(following.plan)?.name ?? ''
  const chance = outlook?.ways.find(way => way.kind === 'plan-b')?.chance.whole
  if (name === '' || state.closed !== null) return null
  return (
    <button
      className="mb-2 min-h-20 w-full border-2 border-ink px-4 text-left text-xl font-semibold hover:bg-chosen"
      onClick={() => onNote({ kind: 'plan-b', how: state.planB ? 'back' : 'take' })}
    >
      {state.planB ? t('Back to the first plan') : t('Plan B: {name}', { name })}
      {!state.planB && chance !== undefined && (
        <span className="block text-lg font-normal">{t('Brings {chance} to an end.', { chance: inTen(chance) })}</span>
      )}
    </button>
  )
}

function WaysOut({ kind, outlook, onNote, onClose }: Props & { kind: TroubleKind }) {
  const following = useFollowed()
  const { state } = useRunState()
  const hexOf = useRunHex()
  const [cup, setCup] = useState(WHOLE)
  const { title, signs, ways, stop } = TROUBLES[kind]
  const cups = state.cups
    .filter(one => one.drawnG !== null)
    .map(one => ({
      value: one.cup,
      text: following.plan.cups.find(of => of.id === one.cup)!.name,
      hex: hexOf(one.cup),
    }))
  return (
    <BenchPanel title={title} onClose={onClose}>
      <p className="max-w-180 text-xl">{signs}</p>
      {cups.length > 0 && (
        <Chips
          label={t('Where')}
          options={[{ value: WHOLE, text: t('all of it') }, ...cups]}
          value={cup}
          onValue={setCup}
        />
      )}
      {kind === 'wrong-weight' && <RemedyPart onNote={onNote} />}
      <ol className="my-3 list-inside list-decimal text-xl leading-snug">
        {openWays(ways, pinchOf(following, state, outlook, cup)).map(way => (
          <Way key={way.what} way={way} />
        ))}
      </ol>
      <p className="max-w-180 border-l-4 border-rust pl-3 text-lg">
        <strong>{t('Stop:')}</strong> {stop}
      </p>
      <button
        className="button button-main mt-4 min-h-16 px-6 text-xl"
        onClick={() => onNote({ kind: 'wrong', how: kind, ...(cup !== WHOLE && { cup }) })}
      >
        {t('Note that it happened')}
      </button>
    </BenchPanel>
  )
}

/** A way out: those that are not open now stand last, with what they lack. */
function Way({ way }: { way: OpenWay }) {
  const isOpen = way.notNow.length === 0
  return (
    <li className={`border-t border-line py-2 ${isOpen ? '' : 'text-soft'}`}>
      {t(way.what)} <span className="text-lg text-soft">{t('Costs {cost}.', { cost: t(way.cost) })}</span>
      {way.ask.length > 0 && <span className="block text-lg">{t('Only if: {ask}.', { ask: way.ask.join('; ') })}</span>}
      {!isOpen && (
        <span className="block text-lg">
          {t('Not now: only where it is {notNow}.', { notNow: way.notNow.join(', ') })}
        </span>
      )}
      {way.stop !== undefined && isOpen && (
        <span className="block text-lg text-rust">{t('Stop when: {stop}.', { stop: t(way.stop) })}</span>
      )}
    </li>
  )
}
