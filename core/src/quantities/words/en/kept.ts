export const kept = {
  'kept.cannot-be-brought-up':
    'This was kept in version {version}, and cannot be made anything of in the one of today.',
}
