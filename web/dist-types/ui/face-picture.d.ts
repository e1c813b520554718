import type { Plan } from '@ostler/core'
/** The cut face of a batch, small and to scale. */
export declare function FacePicture({ plan, height }: { plan: Plan; height: number }): import('react').JSX.Element
