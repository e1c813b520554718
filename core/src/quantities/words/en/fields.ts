export const fields = {
  'fields.strange-name': 'This name does not belong in a plan.',
  'fields.no-object': 'An object with named values is expected.',
}
