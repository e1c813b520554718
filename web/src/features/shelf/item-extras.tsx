import { FINDINGS, MATERIAL_VERDICTS, SOURCES, oilWords, substitutesFor, unitCost } from '@ostler/core'
import type { Finding, Oil, Scent, Shelf, ShelfItem, ShelfKind, SubstitutableKind, Vessel } from '@ostler/core'
import { Link } from 'react-router'
import { Say, useSay } from '../../ui/say.tsx'
import { fixed, rich, showShare, t, tidy } from '../../words/index.ts'
import { OIL_PACES } from '../../ui/state-words.ts'

const SUBSTITUTABLE: readonly ShelfKind[] = ['oils', 'scents', 'colorants', 'liquids', 'additives']

interface Props {
  kind: ShelfKind
  item: ShelfItem
  shelf: Shelf
}

/** What follows from an item: how far to trust it, what it costs, what it stands, what may stand in for it. */
export function ItemExtras({ kind, item, shelf }: Props) {
  const say = useSay()
  const cost = unitCost(item)
  const near = SUBSTITUTABLE.includes(kind) ? substitutesFor(shelf, kind as SubstitutableKind, item.id) : []
  return (
    <section aria-label={t('What follows')} className="border-t border-line pt-2 text-[13px] text-soft">
      <p>
        {t('Values from: {source}.{source2}{cost}', {
          source: t(SOURCES[item.source]),
          source2: item.source === 'hearsay' && t(' Unproven until a trial of your own supports it.'),
          cost:
            cost !== null &&
            t(' {cost} for 1000 {kind}.', {
              cost: tidy(cost * 1000, 2),
              kind: kind === 'moulds' || kind === 'vessels' || kind === 'tools' ? t('pieces') : 'g',
            }),
        })}
      </p>
      {kind === 'oils' && <OilNote oil={item as Oil} />}
      {kind === 'vessels' && <VesselNote vessel={item as Vessel} />}
      <Found item={item} />
      {near.length > 0 && (
        <>
          <h3 className="mt-3 font-title text-base font-semibold text-ink">{t('May stand in for it')}</h3>
          <ul>
            {near.map(one => (
              <li key={one.id} className="border-b border-line py-1">
                <Link to={`/shelf/${kind}/${one.id}`} className="text-[15px] font-semibold text-ink underline">
                  {one.name}
                </Link>
                <span className="block">{one.changes.map(one => say(one)).join(' · ')}</span>
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  )
}

const percent = (ln: number): string => `${Math.round(100 * (Math.exp(ln) - 1))} %`

/** A finding in words. */
function foundWords({ what, value, sd, cups, riced }: Finding): string {
  if (what === 'ricing') return t('riced in {riced} of {cups} cups of one pot', { riced, cups })
  if (what === 'rate')
    return t('quickens by {value} (± {sd}) at the dose tried', { value: percent(value), sd: Math.round(100 * sd) })
  if (what === 'fade-share')
    return t('light takes {value} (± {sd})', { value: showShare(value, 0), sd: Math.round(100 * sd) })
  return t('{what}: {value} times the usual', { what: t(FINDINGS[what]), value: fixed(Math.exp(value), 2) })
}

/** What trials found of it; each can be taken back where it came from. */
function Found({ item: { findings = [] } }: { item: Partial<Scent> }) {
  if (findings.length === 0) return null
  return (
    <>
      <h3 className="mt-3 font-title text-base font-semibold text-ink">{t('Found by trials')}</h3>
      <ul>
        {findings.map(one => (
          <li key={`${one.trial} ${one.what}`}>
            {one.date}: {foundWords(one)}
          </li>
        ))}
      </ul>
      <p>
        {rich('A finding is taken back on its trial, under {trials}.', {
          trials: (
            <Link to="/trials" className="underline">
              {t('Trials')}
            </Link>
          ),
        })}
      </p>
    </>
  )
}

function OilNote({ oil }: { oil: Oil }) {
  const acids =
    oil.shortChain +
    oil.lauric +
    oil.myristic +
    oil.palmitic +
    oil.stearic +
    oil.oleic +
    oil.ricinoleic +
    oil.linoleic +
    oil.linolenic
  const { pace, lnRate, isHot } = oilWords(oil)
  return (
    <>
      <p>
        {t('By itself {pace}: × {lnRate} of a balanced recipe{isHot}.', {
          pace: pace === 'at once' ? t('it sets at once') : t('it is {pace}', { pace: OIL_PACES[pace] }),
          lnRate: fixed(Math.exp(lnRate), 2),
          isHot: isHot && t('; it heats the mould more than most'),
        })}
      </p>
      <p>{t('The fatty acids named come to {acids}; the rest are others.', { acids: showShare(acids) })}</p>
    </>
  )
}

function VesselNote({ vessel }: { vessel: Vessel }) {
  const verdict = MATERIAL_VERDICTS[vessel.material]
  return (
    <p className={verdict.lye === 'no' ? 'font-semibold text-rust' : ''}>
      <Say of={verdict.sentence} />
    </p>
  )
}
