import { useToast } from './toast.tsx'
import { t } from '../words/index.ts'

/** A link that is shown once, never again. */
export function OneLink({ says, address }: { says: string; address: string }) {
  const toast = useToast()
  return (
    <div role="status" className="mt-3 border border-ink p-3">
      <p>{t('{says} It is shown this once.', { says })}</p>
      <p className="mt-1 flex flex-wrap items-center gap-3">
        <code className="font-mono text-[13px] break-all">{address}</code>
        <button
          className="button"
          onClick={() =>
            void navigator.clipboard.writeText(address).then(
              () => toast(t('Copied.')),
              () => toast(t('The browser does not allow copying; mark the link and copy it.')),
            )
          }
        >
          {t('Copy')}
        </button>
      </p>
    </div>
  )
}
