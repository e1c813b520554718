import { useRef } from 'react'
import type { ReactNode } from 'react'

interface Props {
  /** What is read of the hidden field, e.g. "Plan file to import". */
  label: string
  className?: string
  children: ReactNode
  onFile: (file: File) => void
}

/** A key that asks for a JSON file; the same one can be chosen again. */
export function JsonFileButton({ label, className = 'button', children, onFile }: Props) {
  const input = useRef<HTMLInputElement>(null)
  return (
    <>
      <input
        ref={input}
        type="file"
        accept=".json,application/json"
        className="sr-only"
        tabIndex={-1}
        aria-label={label}
        onChange={event => {
          const [file] = event.target.files ?? []
          event.target.value = ''
          if (file) onFile(file)
        }}
      />
      <button className={className} onClick={() => input.current?.click()}>
        {children}
      </button>
    </>
  )
}
