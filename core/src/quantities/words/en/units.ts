export const units = {
  'units.two-ways':
    '“{typed}” can be read two ways: type {whole} or {decimal} for what is meant, without a mark in “{raw}”.',
  'units.nothing-typed': 'Nothing is typed here. Try {examples}.',
  'units.no-number': '“{typed}” is not a number. Try {examples}.',
  'units.no-unit': '“{typed}” is not a unit that fits here. Try {examples}.',
  'units.not-clear': '“{typed}” is not clear. Try {examples}.',
  'units.too-large': 'That number is too large. Try {examples}.',
}
