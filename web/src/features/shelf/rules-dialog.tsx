import { TAGS } from '@ostler/core'
import type { Tag, TagRule, Words } from '@ostler/core'
import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { saveRules, shelfQuery } from '../../api/client.ts'
import { Ask } from '../../ui/ask.tsx'
import { useToast } from '../../ui/toast.tsx'
import { Say } from '../../ui/say.tsx'
import { t } from '../../words/index.ts'
import { inWords } from '../../ui/options.ts'

const WEIGHTS = [
  ['', t('as it comes')],
  ['tell', t('tell, for the label')],
  ['never', t('never use')],
] as const

/** What this workshop never uses, and what its labels must say. */
export function RulesDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Ask open={open} title={t('Rules of the workshop')} onClose={onClose} wide>
      {open && <RulesForm onClose={onClose} />}
    </Ask>
  )
}

type Weight = '' | TagRule['weight']

interface RowProps {
  /** Of the buttons, so that one of them is chosen. */
  name: string
  text: string
  /** What no rule is called. */
  none?: string
  weight: Weight
  onWeight: (weight: Weight) => void
}

/** A word and how it weighs. */
function RuleRow({ name, text, none, weight, onWeight }: RowProps) {
  return (
    <tr className="border-b border-line">
      <th className="py-1 text-left font-normal">{text}</th>
      {WEIGHTS.map(([value, label]) => (
        <td key={value}>
          <label className="inline-flex min-h-9 items-center gap-1.5">
            <input
              type="radio"
              name={name}
              className="size-4"
              checked={weight === value}
              onChange={() => onWeight(value)}
            />
            {value === '' && none ? none : label}
          </label>
        </td>
      ))}
    </tr>
  )
}

/** A word that the workshop adds to what is never used. */
function OwnWord({ onAdd }: { onAdd: (word: string) => void }) {
  const [word, setWord] = useState('')
  const add = () => {
    if (word.trim() === '') return
    onAdd(word.trim())
    setWord('')
  }
  return (
    <div className="mt-3 flex flex-wrap items-end gap-3">
      <label className="flex flex-col gap-0.5 text-[13px] text-soft">
        {t('A word of your own, as it stands on items of the shelf')}
        <input
          className="field min-h-9 w-64 text-ink"
          value={word}
          maxLength={60}
          onChange={event => setWord(event.target.value)}
          onKeyDown={event => {
            if (event.key !== 'Enter') return
            event.preventDefault()
            add()
          }}
        />
      </label>
      <button type="button" className="button min-h-9" disabled={word.trim() === ''} onClick={add}>
        {t('Never use it')}
      </button>
    </div>
  )
}

function RulesForm({ onClose }: { onClose: () => void }) {
  const { data } = useQuery(shelfQuery)
  const client = useQueryClient()
  const toast = useToast()
  const [rules, setRules] = useState<readonly TagRule[]>(data?.shelf.rules ?? [])
  const [sentence, setSentence] = useState<Words | null>(null)
  const set = (tag: Tag, weight: Weight) =>
    setRules(all => [...all.filter(rule => rule.tag !== tag), ...(weight ? [{ tag, weight }] : [])])
  const own = rules.filter(rule => rule.word !== undefined)
  const setOwn = (of: string, weight: Weight) =>
    setRules(all =>
      weight === ''
        ? all.filter(rule => rule.word !== of)
        : [...all.filter(rule => rule.word !== of), { word: of, weight }],
    )
  const save = async () => {
    try {
      await saveRules(rules)
      await client.invalidateQueries({ queryKey: shelfQuery.queryKey })
      toast(t('The rules are saved.'))
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
        {t(
          'A batch that uses what is never used stops with a sentence; what is told stands among its notices, for the label.',
        )}
      </p>
      <table className="w-full">
        <tbody>
          {inWords<Tag>(TAGS).map(([tag, text]) => (
            <RuleRow
              key={tag}
              name={tag}
              text={text}
              weight={rules.find(rule => rule.tag === tag)?.weight ?? ''}
              onWeight={weight => set(tag, weight)}
            />
          ))}
          {own.map(({ word, weight }) => (
            <RuleRow
              key={word}
              name={t('own {word}', { word })}
              text={`“${word}”`}
              none={t('take it off')}
              weight={weight}
              onWeight={next => setOwn(word!, next)}
            />
          ))}
        </tbody>
      </table>
      <OwnWord onAdd={word => setOwn(word, 'never')} />
      {sentence && (
        <p role="alert" className="mt-2 text-rust">
          <Say of={sentence} />
        </p>
      )}
      <button className="button button-main mt-4" type="submit">
        {t('Save the rules')}
      </button>
    </form>
  )
}
