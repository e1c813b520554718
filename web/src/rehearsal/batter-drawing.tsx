import type { Shown } from '@ostler/core'
import { t } from '../words/index.ts'

/** Batter in a bowl as it looks: oil on it, its colour as it comes together, what a drip leaves, how it heaps; grains and lumps. */

const OIL = [206, 178, 92] as const
const IVORY = [240, 230, 204] as const

const mixed = (yellow: number): string =>
  `rgb(${IVORY.map((c, i) => Math.round(c + (OIL[i]! - c) * yellow)).join(' ')})`

/** Places that look strewn and stay where they are. */
const strewn = (count: number): readonly (readonly [x: number, y: number])[] =>
  Array.from({ length: count }, (_, n) => {
    const angle = n * 2.399963
    const out = Math.sqrt((n + 0.5) / count)
    return [130 + 92 * out * Math.cos(angle), 74 + 38 * out * Math.sin(angle)] as const
  })

interface Props {
  shown: Shown
  /** Its colour, once it has one. */
  hex: string | null
  /** How much of a drip's mark is left, 0…1; null: nothing dripped. */
  mark: number | null
  /** Too dark to see what lies on it. */
  isDim: boolean
}

export function BatterDrawing({ shown, hex, mark, isDim }: Props) {
  const { level, film, yellow, grains, lumps, dull } = shown
  const fill = hex ?? mixed(yellow)
  const heap = Math.max(0, level - 2.6)
  const trail = Math.max(0, Math.min(1, (level - 1.9) / 1.1))
  return (
    <svg
      viewBox="0 0 260 150"
      role="img"
      aria-label={t('What you see: {words}', { words: shown.words.join('; ') })}
      className="w-full max-w-90"
      style={{ filter: isDim ? 'brightness(0.35)' : undefined }}
    >
      <ellipse cx={130} cy={84} rx={122} ry={60} fill="var(--line)" />
      <ellipse cx={130} cy={76} rx={112} ry={50} fill={fill} stroke="var(--edge)" />
      {!isDim && (
        <g>
          {!dull && level < 3 && (
            <path
              d="M44 62C70 44 110 38 150 40"
              fill="none"
              stroke="white"
              strokeWidth={5}
              strokeLinecap="round"
              opacity={0.5 - 0.12 * level}
            />
          )}
          {film > 0 &&
            strewn(film > 0.5 ? 16 : 4).map(([x, y], n) => (
              <ellipse
                key={n}
                cx={x}
                cy={y}
                rx={film > 0.5 ? 15 : 22}
                ry={film > 0.5 ? 6 : 3}
                fill={mixed(1)}
                opacity={0.75}
              />
            ))}
          {trail > 0 && film === 0 && (
            <g fill="none" stroke="black" strokeOpacity={0.12 + 0.2 * trail} strokeWidth={2 + 3 * trail}>
              <path d="M58 84C84 62 96 104 122 82S168 66 196 88" />
              {level > 2.6 && <path d="M76 104C104 88 128 112 166 98" />}
            </g>
          )}
          {heap > 0 && (
            <path
              d={`M78 84C100 ${80 - 16 * heap} 112 ${70 - 26 * heap} 130 ${66 - 30 * heap}C146 ${70 - 26 * heap} 162 ${80 - 14 * heap} 186 86Z`}
              fill={fill}
              stroke="black"
              strokeOpacity={0.3}
            />
          )}
          {mark !== null && mark > 0 && film === 0 && (
            <path
              d="M112 90C122 84 134 96 150 88"
              fill="none"
              stroke="black"
              strokeOpacity={0.65 * mark}
              strokeWidth={5}
              strokeLinecap="round"
            />
          )}
          {grains &&
            strewn(60).map(([x, y], n) => <circle key={n} cx={x} cy={y} r={2.2} fill="white" opacity={0.85} />)}
          {lumps &&
            strewn(7).map(([x, y], n) => <ellipse key={n} cx={x} cy={y} rx={8} ry={6} fill="black" opacity={0.25} />)}
          {dull && <ellipse cx={130} cy={76} rx={112} ry={50} fill="gray" opacity={0.18} />}
        </g>
      )}
    </svg>
  )
}
