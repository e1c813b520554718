export const checks = {
  'checks.object-with-named-values': 'An object with named values is expected.',
  'checks.this-too-deep-or': 'This is too deep or too large, or uses names that it must not.',
}
