import { CAUSES, LINKS_OF_SIGN, NEXT_TIME, SIGN_ODDS, SIGN_STAGES, signsLike } from '@ostler/core'
import type { Sign, SignStage } from '@ostler/core'
import { Printer, Search } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import { Places } from '../../frame/places.tsx'
import { TopBar } from '../../frame/top-bar.tsx'
import { SignPicture } from '../../parts/sign-picture.tsx'
import { Choice } from '../../ui/choice.tsx'
import { options } from '../../ui/options.ts'
import { rich, t } from '../../words/index.ts'

const STAGES = { '': t('at any time'), ...SIGN_STAGES } as const
const MOST_CAUSES = 4

/** Signs, what most likely brings each, and what to do about it: to look through without a batch, and to print. */
export function GuidePage() {
  const [search, setSearch] = useState('')
  const [stage, setStage] = useState<SignStage | ''>('')
  const found = signsLike(search, stage === '' ? null : stage)
  return (
    <>
      <TopBar>
        <Places />
      </TopBar>
      <main className="mx-auto w-full max-w-240 px-5 py-6 max-[900px]:px-3">
        <div className="mb-4 flex flex-wrap items-end gap-3">
          <h1 className="mr-auto text-3xl">{t('When something looks wrong')}</h1>
          <label className="relative print:hidden">
            <span className="sr-only">{t('Search signs')}</span>
            <Search size={16} aria-hidden className="absolute top-1/2 left-2.5 -translate-y-1/2 text-soft" />
            <input
              type="search"
              className="field min-h-9 w-52 pl-8"
              placeholder={t('white powder, oily drops, ring')}
              maxLength={60}
              value={search}
              onChange={changed => setSearch(changed.target.value)}
            />
          </label>
          <span className="print:hidden">
            <Choice<SignStage | ''> bare label={t('Seen')} value={stage} options={options(STAGES)} onValue={setStage} />
          </span>
          <button className="button print:hidden" onClick={() => print()}>
            <Printer size={16} aria-hidden /> {t('Print')}
          </button>
        </div>
        <p className="mb-3 max-w-160 text-soft">
          {rich(
            'What most often brings each sign, in an ordinary batch. On a batch’s own page Faults the same is weighed with its weights, temperatures and colours. Lye burns: a bar in doubt is held, with gloves, until it was tested properly. {link}',
            {
              link: (
                <Link to="/faults/guess" className="underline print:hidden">
                  {t('Twenty cases to guess at')}
                </Link>
              ),
            },
          )}
        </p>
        {found.length === 0 && <p>{t('Nothing on the list looks like that.')}</p>}
        <ul>
          {found.map(sign => (
            <SignOf key={sign.id} sign={sign} />
          ))}
        </ul>
      </main>
    </>
  )
}

/** Causes of a sign, by how often they are there and how surely they bring it. */
function causesOf(id: string) {
  const at = SIGN_ODDS.findIndex(one => one.id === id)
  return [...(LINKS_OF_SIGN[at] ?? [])]
    .map(({ cause, p1 }) => ({ cause: CAUSES[cause]!, weight: p1 * (CAUSES[cause]!.base ?? USUAL) }))
    .sort((a, b) => b.weight - a.weight)
    .slice(0, MOST_CAUSES)
}
/** Of what a forecast says how often it is: in an ordinary batch about so. */
const USUAL = 0.04

function SignOf({ sign }: { sign: Sign }) {
  return (
    <li className="break-inside-avoid border-b border-line py-3">
      <h2 className="flex flex-wrap items-center gap-x-3 text-lg">
        <SignPicture sign={sign.id} />
        {t(sign.words)}{' '}
        <span className="text-[13px] text-soft">
          {t(SIGN_STAGES[sign.stage])}
          {sign.where !== SIGN_STAGES[sign.stage] && `, ${t(sign.where)}`}
        </span>
      </h2>
      <p className="text-[14px] text-soft">
        {t('some: {some} · strong: {strong}', { some: t(sign.some), strong: t(sign.strong) })}
      </p>
      <ul className="mt-1">
        {causesOf(sign.id).map(({ cause }) => (
          <li key={cause.id} className="ml-4 list-disc">
            {t(cause.name)}. <span className="text-soft">{t(NEXT_TIME[cause.id]?.do ?? '')}</span>
          </li>
        ))}
      </ul>
    </li>
  )
}
