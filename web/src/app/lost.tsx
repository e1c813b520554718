import { Link, useRouteError } from 'react-router'
import { t } from '../words/index.ts'

/** Nothing at this address, or a page that broke. What was edited is kept either way. */
export function Lost() {
  const error = useRouteError()
  return (
    <main className="mx-auto max-w-140 p-10">
      <h1 className="mb-3 text-2xl">{error ? t('This page broke') : t('Nothing at this address')}</h1>
      <p className="mb-5">
        {error
          ? t('Your edits are kept in this browser. Reload the page to go on; if it breaks again, open another batch.')
          : t('The address may be old, or mistyped.')}
      </p>
      <Link to="/batches" reloadDocument className="button">
        {t('To the batches')}
      </Link>
    </main>
  )
}
