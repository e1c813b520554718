/** The recipe and what it becomes for this mould. */
export declare function BatterPage(): import('react').JSX.Element
