/** Which scent, how much, and when it goes in. */
export declare function ScentStrip(): import('react').JSX.Element
