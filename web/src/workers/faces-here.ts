/** Rows of a view drawn in the page itself, where no worker can be had: slower, but never an empty mould. */
export { renderRows } from '@ostler/core'
