import { useQuery } from '@tanstack/react-query'
import { Download, FileText } from 'lucide-react'
import { useParams } from 'react-router'
import { sharedAddress, sharedQuery } from '../../api/shares.ts'
import { SharedRecord } from './shared-record.tsx'
import { rich, t, toldAs } from '../../words/index.ts'

/** What a workshop shows by a link: a design, a pour sheet, or the record of a batch. */
export function SharedPage() {
  const { token = '' } = useParams()
  const { data, error } = useQuery(sharedQuery(token))
  if (error)
    return (
      <main className="p-10">
        <p className="text-xl">{error.message}</p>
      </main>
    )
  if (!data) return <p className="p-10 text-soft">{t('Opening …')}</p>
  return (
    <main className="mx-auto grid max-w-220 grid-cols-[minmax(0,1fr)] gap-5 p-6 max-[600px]:p-3">
      <header>
        <h1 className="text-3xl">{data.name}</h1>
        <p className="text-soft">{t('shown by {workshop}', { workshop: data.workshop })}</p>
      </header>
      {data.what === 'record' ? <SharedRecord token={token} /> : <Shown token={token} what={data.what} />}
    </main>
  )
}

function Shown({ token, what }: { token: string; what: 'design' | 'sheet' }) {
  return (
    <>
      <img
        src={sharedAddress(token, 'face.png')}
        alt={t('The face of a bar, as forecast')}
        className="max-w-70 bg-booth p-3"
      />
      {what === 'design' ? (
        <p className="flex flex-wrap items-center gap-4">
          {rich('{link}Another Ostler takes it in under Designs.', {
            link: (
              <a className="button button-main min-h-11" href={sharedAddress(token, 'design.json')} download>
                <Download size={18} aria-hidden /> {t('The design as a file')}
              </a>
            ),
          })}
        </p>
      ) : (
        <>
          <p>
            <a className="button button-main min-h-11" href={`${sharedAddress(token, 'sheet.pdf')}?${toldAs()}`}>
              <FileText size={18} aria-hidden /> {t('The pour sheet (PDF)')}
            </a>
          </p>
          <p className="max-w-160">
            {t(
              'Lye burns: goggles, gloves, and every weight checked with your own values before anything is made by it. What suppliers say of their scents and colours comes first.',
            )}
          </p>
        </>
      )}
    </>
  )
}
