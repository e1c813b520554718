/** The first visit to an Ostler without a workshop. */
export declare function SetUpPage({ asksCode }: { asksCode: boolean }): import('react').JSX.Element
