/** Lets members in; everyone else signs in here, and the address they wanted stays. */
export declare function Gate(): import('react').JSX.Element
