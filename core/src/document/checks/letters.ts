/** Text is counted in code points, as PostgreSQL counts it: an emoji is one letter or a few, never half of one. */

/** The first letters of a text, never half of a pair. */
export const clipped = (text: string, most: number): string => [...text].slice(0, most).join('')
