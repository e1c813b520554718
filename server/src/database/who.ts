/** A member, and the workshop that it belongs to. */
export interface Who {
  workshopId: string
  memberId: string
}
