/** Inner width and height of an element in px, kept up to date. */
export declare function useSize<T extends HTMLElement>(): readonly [
  import('react').RefObject<T | null>,
  {
    width: number
    height: number
  },
]
