/** A spot of soap colour with an outline, so that pale soap shows on pale paper. */
export const Swatch = ({ hex, size = 18 }: { hex: string; size?: number }) => (
  <span
    aria-hidden
    className="inline-block shrink-0 rounded-full border border-black/50 print:border-black"
    style={{ width: size, height: size, background: hex, printColorAdjust: 'exact' }}
  />
)

/** Relative luminance of an sRGB colour, 0 to 1 (WCAG 2). */
export function luminance(hex: string): number {
  const channel = (at: number) => {
    const c = Number.parseInt(hex.slice(at, at + 2), 16) / 255
    return c <= 0.04045 ? c / 12.92 : Math.pow((c + 0.055) / 1.055, 2.4)
  }
  return 0.2126 * channel(1) + 0.7152 * channel(3) + 0.0722 * channel(5)
}

/** Black or white, whichever reads better on a soap colour: at least 4.5 to 1 on any. */
export function inkOn(hex: string): string {
  const light = luminance(hex) + 0.05
  return light / 0.05 >= 1.05 / light ? '#000000' : '#ffffff'
}
