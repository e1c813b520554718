export const advice = {
  'advice.mix-at-instead': 'Mix at {to} instead of {mixC}',
  'advice.stop-blending-at-level': 'Stop blending at level {to} instead of {stopLevel}',
  'advice.blend-on-level-before': 'Blend on to level {longer} before the split',
  'advice.take-more-water-lye': 'Take more water: lye at {weaker} instead of {w}',
  'advice.stir-into-each-cup': 'Stir {name} into each cup right before its pour',
  'advice.leave-without-scent': 'Leave {cup} without scent',
  'advice.take-instead': 'Take {calmer} instead of {name}',
  'advice.stop-blending-at-emulsion': ', and stop blending at emulsion ({level})',
  'advice.never-stop-scent-alone':
    'Never stop: scent {cup} alone, pour it once and last, straight from the scent into the mould, no tool after it{stop}',
  'advice.take-each-batter-its': 'Take each batter in its turn: blend, colour and pour it before the next is begun',
  'advice.blend-until-emulsion-holds':
    'Blend until the emulsion holds as well: a spoonful stands a minute without streaks',
  'advice.scent-each-cup-last': ' and scent each cup last',
  'advice.mix-at-stop-at': 'Mix at {to}, stop at emulsion ({stop}){which}',
  'advice.when-needs-at-most': '{traceName} ({endLevel}) when {way} needs at most {hi}',
  'advice.and-quickens-it': ', and {scent} quickens it',
  'advice.sets-it': '{acid} sets it{which}',
  'advice.quickens-it': '{scent} quickens it',
  'advice.nobody-has-told-how': 'Nobody has told how {unknown} behaves, so quick ones are reckoned with',
  'advice.has-waited-too-long': 'It has waited too long for its warmth and blending',
  'advice.expect': '{cause}: expect {level}.',
  'advice.of-runs': '{what} of runs',
  'advice.too-thick-when-you': '{head} is too thick when you reach it: {fails}.',
  'advice.still-too-thin-pour': '{head} is still too thin to pour as planned: {fails}.',
  'advice.does-not-hold-its':
    'It does not hold its shape: whip it longer, take more hard fats or chill the lye further; let it stand a while before it is piped.',
  'advice.blend-little-longer-before': 'Blend a little longer before the split, or wait before this layer.',
  'advice.layer-below-does-not': 'The layer below does not carry layer {number}, {name}: {fails}.',
  'advice.needs-level-at-rest': 'It needs level {carrierNeed} at rest. Pour lower or over a spatula, or wait longer.',
  'advice.dives-deeper-than': '{head} dives deeper than it is to: {fails}.',
  'advice.goes-deep-pour-from': 'It goes {diveMm} deep. Pour from lower, or when what lies below is firmer.',
  'advice.stays-nearer-surface-than': '{head} stays nearer the surface than it is to: {fails}.',
  'advice.goes-deep-pour-from-higher':
    'It goes {diveMm} deep. Pour from higher, or sooner, while what lies below is thin.',
  'advice.sets-its-cup-while': '{head} sets in its cup while it waits: {fails}.',
  'advice.stands-at-before-you':
    'It stands at {standing} before you stir it. Keep it moving, scent it last and pour it at once, or pour plain cups first.',
  'advice.batter-too-thin-for': 'The batter is too thin for the {name}, colours would blur: {fails}.',
  'advice.batter-too-thick-for': 'The batter is too thick for the {name} when you come to it: {fails}.',
  'advice.should-stand-at-at': 'It should stand at {lo} at least; the thinnest stands at {lowest}.',
  'advice.should-stand-at-at-most':
    'It should stand at {hi} at most; the thickest stands at {highest}. Pour faster, cooler or thinner.',
  'advice.what-looks-like-trace': 'What looks like trace is fat that sets: {fails}.',
  'advice.blending-would-stop-on':
    'Blending would stop on a batter that is not soap yet. Mix warmer than the fats’ setting point.',
  'advice.cup-may-come-out': 'A cup may come out short of fat, and lye-heavy: {fails}.',
  'advice.stopped-little-early-emulsion':
    'Stopped a little early the emulsion {looks}{spread}. Blend until it holds, or draw the first cup last.',
  'advice.batter-may-not-be': 'The batter may not be emulsified: {fails}.',
  'advice.stopped-little-early-let':
    'Stopped a little early it {emulsionLook}{spread}. Let the blender rest 15 s: if streaks run together, blend on.',
  'advice.cups-could-come-out': ': cups could come out between {low} and {high} superfat',
  'advice.in-of-runs': ' in {what} of runs',
  'advice.divided-little-early-leanest':
    'Divided a little early, the leanest cup could come out at {lean} superfat, lye-heavy{often}. Blend on until the emulsion holds, or plan half a point more superfat.',
  'advice.about-1-batches-scent':
    ' In about 1 of {what} batches the scent makes grains, or a hairy batter that parts; blended out in short bursts, {whole} of those batches still work.',
  'advice.has-set-neither-this': 'It has set, and neither this recipe nor this scent explains it.',
  'advice.pour-or-spoon-what':
    'Pour or spoon what you have, now. Afterwards: was the scent weighed, was it the right bottle?',
  'advice.batter-does-not-come': 'The batter does not come to the trace at which blending stops.',
  'advice.blend-warmer-or-stop': 'Blend warmer, or stop at a lower level.',
  'advice.layer': 'Layer {number}, {name},',
  'advice.an-hour': 'an hour',
  'advice.every-layer-likely-pour': 'Every layer is likely to pour as planned: {chance}.',
  'advice.least-time-spare-layer': 'Least time to spare: layer {number}, {name}, {spare} in 4 of 5 runs.{ricingReason}',
}
