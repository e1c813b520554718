/** Opens a batch with the shelf and keeps it open while its pages change. */
export declare function BatchFrame(): import('react').JSX.Element
