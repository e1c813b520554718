import type { BenchOutlook, Counsel, RestChance } from '@ostler/core'
import { useEffect, useState } from 'react'
import { useFollowed, useRun } from '../../run/context.tsx'
import { sound, useSound } from './sound.ts'
import type { Told } from './use-outlook.ts'
import { t } from '../../words/index.ts'

const BIG = 'button min-h-16 px-6 text-xl'

/** "about 3 of 10"; nothing is promised more finely than it is known. */
export function inTen(chance: number): string {
  const n = Math.round(chance * 10)
  return n <= 0 ? t('fewer than 1 of 10') : n >= 10 ? t('nearly all') : t('about {n} of 10', { n })
}

/** The pour that is lost first, and when, in words. */
function useFirstLost(): (chance: RestChance) => string {
  const { input } = useFollowed()
  return ({ weakest }) => {
    const pour = weakest && input.pours.find(one => one.pour === weakest.pour)
    if (!pour || weakest.works > 0.9) return ''
    const name = input.cups[pour.cup]!.cup.name
    const min = Math.round(weakest.inS / 60)
    return t(' {name} would be lost first, {min}.', {
      name,
      min: min < 1 ? t('at once') : t('in about {min} min', { min }),
    })
  }
}

/** What the maker decided against, and how things stood then: it is not asked again at once, unless they get worse. */
interface Stayed {
  r: number
  follow: number
}
const ASKED_AGAIN_S = 180
const WORSE = 0.15

type Call = NonNullable<Counsel['call']>

/** Plan B, called while there is time for it: what it would bring, and one key to take it. */
export function PlanBCall({ told }: { told: Told }) {
  const { outlook, counsel } = told
  const { tones } = useSound()
  const [stayed, setStayed] = useState<Stayed | null>(null)
  const call = counsel?.call ?? null
  const isCalled = call?.kind === 'called'
  useEffect(() => {
    if (tones && isCalled) sound('now')
  }, [tones, isCalled])
  if (!call || !outlook) return null
  const isAnswered = stayed !== null && outlook.r - stayed.r < ASKED_AGAIN_S && call.follow > stayed.follow - WORSE
  if (isAnswered) return null
  return <Called call={call} outlook={outlook} onStay={() => setStayed({ r: outlook.r, follow: call.follow })} />
}

function Called({ call, outlook, onStay }: { call: Call; outlook: BenchOutlook; onStay: () => void }) {
  const run = useRun()
  const lost = useFirstLost()
  const follow = outlook.ways.find(way => way.kind === 'follow')
  const isLoud = call.kind === 'called'
  const canTake = outlook.planB !== '' && outlook.ways.some(way => way.kind === 'plan-b')
  return (
    <section
      role={isLoud ? 'alert' : 'status'}
      aria-label={t('Plan B')}
      className={`px-6 py-3 max-[760px]:px-4 ${isLoud ? 'border-b-4 border-rust' : 'border-b border-line'}`}
    >
      <p className={isLoud ? 'font-title text-[clamp(1.6rem,4vw,2.75rem)] leading-tight font-semibold' : 'text-lg'}>
        {!isLoud
          ? t('This plan was unlikely from the start.')
          : call.isRecommended
            ? t('Plan B: {planB}', { planB: outlook.planB })
            : t('Pour what still runs, in its order')}
      </p>
      <p className="text-lg">
        {t('As planned {follow} such batches come out from here{canTake}.{follow2}', {
          follow: inTen(call.follow),
          canTake: canTake && t(', by plan B {planB}', { planB: inTen(call.planB) }),
          follow2: follow && lost(follow.chance),
        })}
      </p>
      <div className="mt-2 flex flex-wrap gap-3">
        {canTake && (
          <button
            className={`${BIG} ${call.isRecommended ? 'button-main' : ''}`}
            onClick={() => run.note({ kind: 'plan-b', how: 'take' })}
          >
            {t('Take plan B')}
          </button>
        )}
        <button className={BIG} onClick={onStay}>
          {t('Stay with the plan')}
        </button>
      </div>
    </section>
  )
}

/** A better way to go on with the plan, in one sentence, and a key for it where that is one deed. */
export function Advice({ told: { outlook, counsel } }: { told: Told }) {
  const run = useRun()
  const { plan } = useFollowed()
  const advised = counsel?.advised
  const follow = outlook?.ways.find(way => way.kind === 'follow')
  // What was meant for a pour that is over says nothing any more.
  if (!advised || !follow || (advised.kind !== 'plain' && advised.cup !== follow.cup)) return null
  const name = plan.cups.find(cup => cup.id === advised.cup)?.name ?? ''
  const { what, about } = {
    wait: {
      what: t('Wait {waitS} min: {name} gets thick enough by itself', { waitS: Math.round(advised.waitS / 60), name }),
      about: { kind: 'wait', amount: advised.waitS } as const,
    },
    stir: { what: t('Stir the waiting cups about once a minute'), about: { kind: 'stir', amount: 8 } as const },
    plain: {
      what: t('Leave {name} without scent', { name }),
      about: { kind: 'waive', how: `scent:${advised.cup}`, text: t('left without scent') } as const,
    },
    follow: { what: '', about: null },
    'plan-b': { what: '', about: null },
  }[advised.kind]
  if (what === '') return null
  return (
    <p
      role="status"
      className="flex flex-wrap items-center gap-x-4 border-b border-line px-6 py-2 text-xl max-[760px]:px-4"
    >
      <span>
        {t('{what}; so {whole} come out, else {whole2}.', {
          what,
          whole: inTen(advised.chance.whole),
          whole2: inTen(follow.chance.whole),
        })}
      </span>
      {about && (
        <button className="button min-h-16 px-4 text-lg" onClick={() => run.note(about)}>
          {advised.kind === 'wait' ? t('I wait') : t('I do that')}
        </button>
      )}
    </p>
  )
}
