import { Link } from 'react-router'
import { t } from '../words/index.ts'

/** Something that could not be opened, why, and a way on. */
export const NotOpened = ({ why }: { why: string }) => (
  <main className="p-10">
    <p className="mb-4">{why}</p>
    <Link to="/batches" className="button">
      {t('To the batches')}
    </Link>
  </main>
)
