import { barsAlong, isColumn, isTray, showLength } from '@ostler/core'
import type { CutForecast, Plan } from '@ostler/core'
import { useHabits } from '../../plan/context.tsx'
import { t } from '../../words/index.ts'

const WIDE = 760
const HIGHEST = 300
/** To scale too: still to be read on a phone. */
const LETTER_MM = 9

/** The mould from above, to scale, with every cut; a column from the side. */
export function CutDrawing({ plan, cut }: { plan: Plan; cut: CutForecast }) {
  const { mould } = plan
  return (
    <figure aria-label={t('Where it is cut')} className="rounded bg-booth p-4">
      {isTray(mould) ? <Tray plan={plan} /> : <Along plan={plan} cut={cut} />}
    </figure>
  )
}

/** Cavities in as square a field as they give. */
function Tray({ plan }: { plan: Plan }) {
  const { cavities, innerLengthMm: l, innerWidthMm: w, form } = plan.mould
  const columns = Math.ceil(Math.sqrt((cavities * l) / w))
  const across = Math.max(1, Math.min(cavities, columns))
  const gap = 8
  const rows = Math.ceil(cavities / across)
  const size = [across * (w + gap) + gap, rows * (l + gap) + gap] as const
  const scale = Math.min(WIDE / size[0], HIGHEST / size[1])
  const isRound = form !== 'box' && form !== 'hexagon'
  return (
    <>
      <svg
        viewBox={`0 0 ${size[0]} ${size[1]}`}
        width={size[0] * scale}
        className="max-w-full"
        role="img"
        aria-label={t('{cavities} cavities', { cavities })}
      >
        {Array.from({ length: cavities }, (_, i) => {
          const x = gap + (i % across) * (w + gap)
          const y = gap + Math.floor(i / across) * (l + gap)
          return (
            <rect
              key={i}
              {...{ x, y, width: w, height: l }}
              rx={isRound ? Math.min(w, l) / 2 : 4}
              fill="var(--paper)"
              stroke="var(--ink)"
              strokeWidth={1 / scale}
            />
          )
        })}
      </svg>
      <figcaption className="mt-1 text-[13px]">{t('Every cavity is a bar')}</figcaption>
    </>
  )
}

/** Hatching of what is trimmed, planed or left over. */
const Scrap = ({ scale }: { scale: number }) => (
  <pattern id="scrap" width={6 / scale} height={6 / scale} patternTransform="rotate(45)" patternUnits="userSpaceOnUse">
    <rect width={6 / scale} height={6 / scale} fill="var(--booth-deep)" />
    <line x1={0} x2={0} y1={0} y2={6 / scale} stroke="var(--soft)" strokeWidth={1 / scale} />
  </pattern>
)

function Along({ plan, cut }: { plan: Plan; cut: CutForecast }) {
  const habits = useHabits()
  const { mould, cutting, rest } = plan
  const column = isColumn(mould)
  const length = column ? mould.fillMm : mould.innerLengthMm
  const width = mould.innerWidthMm
  const rows = column ? 1 : cutting.rows
  const side = column ? 0 : rest.cut.sideTrimMm
  const { bars } = barsAlong(length, cutting)
  const scale = Math.min(WIDE / length, HIGHEST / width)
  const line = 1.2 / scale
  const letter = Math.min(LETTER_MM, cutting.barMm * 0.6)
  const rowHeight = (width - 2 * side) / rows
  const isRound = !column && (mould.form === 'cylinder' || mould.form === 'ellipse')
  const shape = isRound ? (
    <ellipse cx={length / 2} cy={width / 2} rx={length / 2} ry={width / 2} />
  ) : (
    <rect x={0} y={0} width={length} height={width} />
  )
  return (
    <>
      <svg
        viewBox={`${-line} ${-line} ${length + 2 * line} ${width + 2 * line}`}
        width={length * scale}
        className="max-w-full"
        role="img"
        aria-label={t('{bars} bars, {barMm} thick', { bars: cut.bars.count, barMm: showLength(cutting.barMm, habits) })}
      >
        <defs>
          <Scrap scale={scale} />
          <clipPath id="mould">{shape}</clipPath>
        </defs>
        <g clipPath="url(#mould)">
          <rect width={length} height={width} fill="url(#scrap)" />
          {bars.map(({ from, to }, i) => (
            <g key={i}>
              {Array.from({ length: rows }, (_, row) => (
                <rect
                  key={row}
                  x={from}
                  y={side + row * rowHeight + (row > 0 ? cutting.kerfMm / 2 : 0)}
                  width={to - from}
                  height={rowHeight - (row > 0 ? cutting.kerfMm / 2 : 0) - (row < rows - 1 ? cutting.kerfMm / 2 : 0)}
                  fill="var(--paper)"
                  stroke="var(--ink)"
                  strokeWidth={line}
                />
              ))}
              <text
                x={(from + to) / 2}
                y={side + rowHeight / 2}
                fontSize={letter}
                textAnchor="middle"
                dominantBaseline="central"
                fill="var(--ink)"
              >
                {i + 1}
              </text>
            </g>
          ))}
        </g>
        <g fill="none" stroke="var(--ink)" strokeWidth={line * 1.6}>
          {shape}
        </g>
      </svg>
      <figcaption className="mt-1 text-[13px]">
        {t('{column}, to scale: {length} by {width}. Hatched: trimmed, planed or left over.', {
          column: column
            ? t('The column, lying')
            : cutting.onSide
              ? t('The loaf from above; it is cut lying on its side')
              : t('From above'),
          length: showLength(length, habits),
          width: showLength(width, habits),
        })}
      </figcaption>
    </>
  )
}
