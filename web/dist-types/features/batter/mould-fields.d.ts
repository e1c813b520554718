/** A loaf's inner dimensions and how high the soap stands in it. */
export declare function MouldFields(): import('react').JSX.Element
