import { showLength } from '@ostler/core'
import type { Liner, LinerSheet } from '@ostler/core'
import { useHabits } from '../plan/context.tsx'
import { useSay } from '../ui/say.tsx'
import { t } from '../words/index.ts'

const GAP = 30
const TEXT = 13

/** The sheets to cut, to one scale, with folds and measures. */
export function LinerDrawing({ liner, className = '', scale }: { liner: Liner; className?: string; scale?: number }) {
  const habits = useHabits()
  const say = useSay()
  const widest = Math.max(...liner.sheets.map(sheet => sheet.widthMm))
  const height = liner.sheets.reduce((sum, sheet) => sum + sheet.heightMm + GAP * 2, 0)
  const unit = Math.max(widest, height) / 420
  const width = widest + 70 * unit
  return (
    <svg
      viewBox={`${-60 * unit} ${-24 * unit} ${width} ${height + 10 * unit}`}
      className={className}
      {...(scale && { style: { width: `${width / scale}mm` } })}
      role="img"
      aria-label={liner.sheets.map(sheet => `${say(sheet.name)}: ${size(sheet, habits)}`).join('; ')}
    >
      {liner.sheets.map((sheet, i) => {
        const top = liner.sheets.slice(0, i).reduce((sum, one) => sum + one.heightMm + GAP * 2, 0)
        return (
          <g key={say(sheet.name)} transform={`translate(0 ${top})`}>
            <text x={0} y={-6 * unit} fontSize={TEXT * unit} fill="var(--ink)">
              {say(sheet.name)}
              {sheet.count > 1 ? t(', {sheet} of them', { sheet: sheet.count }) : ''}: {size(sheet, habits)}
              {sheet.narrowsToMm !== null &&
                t(', narrowing to {narrowsToMm}', { narrowsToMm: showLength(Math.round(sheet.narrowsToMm), habits) })}
            </text>
            <Outline sheet={sheet} unit={unit} />
            {sheet.foldsX.map(x => (
              <g key={x}>
                <line
                  x1={x}
                  x2={x}
                  y1={0}
                  y2={sheet.heightMm}
                  stroke="var(--ink)"
                  strokeWidth={unit}
                  strokeDasharray={`${5 * unit} ${4 * unit}`}
                />
                <text
                  x={x}
                  y={sheet.heightMm + (TEXT + 2) * unit}
                  fontSize={11 * unit}
                  textAnchor="middle"
                  fill="var(--soft)"
                >
                  {showLength(x, habits)}
                </text>
              </g>
            ))}
            {sheet.slits.map(slit => (
              <line
                key={`${slit.x} ${slit.fromY}`}
                x1={slit.x}
                x2={slit.x}
                y1={slit.fromY}
                y2={slit.toY}
                stroke="var(--ink)"
                strokeWidth={2.5 * unit}
              />
            ))}
            {sheet.foldsY.map(fold => (
              <line
                key={fold}
                x1={0}
                x2={sheet.widthMm}
                y1={fold}
                y2={fold}
                stroke="var(--ink)"
                strokeWidth={unit}
                strokeDasharray={`${5 * unit} ${4 * unit}`}
              />
            ))}
          </g>
        )
      })}
    </svg>
  )
}

const size = (sheet: LinerSheet, habits: Parameters<typeof showLength>[1]): string =>
  `${showLength(Math.round(sheet.widthMm), habits)} × ${showLength(Math.round(sheet.heightMm), habits)}`

const Outline = ({ sheet, unit }: { sheet: LinerSheet; unit: number }) =>
  sheet.isDisc ? (
    <ellipse
      cx={sheet.widthMm / 2}
      cy={sheet.heightMm / 2}
      rx={sheet.widthMm / 2}
      ry={sheet.heightMm / 2}
      fill="none"
      stroke="var(--ink)"
      strokeWidth={1.5 * unit}
    />
  ) : (
    <rect width={sheet.widthMm} height={sheet.heightMm} fill="none" stroke="var(--ink)" strokeWidth={1.5 * unit} />
  )
