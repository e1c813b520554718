import type { Code } from './label-file.ts'
import type { LabelLayout } from './layout.ts'

interface Props {
  layout: LabelLayout
  code: Code
  widthMm: number
  heightMm: number
}

const MM_PER_PT = 25.4 / 72

/** The label as it is printed, larger than life where there is room. */
export function LabelPicture({ layout, code, widthMm, heightMm }: Props) {
  const each = layout.code ? layout.code.sizeMm / code.size : 0
  const dark = Array.from({ length: code.size ** 2 }, (_, i) => [Math.floor(i / code.size), i % code.size] as const)
  return (
    <div className="bg-booth p-5">
      <svg
        role="img"
        aria-label={layout.runs.map(run => run.text).join(' ')}
        viewBox={`0 0 ${widthMm} ${heightMm}`}
        className="block w-full bg-white text-black"
        style={{ maxWidth: widthMm * 6.5 }}
      >
        {layout.runs.map((run, i) => (
          <text
            key={i}
            x={run.xMm}
            y={run.yMm}
            fontSize={run.sizePt * MM_PER_PT}
            fontWeight={run.isBold ? 700 : 400}
            fontFamily="Atkinson Hyperlegible Next Variable, sans-serif"
            fill="currentColor"
          >
            {run.text}
          </text>
        ))}
        {layout.code && (
          <path
            fill="currentColor"
            d={dark
              .filter(([row, column]) => code.isDark(row, column))
              .map(
                ([row, column]) =>
                  `M${layout.code!.xMm + column * each} ${layout.code!.yMm + row * each}h${each}v${each}h${-each}z`,
              )
              .join('')}
          />
        )}
      </svg>
    </div>
  )
}
