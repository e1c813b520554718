/** What is allowed in this plan but worth a thought. */
export declare function Notices({
  most,
  className,
}: {
  most?: number
  className?: string
}): import('react').JSX.Element | null
