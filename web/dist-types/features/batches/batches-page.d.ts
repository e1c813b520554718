/** All batches of the workshop, the last touched first. */
export declare function BatchesPage(): import('react').JSX.Element
