import type { Words } from '@ostler/core'
import { Trash2 } from 'lucide-react'
import { AddChoice } from '../../ui/add-choice.tsx'
import type { AddOption } from '../../ui/add-options.ts'
import { NumberCell } from '../../ui/number-cell.tsx'
import { Say } from '../../ui/say.tsx'
import { t, tidy } from '../../words/index.ts'

export interface BlendPart {
  /** Of the item on the shelf. */
  id: string
  share: number
}

interface Props {
  parts: readonly BlendPart[]
  nameOf: (id: string) => string
  /** What may still go in. */
  options: readonly AddOption[]
  onParts: (parts: BlendPart[]) => void
  problem: Words | undefined
}

/** The parts of a blend, with what they add up to. */
export function PartsEditor({ parts, nameOf, options, onParts, problem }: Props) {
  const whole = parts.reduce((sum, part) => sum + part.share, 0)
  return (
    <section aria-label={t('Parts of the blend')} className="border-t border-line pt-2">
      <h3 className="font-title font-semibold">{t('Parts of the blend')}</h3>
      <table className="w-full">
        <tbody>
          {parts.map((part, i) => (
            <tr key={part.id} className="border-b border-line">
              <td className="py-1">{nameOf(part.id)}</td>
              <td className="text-right">
                <NumberCell
                  label={t('Share of part {i}', { i: i + 1 })}
                  value={part.share}
                  kind="share"
                  unit="%"
                  scale={0.01}
                  onValue={share =>
                    share >= 0 &&
                    share <= 1 &&
                    onParts(parts.map((one, j) => (j === i ? { ...one, share: Number(share.toFixed(6)) } : one)))
                  }
                />{' '}
                <span className="text-[13px] text-soft">%</span>
              </td>
              <td>
                <button
                  type="button"
                  className="quiet"
                  aria-label={t('Remove part {i}', { i: i + 1 })}
                  onClick={() => onParts(parts.filter((_, j) => j !== i))}
                >
                  <Trash2 size={15} aria-hidden />
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {parts.length > 0 && (
        <p className={Math.abs(whole - 1) > 0.0015 ? 'text-rust' : 'text-soft'}>
          {t('{whole} % in all', { whole: tidy(whole * 100, 1) })}
        </p>
      )}
      {problem && (
        <p role="alert" className="text-[13px] text-rust">
          <Say of={problem} />
        </p>
      )}
      <AddChoice
        what={t('a part')}
        options={options}
        onAdd={id => onParts([...parts, { id, share: Math.max(0, Number((1 - whole).toFixed(4))) }])}
      />
    </section>
  )
}
