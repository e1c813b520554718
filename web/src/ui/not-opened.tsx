import { Link } from 'react-router'

/** Something that could not be opened, why, and a way on. */
export const NotOpened = ({ why }: { why: string }) => (
  <main className="p-10">
    <p className="mb-4">{why}</p>
    <Link to="/batches" className="button">
      To the batches
    </Link>
  </main>
)
