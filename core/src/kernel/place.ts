interface Numbers {
  roomFor: (count: number) => number
}

/** Room in the kernel where one owner's numbers stand until another's come. */
export class Place {
  /** Where it begins. */
  at = 0
  /** Whose numbers stand there; null: nobody's yet. */
  holds: object | null = null
  #size = 0

  /**
   * Makes room for an owner's numbers.
   *
   * @returns whether they have to be written; not where they stand there still
   */
  isNewFor(kernel: Numbers, owner: object, size: number): boolean {
    if (this.holds === owner) return false
    this.holds = owner
    if (this.#size < size) {
      // By powers of two: what is left behind never comes to more than what is in use.
      this.#size = 2 ** Math.ceil(Math.log2(size))
      this.at = kernel.roomFor(this.#size)
    }
    return true
  }
}
