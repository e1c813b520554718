import { useRef } from 'react'
import type { ReactNode } from 'react'

interface Props {
  /** What is read of the hidden field, e.g. "Plan file to import". */
  label: string
  className?: string
  children: ReactNode
  onFile: (file: File) => void
}

/** A key that asks for a file; the same one can be chosen again. */
export function FileButton({
  label,
  accept,
  className = 'button',
  isBusy = false,
  children,
  onFile,
}: Props & { accept: string; isBusy?: boolean }) {
  const input = useRef<HTMLInputElement>(null)
  return (
    <>
      <input
        ref={input}
        type="file"
        accept={accept}
        className="sr-only"
        tabIndex={-1}
        aria-label={label}
        onChange={event => {
          const [file] = event.target.files ?? []
          event.target.value = ''
          if (file) onFile(file)
        }}
      />
      <button className={className} disabled={isBusy} onClick={() => input.current?.click()}>
        {children}
      </button>
    </>
  )
}

export const JsonFileButton = (props: Props) => <FileButton {...props} accept=".json,application/json" />
