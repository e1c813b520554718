/** The heart: the score, the face and the lanes, which move together. */
export declare function ScorePage(): import('react').JSX.Element
