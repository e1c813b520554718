import { TIME_KINDS, USUAL_TIMES, handTimes, fact } from '@ostler/core'
import type { OwnTime, Plan, TimeKind, Words } from '@ostler/core'
import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { saveTimes, shelfQuery } from '../../api/client.ts'
import { useBatch, usePlan } from '../../plan/context.tsx'
import { Ask } from '../../ui/ask.tsx'
import { NumberCell } from '../../ui/number-cell.tsx'
import { useToast } from '../../ui/toast.tsx'
import { useSay } from '../../ui/say.tsx'
import { t } from '../../words/index.ts'

const ALL = Object.keys(TIME_KINDS) as TimeKind[]
const LEAST_S = 0.5
const MOST_S = 600

/** What this plan's hands do first; then all else. */
function inOrder({ moves, division, scent, cups }: Plan): [used: TimeKind[], others: TimeKind[]] {
  const tools = moves.filter(move => !move.off).map(move => `tool-${move.tool}`)
  const isScented = scent !== null || cups.some(cup => cup.ownScent)
  const isUsed = (kind: TimeKind) => {
    if (kind.startsWith('tool-')) return tools.includes(kind)
    if (kind === 'scent') return isScented && scent?.moment !== 'pot' && scent?.moment !== 'oils'
    if (kind === 'scent-pot') return scent?.moment === 'pot'
    if (kind === 'own-lye') return division.mode === 'own-batters'
    if (kind === 'split') return division.mode === 'one-pot'
    if (kind === 'more-colour') return cups.some(cup => cup.colorants.length > 1)
    return true
  }
  return [ALL.filter(isUsed), ALL.filter(kind => !isUsed(kind))]
}

interface RowProps {
  kind: TimeKind
  seconds: number
  onSeconds: (seconds: number) => void
}

function TimeRow({ kind, seconds, onSeconds }: RowProps) {
  const what = useSay()(fact(TIME_KINDS[kind]))
  const usual = USUAL_TIMES[kind]
  return (
    <tr className="border-t border-line">
      <th className="py-0.5 pr-4 text-left font-normal first-letter:uppercase">{what}</th>
      <td className="pr-4 whitespace-nowrap">
        <NumberCell
          label={t('Seconds for {kind}', { kind: what })}
          kind="plain"
          unit=""
          value={seconds}
          onValue={onSeconds}
        />{' '}
        s
      </td>
      <td className="text-soft">
        {seconds === usual ? (
          t('as usual')
        ) : (
          <button className="quiet" aria-label={t('{kind}: as usual', { kind: what })} onClick={() => onSeconds(usual)}>
            {t('back to {kind} s', { kind: usual })}
          </button>
        )}
      </td>
    </tr>
  )
}

/** Seconds that this workshop takes for each thing, kept for all its batches. */
export function TimesDialog({ onClose }: { onClose: () => void }) {
  const batch = useBatch()
  const client = useQueryClient()
  const toast = useToast()
  const say = useSay()
  const plan = usePlan(state => state.plan)
  const [typed, setTyped] = useState<readonly OwnTime[]>(batch.shelf.times)
  const [sentence, setSentence] = useState<Words>('')
  const [used, others] = inOrder(plan)
  const now = handTimes(typed)
  const set = (kind: TimeKind, seconds: number) => {
    const rest = typed.filter(one => one.kind !== kind)
    setTyped(seconds === USUAL_TIMES[kind] ? rest : [...rest, { kind, seconds }])
  }
  const wrong = typed.find(one => !(one.seconds >= LEAST_S && one.seconds <= MOST_S))
  const keep = async () => {
    try {
      await saveTimes(typed)
      batch.renewShelf({ times: typed })
      await client.invalidateQueries({ queryKey: shelfQuery.queryKey })
      onClose()
      toast(t('Times of this workshop kept: every batch counts with them.'))
    } catch (error) {
      setSentence((error as Error).message)
    }
  }
  const row = (kind: TimeKind) => (
    <TimeRow key={kind} kind={kind} seconds={now[kind]} onSeconds={seconds => set(kind, seconds)} />
  )
  return (
    <Ask open wide title={t('Your hands, timed')} onClose={onClose}>
      <p className="mb-3 text-soft">
        {t(
          'Time yourself once with a full jug and type it in. Larger pours and more strokes take longer in proportion.',
        )}
      </p>
      <table className="w-full text-[15px]">
        <tbody>{used.map(row)}</tbody>
      </table>
      {others.length > 0 && (
        <details className="mt-3">
          <summary className="cursor-pointer text-soft">{t('What this batch does not need')}</summary>
          <table className="w-full text-[15px]">
            <tbody>{others.map(row)}</tbody>
          </table>
        </details>
      )}
      {(wrong || sentence) && (
        <p role="alert" className="mt-2 text-rust">
          {say(
            sentence ||
              t('From half a second to ten minutes: {kind} is none of that.', {
                kind: say(fact(TIME_KINDS[wrong!.kind])),
              }),
          )}
        </p>
      )}
      <div className="mt-4 flex gap-3">
        <button className="button button-main" disabled={wrong !== undefined} onClick={() => void keep()}>
          {t('Keep for all batches')}
        </button>
        <button className="button" onClick={onClose}>
          {t('Leave')}
        </button>
      </div>
    </Ask>
  )
}
