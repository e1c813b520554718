import { useFollowed } from '../../run/context.tsx'
import { useRehearsal } from '../../rehearsal/context.tsx'
import type { About } from './use-bench.ts'
import { t } from '../../words/index.ts'

interface Deed {
  text: string
  how: 'stir' | 'burst'
  s: number
}

const STIRRED: readonly Deed[] = [
  { text: t('Stirred, ten seconds'), how: 'stir', s: 10 },
  { text: t('Stirred hard, twenty'), how: 'stir', s: 20 },
]
const BLENDED: readonly Deed[] = [
  { text: t('A burst of the blender'), how: 'burst', s: 3 },
  { text: t('Blended, fifteen seconds'), how: 'burst', s: 15 },
]

interface Props {
  cup: string
  onNote: (about: About) => void
  onClose: () => void
}

/** What was done with a cup beside its deeds: stirred while it waits, brought on, blended smooth. */
export function HandledKeys({ cup, onNote, onClose }: Props) {
  const rehearsal = useRehearsal()
  const { input } = useFollowed()
  const deeds = input.whipped ? STIRRED : [...STIRRED, ...BLENDED]
  const note = ({ text, how, s }: Deed) => {
    const about: About = { kind: how, cup, amount: s }
    // In a rehearsal it takes its time.
    if (!rehearsal) return onNote(about)
    rehearsal.takes(text, s, about)
    onClose()
  }
  return (
    <>
      <p className="mt-4 text-lg">{t('Or with it, just now:')}</p>
      <div className="mt-1 flex flex-wrap gap-2">
        {deeds.map(deed => (
          <button key={deed.text} className="button min-h-16 px-4 text-lg" onClick={() => note(deed)}>
            {deed.text}
          </button>
        ))}
      </div>
    </>
  )
}
