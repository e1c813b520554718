/** Says how the plan stands to the server, and asks when that needs an answer. */
export declare function SaveMark(): import('react').JSX.Element
