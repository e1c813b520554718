/** Says why nothing can be worked out, where an oil is not on the shelf. */
export declare function ForecastRefused(): import('react').JSX.Element | null
