import { TAGS } from '@ostler/core'
import type { Tag, TagRule, Words } from '@ostler/core'
import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { saveRules, shelfQuery } from '../../api/client.ts'
import { Ask } from '../../ui/ask.tsx'
import { useToast } from '../../ui/toast.tsx'
import { Say } from '../../ui/say.tsx'

const WEIGHTS = [
  ['', 'as it comes'],
  ['tell', 'tell, for the label'],
  ['never', 'never use'],
] as const

/** What this workshop never uses, and what its labels must say. */
export function RulesDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Ask open={open} title="Rules of the workshop" onClose={onClose} wide>
      {open && <RulesForm onClose={onClose} />}
    </Ask>
  )
}

function RulesForm({ onClose }: { onClose: () => void }) {
  const { data } = useQuery(shelfQuery)
  const client = useQueryClient()
  const toast = useToast()
  const [rules, setRules] = useState<readonly TagRule[]>(data?.shelf.rules ?? [])
  const [sentence, setSentence] = useState<Words | null>(null)
  const set = (tag: Tag, weight: '' | TagRule['weight']) =>
    setRules(all => [...all.filter(rule => rule.tag !== tag), ...(weight ? [{ tag, weight }] : [])])
  const [word, setWord] = useState('')
  const own = rules.filter(rule => rule.word !== undefined)
  const setOwn = (of: string, weight: '' | TagRule['weight']) =>
    setRules(all =>
      weight === ''
        ? all.filter(rule => rule.word !== of)
        : [...all.filter(rule => rule.word !== of), { word: of, weight }],
    )
  const addOwn = () => {
    if (word.trim() === '') return
    setOwn(word.trim(), 'never')
    setWord('')
  }
  const save = async () => {
    try {
      await saveRules(rules)
      await client.invalidateQueries({ queryKey: shelfQuery.queryKey })
      toast('The rules are saved.')
      onClose()
    } catch (error) {
      setSentence((error as Error).message)
    }
  }
  return (
    <form
      onSubmit={event => {
        event.preventDefault()
        void save()
      }}
    >
      <p className="mb-3 text-soft">
        A batch that uses what is never used stops with a sentence; what is told stands among its notices, for the
        label.
      </p>
      <table className="w-full">
        <tbody>
          {(Object.entries(TAGS) as [Tag, string][]).map(([tag, text]) => {
            const weight = rules.find(rule => rule.tag === tag)?.weight ?? ''
            return (
              <tr key={tag} className="border-b border-line">
                <th className="py-1 text-left font-normal">{text}</th>
                {WEIGHTS.map(([value, label]) => (
                  <td key={value}>
                    <label className="inline-flex min-h-9 items-center gap-1.5">
                      <input
                        type="radio"
                        name={tag}
                        className="size-4 accent-ink"
                        checked={weight === value}
                        onChange={() => set(tag, value)}
                      />
                      {label}
                    </label>
                  </td>
                ))}
              </tr>
            )
          })}
          {own.map(rule => (
            <tr key={rule.word} className="border-b border-line">
              <th className="py-1 text-left font-normal">“{rule.word}”</th>
              {WEIGHTS.map(([value, label]) => (
                <td key={value}>
                  <label className="inline-flex min-h-9 items-center gap-1.5">
                    <input
                      type="radio"
                      name={`own ${rule.word}`}
                      className="size-4 accent-ink"
                      checked={rule.weight === value}
                      onChange={() => setOwn(rule.word!, value)}
                    />
                    {value === '' ? 'take it off' : label}
                  </label>
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <div className="mt-3 flex flex-wrap items-end gap-3">
        <label className="flex flex-col gap-0.5 text-[13px] text-soft">
          A word of your own, as it stands on items of the shelf
          <input
            className="field min-h-9 w-64 text-ink"
            value={word}
            maxLength={60}
            onChange={event => setWord(event.target.value)}
            onKeyDown={event => {
              if (event.key !== 'Enter') return
              event.preventDefault()
              addOwn()
            }}
          />
        </label>
        <button type="button" className="button min-h-9" disabled={word.trim() === ''} onClick={addOwn}>
          Never use it
        </button>
      </div>
      {sentence && (
        <p role="alert" className="mt-2 text-rust">
          <Say of={sentence} />
        </p>
      )}
      <button className="button button-main mt-4" type="submit">
        Save the rules
      </button>
    </form>
  )
}
