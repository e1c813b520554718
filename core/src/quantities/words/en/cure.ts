export const cure = {
  'cure.turn-bars-out-firm': 'Turn the bars out; firm ones come cleaner, a short while in the freezer helps soft ones.',
  'cure.unmould-let-stand-h': 'Unmould, and let it stand {waitH} h before the cut.',
  'cure.plane-off-top': 'Plane {mm} off the top.',
  'cure.plane-off-both-long': 'Plane {mm} off both long sides, where the mould tapers.',
  'cure.cut-slab-lengthwise-into': 'Cut the slab lengthwise into {rows} loaves, {mm} wide each.',
  'cure.trim-off-each-end': 'Trim {mm} off each end.',
  'cure.take-from-what-trimmed':
    'Take {slices} {slices, plural, one {sample} other {samples}} of {mm} from what is trimmed.',
  'cure.ends-are-wedges':
    'The walls lean: the end bars are wedges of up to {mm}. Trim that much off each end, or keep the ends as samples.',
  'cure.wavy-blade':
    'With the wavy blade, straight down in one stroke, wiped at every cut: ridges show on both faces of a bar, so all of them face one way. Half a millimetre more goes with each cut.',
  'cure.knife': 'With a knife: long, thin, wiped at every cut; it drags more than a wire.',
  'cure.lay-on-its-side': 'Lay it on its side: the blade meets the top edge on, and drags nothing down.',
  'cure.each-loaf': 'each loaf',
  'cure.the-column': 'the column',
  'cure.the-loaf': 'the loaf',
  'cure.cut-into': 'Cut {each} into {count} {count, plural, one {bar} other {bars}} of {mm}.',
  'cure.wipe-blade-after-every': 'Wipe the blade after every cut: white smears over what is darker.',
  'cure.wipe-blade-every-few': 'Wipe the blade every few cuts, so that no colour is dragged over another.',
  'cure.one-colour-blade-need': 'One colour: the blade need not be wiped.',
  'cure.about-expected': 'about {expectedG} is expected',
  'cure.ten-times-too-much': '{massG} is ten times too much: {about}. Was it {massG2}?',
  'cure.ten-times-too-little': '{massG} is ten times too little: {about}. Was it {what}?',
  'cure.would-be-far-too': '{massG} would be far too little, {massG2} ounces would fit: {about}. Was it in ounces?',
  'cure.does-not-fit-this': '{massG} does not fit this bar: {about}. Was it another bar, or another number?',
  'cure.heavier-than-before-was':
    '{massG} is heavier than the {lastG} before. Was the air damp, was it another bar, or was it the scale?',
  'cure.day-still-come-on': 'Day {day} is still to come. On which day was it weighed?',
  'cure.comes-nothing-give-size': 'That comes to nothing. Give a size above 0.',
  'cure.this-mould-makes-bars': 'This mould makes {cavities} bars, one in each cavity. Choose a mould with {wanted}.',
  'cure.each-bars-would-be':
    'Each of {wanted} bars would be {what} thick in this mould. Take a longer mould, or cut more rows.',
  'cure.this-mould-gives-no': 'This mould gives no bars as it is cut.',
  'cure.would-stand-high-mould': 'That would stand {fillMm} high in a mould of {innerHeightMm}.',
  'cure.each-bar-would-be': 'Each bar would be only {barMm} thick.',
  'cure.soap-would-stand-too': 'The soap would stand too low in this mould: take a smaller one.',
  'cure.would-stand-high-mould-bars':
    'That would stand {fillMm} high in a mould of {innerHeightMm}. {makes} bars of at most {most} fit.',
}
