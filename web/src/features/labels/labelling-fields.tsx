import { LABEL_SCHOOLS, LABEL_SHEETS, Labelling, parseForm } from '@ostler/core'
import type { LabelSchool, LabelSheetId, Words } from '@ostler/core'
import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import type { Dispatch, SetStateAction } from 'react'
import { labellingQuery, saveLabelling } from '../../api/workshop.ts'
import { Check } from '../../ui/check.tsx'
import { Choice } from '../../ui/choice.tsx'
import { options } from '../../ui/options.ts'
import { Say } from '../../ui/say.tsx'
import { Section } from '../../ui/section.tsx'
import { t } from '../../words/index.ts'

const SHEETS = Object.fromEntries(Object.entries(LABEL_SHEETS).map(([id, { name }]) => [id, name])) as Record<
  LabelSheetId,
  string
>

type Typed = Pick<Labelling, 'maker' | 'words'> & { edgeMm: string; gapMm: string; skip: string }
type Numbered = 'edgeMm' | 'gapMm' | 'skip'

/** How this workshop labels: kept as it is changed, for all of its batches. */
export function LabellingFields({ labelling }: { labelling: Labelling }) {
  const client = useQueryClient()
  const [typed, setTyped] = useState<Typed>({
    ...{ maker: labelling.maker, words: labelling.words, edgeMm: String(labelling.edgeMm) },
    ...{ gapMm: String(labelling.gapMm), skip: String(labelling.skip) },
  })
  const [wrong, setWrong] = useState<{ at: string; sentence: Words } | null>(null)
  const save = useMutation({
    mutationFn: saveLabelling,
    onSuccess: () => client.invalidateQueries(labellingQuery),
  })
  const set = (change: Partial<Labelling>) => {
    const parsed = parseForm(Labelling, { ...labelling, ...change })
    if (!parsed.ok) return setWrong({ at: parsed.problems[0]!.path, sentence: parsed.problems[0]!.sentence })
    setWrong(null)
    // Shown at once; what the server says stands.
    client.setQueryData(labellingQuery.queryKey, parsed.value)
    save.mutate(parsed.value)
  }
  const isSheet = LABEL_SHEETS[labelling.sheet].across * LABEL_SHEETS[labelling.sheet].down > 1
  const fields = { typed, setTyped, wrong, set }
  return (
    <Section title={t('How this workshop labels')} aside={<span className="text-soft">{t('all of its batches')}</span>}>
      <div className="flex flex-col gap-3">
        <Choice<LabelSheetId>
          label={t('Size')}
          value={labelling.sheet}
          options={options(SHEETS)}
          onValue={sheet => set({ sheet })}
        />
        <Choice<LabelSchool>
          label={t('Ingredients')}
          value={labelling.school}
          options={options(LABEL_SCHOOLS)}
          onValue={school => set({ school })}
        />
        <WordsField at="maker" label={t('Who makes it, and where')} most={160} {...fields} />
        <WordsField at="words" label={t('Words of your own')} most={200} {...fields} />
        <Check
          label={t('With the code that opens the batch on a phone')}
          checked={labelling.withCode}
          onChange={withCode => set({ withCode })}
        />
        {isSheet && (
          <div className="flex flex-wrap gap-3">
            <NumberOf at="edgeMm" label={t('Free edge, mm')} {...fields} />
            <NumberOf at="gapMm" label={t('Between, mm')} {...fields} />
            <NumberOf at="skip" label={t('Places used up')} {...fields} />
          </div>
        )}
        {save.error && (
          <p role="alert" className="text-rust">
            {save.error.message}
          </p>
        )}
      </div>
    </Section>
  )
}

const Wrong = ({ of }: { of: Words }) => (
  <span role="alert" className="text-rust">
    <Say of={of} />
  </span>
)

interface FieldProps {
  label: string
  typed: Typed
  setTyped: Dispatch<SetStateAction<Typed>>
  wrong: { at: string; sentence: Words } | null
  set: (change: Partial<Labelling>) => void
}

const NumberOf = ({ at, label, typed, setTyped, wrong, set }: FieldProps & { at: Numbered }) => (
  <label className="flex w-28 flex-col text-[13px] text-soft">
    {label}
    <input
      className="field min-h-9 text-base text-ink"
      inputMode="decimal"
      value={typed[at]}
      aria-invalid={wrong?.at === at}
      onChange={changed => setTyped(all => ({ ...all, [at]: changed.target.value }))}
      onBlur={() => set({ [at]: Number(typed[at].replace(',', '.') || Number.NaN) })}
    />
    {wrong?.at === at && <Wrong of={wrong.sentence} />}
  </label>
)

const WordsField = ({
  at,
  label,
  most,
  typed,
  setTyped,
  wrong,
  set,
}: FieldProps & { at: 'maker' | 'words'; most: number }) => (
  <label className="flex flex-col text-[13px] text-soft">
    {label}
    <textarea
      className="field min-h-16 text-base text-ink"
      maxLength={most}
      value={typed[at]}
      aria-invalid={wrong?.at === at}
      onChange={changed => setTyped(all => ({ ...all, [at]: changed.target.value }))}
      onBlur={() => set({ [at]: typed[at].trim() })}
    />
    {wrong?.at === at && <Wrong of={wrong.sentence} />}
  </label>
)
