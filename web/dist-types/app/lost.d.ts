/** Nothing at this address, or a page that broke. What was edited is kept either way. */
export declare function Lost(): import('react').JSX.Element
