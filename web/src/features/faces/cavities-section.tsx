import { acrossView, levelView } from '@ostler/core'
import type { CavityKind, Plan } from '@ostler/core'
import { Section } from '../../ui/section.tsx'
import { FaceCanvas } from '../../drawing/face-canvas.tsx'
import { useDesign, useDesignHexes, useDesignNames } from '../../drawing/use-design.ts'
import { t } from '../../words/index.ts'

const FACE_PX = 150
/** Drawn finer than shown, so that fine threads stay smooth. */
const FINE = 2

interface CavitiesProps {
  plan: Plan
  kinds: readonly CavityKind[]
  /** The plan as the cavity sees it that is looked at closer below. */
  shown: Plan
  onChoose: (pour: string) => void
}

/** A mould whose cavities hold different pours: every one of them, from above and cut. */
export function Cavities({ plan, kinds, shown, onChoose }: CavitiesProps) {
  const count = kinds.reduce((sum, kind) => sum + kind.cavities.length, 0)
  const empty = plan.mould.cavities - count
  const each = kinds.flatMap(kind => kind.cavities.map(k => ({ k, kind }))).sort((a, b) => a.k - b.k)
  return (
    <Section
      title={`${count} ${count === 1 ? t('bar') : t('bars')}`}
      aside={
        <span className="text-soft">
          {t('{kinds} different{empty}; choose one to look at it closer', {
            kinds: kinds.length,
            empty: empty > 0 && t(', {empty} {empty, plural, one {cavity} other {cavities}} empty', { empty }),
          })}
        </span>
      }
    >
      <ol className="flex flex-wrap gap-3">
        {each.map(({ k, kind }) => (
          <CavityBar
            key={k}
            {...{ plan, kind, k, onChoose }}
            isShown={shown.score[0]!.id === plan.score[kind.pours[0]!]!.id && shown.score.length === kind.pours.length}
          />
        ))}
      </ol>
    </Section>
  )
}

function CavityBar({ plan, kind, k, isShown, onChoose }: CavityBarProps) {
  const first = plan.score[kind.pours[0]!]!.id
  const design = useDesign(null, first)
  const hexes = useDesignHexes(design)
  const names = useDesignNames(design)
  const { program } = design
  const poured = kind.pours.map(i => plan.cups.find(cup => cup.id === plan.score[i]!.cup)!.name).join(', ')
  return (
    <li>
      <button
        aria-pressed={isShown}
        aria-label={t('Bar {k}: {poured}', { k, poured })}
        onClick={() => onChoose(first)}
        className={`block border-2 p-1 text-left ${isShown ? 'border-ink' : 'border-transparent'}`}
      >
        <FaceCanvas
          {...{ program, hexes, names }}
          view={levelView(program, 1, FACE_PX * FINE)}
          label={t('Bar {k} from above', { k })}
          style={{ width: FACE_PX }}
        />
        <FaceCanvas
          {...{ program, hexes, names }}
          view={acrossView(program, 0.5, FACE_PX * FINE)}
          label={t('Bar {k} cut across', { k })}
          className="mt-1 block"
          style={{ width: FACE_PX * 0.6 }}
        />
        <span className="text-[13px]">
          {k} <span className="text-soft">{poured}</span>
        </span>
      </button>
    </li>
  )
}

interface CavityBarProps {
  plan: Plan
  kind: CavityKind
  k: number
  isShown: boolean
  onChoose: (pour: string) => void
}
