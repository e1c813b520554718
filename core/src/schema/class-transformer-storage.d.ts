declare module 'class-transformer/cjs/storage.js' {
  /** Where class-transformer keeps what @Type says. */
  export const defaultMetadataStorage: object
}
