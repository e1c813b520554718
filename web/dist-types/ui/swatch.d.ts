/** A spot of soap colour with an outline, so that pale soap shows on pale paper. */
export declare const Swatch: ({ hex, size }: { hex: string; size?: number }) => import('react').JSX.Element
/** Ink that reads on a soap colour: relative luminance by the sRGB weights of WCAG 2. */
export declare function inkOn(hex: string): string
