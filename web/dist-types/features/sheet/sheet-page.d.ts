/** The pour sheet: printed, it goes to the bench. Safety first, then weighing in order, cups, pours. */
export declare function SheetPage(): import('react').JSX.Element
