export const portions = {
  'portions.into-cavity': '{where}: {each}.',
  'portions.cavity-path':
    '{where}, {each} each: half on the way there, half on the way back, so that the first and the last get the same trace.',
  'portions.much-does-not-go': 'So much does not go into this mould: all other oils would be gone.',
  'portions.oils-would-weigh-nothing': 'The oils would weigh nothing.',
  'portions.comes-nothing-give-size': 'That comes to nothing. Give a size above 0.',
  'portions.would-stand-only-high': 'That would stand only {what} high in this mould: take a smaller one.',
  'portions.would-hold': ' “{moulds}” would hold it.',
  'portions.no-mould-on-shelf': ' No mould on the shelf holds it.',
  'portions.would-stand-high-mould':
    'That would stand {fillMm} high in a mould of {innerHeightMm}: {over} ml too much.{larger}',
}
