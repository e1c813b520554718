import { Ask } from '../ui/ask.tsx'
import { t } from '../words/index.ts'

const KEYS: readonly (readonly [keys: string, what: string])[] = [
  ['Tab', t('first on every page: skip to the page; on Score: skip to the biggest risk and Best plan')],
  [t('Ctrl K'), t('go anywhere: pages, batches and words by a few letters (⌘ on a Mac)')],
  [t('Ctrl Z'), t('undo; with Shift, or Ctrl Y: redo (⌘ on a Mac)')],
  ['↑ ↓', t('in a number: one step; with Shift ten. In an add list: move, nothing changes')],
  ['Enter', t('in a number: take it. In an add list: add')],
  ['Escape', t('in a number: back to what it was. In a list or a question: leave')],
  [t('Space, then ↑ ↓'), t('on the grip of a pour: take it up, move it, Space sets it down')],
  ['← →', t('on a boundary, a handle or a slider: move it; with Shift further')],
  [t('Shift ↑ ↓'), t('in the score: choose several pours')],
]

/** What the keyboard does, in one list. */
export function KeysDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Ask open={open} title={t('Keys')} onClose={onClose} wide>
      <table className="w-full">
        <tbody>
          {KEYS.map(([keys, what]) => (
            <tr key={keys} className="border-b border-line align-baseline">
              <th className="w-44 py-1.5 text-left whitespace-nowrap">
                <kbd>{keys}</kbd>
              </th>
              <td>{what}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <button className="button mt-4" onClick={onClose}>
        {t('Close')}
      </button>
    </Ask>
  )
}
