import { MATERIAL_VERDICTS, SOURCES, oilWords, showShare, substitutesFor, tidy, unitCost } from '@ostler/core'
import type { Oil, Shelf, ShelfItem, ShelfKind, SubstitutableKind, Vessel } from '@ostler/core'
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
