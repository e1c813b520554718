import { FINDINGS, MATERIAL_VERDICTS, SOURCES, oilWords, showShare, substitutesFor, tidy, unitCost } from '@ostler/core'
import type { Finding, Oil, Scent, Shelf, ShelfItem, ShelfKind, SubstitutableKind, Vessel } from '@ostler/core'
import { Link } from 'react-router'
import { Say, useSay } from '../../ui/say.tsx'

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
    <section aria-label="What follows" className="border-t border-line pt-2 text-[13px] text-soft">
      <p>
        Values from: {SOURCES[item.source]}.
        {item.source === 'hearsay' && ' Unproven until a trial of your own supports it.'}
        {cost !== null &&
          ` ${tidy(cost * 1000, 2)} for 1000 ${kind === 'moulds' || kind === 'vessels' || kind === 'tools' ? 'pieces' : 'g'}.`}
      </p>
      {kind === 'oils' && <OilNote oil={item as Oil} />}
      {kind === 'vessels' && <VesselNote vessel={item as Vessel} />}
      <Found item={item} />
      {near.length > 0 && (
        <>
          <h3 className="mt-3 font-title text-base font-semibold text-ink">May stand in for it</h3>
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
  if (what === 'ricing') return `riced in ${riced} of ${cups} cups of one pot`
  if (what === 'rate') return `quickens by ${percent(value)} (± ${Math.round(100 * sd)}) at the dose tried`
  if (what === 'fade-share') return `light takes ${showShare(value, 0)} (± ${Math.round(100 * sd)})`
  return `${FINDINGS[what]}: ${Math.exp(value).toFixed(2)} times the usual`
}

/** What trials found of it; each can be taken back where it came from. */
function Found({ item: { findings = [] } }: { item: Partial<Scent> }) {
  if (findings.length === 0) return null
  return (
    <>
      <h3 className="mt-3 font-title text-base font-semibold text-ink">Found by trials</h3>
      <ul>
        {findings.map(one => (
          <li key={`${one.trial} ${one.what}`}>
            {one.date}: {foundWords(one)}
          </li>
        ))}
      </ul>
      <p>
        A finding is taken back on its trial, under{' '}
        <Link to="/trials" className="underline">
          Trials
        </Link>
        .
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
        By itself {pace === 'at once' ? 'it sets at once' : `it is ${pace}`}: × {Math.exp(lnRate).toFixed(2)} of a
        balanced recipe{isHot && '; it heats the mould more than most'}.
      </p>
      <p>The fatty acids named come to {showShare(acids)}; the rest are others.</p>
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
