/** The numbers that decide: chance, time to spare, pot, lye. */
export declare function ScoreNumbers(): import('react').JSX.Element | null
