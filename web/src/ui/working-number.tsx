import type { Working } from '@ostler/core'
import { Popover } from 'radix-ui'
import { Term } from './term.tsx'
import { Say } from './say.tsx'
import { t, tidy } from '../words/index.ts'

interface Props {
  label: string
  text: string
  working?: Working
  /** Place in the glossary of the word that the label leans on. */
  term?: string
  /** Said to screen readers where the label is empty. */
  name?: string
}

/** A large number that opens to the way it came about. */
export function WorkingNumber({ label, text, working, term, name = label }: Props) {
  const opens = working && label === '' ? 'underline decoration-dotted decoration-1 underline-offset-4' : ''
  const number = <span className={`block text-2xl leading-tight font-semibold ${opens}`}>{text}</span>
  if (!working) {
    return (
      <div>
        {number}
        <span className="text-[13px] text-soft">{term ? <Term at={term}>{label}</Term> : label}</span>
      </div>
    )
  }
  return (
    <Popover.Root>
      <Popover.Trigger className="group text-left" aria-label={t('{name}: {text}. Show the working.', { name, text })}>
        {number}
        {label !== '' && (
          <span className="text-[13px] text-soft underline decoration-dotted underline-offset-3 group-hover:text-ink">
            {label}
          </span>
        )}
      </Popover.Trigger>
      <Shown working={working} />
    </Popover.Root>
  )
}

/** A number in a line of text that opens in the same way. */
export function OpenedNumber({ text, name, working }: { text: string; name: string; working: Working }) {
  return (
    <Popover.Root>
      <Popover.Trigger
        className="underline decoration-dotted underline-offset-3 hover:text-ink"
        aria-label={t('{name}: {text}. Show the working.', { name, text })}
      >
        {text}
      </Popover.Trigger>
      <Shown working={working} />
    </Popover.Root>
  )
}

const Shown = ({ working }: { working: Working }) => (
  <Popover.Portal>
    <Popover.Content
      sideOffset={6}
      collisionPadding={12}
      className="z-30 w-84 rounded border border-ink bg-paper p-4 text-sm text-ink"
    >
      <h3 className="mb-1 text-base">
        <Say of={working.title} />
      </h3>
      <p className="mb-2">
        <Say of={working.formula} />
      </p>
      <table className="mb-2 w-full">
        <tbody>
          {working.inputs.map(input => (
            <tr key={input.name} className="border-t border-line">
              <th className="py-0.5 text-left font-normal text-soft">{input.name}</th>
              <td className="text-right">
                {tidy(input.value, input.unit === 'g' ? 2 : 4)} {t(input.unit)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="text-[13px] text-soft">
        <Say of={working.source} />
      </p>
      <Popover.Arrow className="fill-ink" />
    </Popover.Content>
  </Popover.Portal>
)
