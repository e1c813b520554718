/** How a drip lies on batter of a level: sunk, a dot, a line, a ribbon, a heap. Drawn, so that it is known at a glance. */
export function TraceDrawing({ level }: { level: number }) {
  const stays = Math.min(1, Math.max(0, (level - 1.2) / 2))
  const heap = Math.max(0, level - 2.6) * 5
  const films = level < 1 ? [10, 22, 33] : []
  return (
    <svg width={52} height={40} viewBox="0 0 52 40" aria-hidden className="shrink-0">
      <ellipse cx={26} cy={28} rx={24} ry={10} fill="var(--booth)" stroke="var(--edge)" />
      {films.map(x => (
        <ellipse key={x} cx={x + 4} cy={27 + (x % 3)} rx={5} ry={1.8} fill="none" stroke="var(--soft)" />
      ))}
      {level >= 1.3 && level < 2 && (
        <circle cx={26} cy={27} r={2 + 2 * stays} fill="var(--soft)" opacity={0.3 + stays} />
      )}
      {level >= 2 && level < 3 && (
        <path
          d={level < 2.5 ? 'M12 28C20 24 32 32 40 27' : 'M10 27C18 22 22 32 28 27S38 24 42 28'}
          fill="none"
          stroke="var(--soft)"
          strokeWidth={2 + 2 * stays}
          strokeLinecap="round"
        />
      )}
      {level >= 3 && (
        <path
          d={`M12 28C18 ${26 - heap} 22 ${24 - heap} 26 ${20 - heap}C30 ${24 - heap} 36 ${26 - heap} 41 28Z`}
          fill="var(--booth-deep)"
          stroke="var(--soft)"
        />
      )}
    </svg>
  )
}

/** A peak as the whisk is lifted out: flat, a mound, a tip that bends, a tip that stands, ragged. */
export function PeakDrawing({ level }: { level: number }) {
  const high = 22 * Math.min(1, Math.max(0.2, (level - 2.4) / 1.9))
  const [top, tip] = [30 - high, level < 3.4 ? 0 : level < 4 ? 9 : 0]
  const isRagged = level > 4.9
  return (
    <svg width={52} height={40} viewBox="0 0 52 40" aria-hidden className="shrink-0">
      <path
        d={
          isRagged
            ? `M8 33L15 22L19 25L24 ${top}L29 17L34 22L38 20L45 33Z`
            : level < 3
              ? 'M6 33C14 28 38 28 46 33Z'
              : `M6 33C16 32 21 ${top + 8} 25 ${top}Q${28 + tip} ${top - 1} ${27 + tip} ${top + tip / 2}C30 ${top + 10} 37 32 46 33Z`
        }
        fill="var(--booth-deep)"
        stroke="var(--soft)"
      />
      <path d="M2 33H50" stroke="var(--edge)" />
    </svg>
  )
}
