/** A spot of soap colour with an outline, so that pale soap shows on pale paper. */
export const Swatch = ({ hex, size = 18 }: { hex: string; size?: number }) => (
  <span
    aria-hidden
    className="inline-block shrink-0 rounded-full border border-black/50 print:border-black"
    style={{ width: size, height: size, background: hex, printColorAdjust: 'exact' }}
  />
)

/** Ink that reads on a soap colour: relative luminance by the sRGB weights of WCAG 2. */
export function inkOn(hex: string): string {
  const channel = (at: number) => {
    const c = Number.parseInt(hex.slice(at, at + 2), 16) / 255
    return c <= 0.04045 ? c / 12.92 : Math.pow((c + 0.055) / 1.055, 2.4)
  }
  const luminance = 0.2126 * channel(1) + 0.7152 * channel(3) + 0.0722 * channel(5)
  return luminance > 0.18 ? '#1b1916' : '#faf8f3'
}
