import { MAX_ALLERGENS } from '@ostler/core'
import type { Allergen, Problem, Scent } from '@ostler/core'
import { Plus, Trash2 } from 'lucide-react'
import { NumberCell } from '../../ui/number-cell.tsx'
import { Say } from '../../ui/say.tsx'
import { t } from '../../words/index.ts'

interface Props {
  scent: Scent
  onAllergens: (allergens: Allergen[]) => void
  problems: readonly Problem[]
}

/** Allergens by the supplier's list, for labels: each with its share of the scent. */
export function AllergensEditor({ scent: { allergens }, onAllergens, problems }: Props) {
  const set = (i: number, change: Partial<Allergen>) =>
    onAllergens(allergens.map((one, j) => (j === i ? { ...one, ...change } : one)))
  const problem = problems.find(one => one.path.startsWith('allergens'))
  return (
    <section aria-label={t('Allergens')} className="border-t border-line pt-2">
      <h3 className="font-title font-semibold">{t('Allergens')}</h3>
      {allergens.length === 0 && (
        <p className="text-[13px] text-soft">
          {t(
            'From the supplier’s list, with the share of the scent: labels name those that come to more than 0.01 % of a soap.',
          )}
        </p>
      )}
      <ul>
        {allergens.map((one, i) => (
          <li key={i} className="flex items-center gap-2 py-0.5">
            <input
              aria-label={t('Allergen {i}', { i: i + 1 })}
              className="field min-w-0 flex-1"
              value={one.name}
              maxLength={80}
              placeholder={t('Linalool')}
              onChange={changed => set(i, { name: changed.target.value })}
            />
            <NumberCell
              label={t('Share of allergen {i}', { i: i + 1 })}
              value={one.share}
              kind="share"
              unit="%"
              scale={0.01}
              onValue={share => share >= 0 && share <= 1 && set(i, { share: Number(share.toFixed(6)) })}
            />
            <span className="text-[13px] text-soft">%</span>
            <button
              type="button"
              className="quiet"
              aria-label={t('Remove allergen {i}', { i: i + 1 })}
              onClick={() => onAllergens(allergens.filter((_, j) => j !== i))}
            >
              <Trash2 size={15} aria-hidden />
            </button>
          </li>
        ))}
      </ul>
      {problem && (
        <p role="alert" className="text-[13px] text-rust">
          <Say of={problem.sentence} />
        </p>
      )}
      {allergens.length < MAX_ALLERGENS && (
        <button
          type="button"
          className="quiet mt-1"
          onClick={() => onAllergens([...allergens, { name: '', share: 0 }])}
        >
          <Plus size={16} aria-hidden /> {t('Add an allergen')}
        </button>
      )}
    </section>
  )
}
