/**
 * Which cause brings which sign: the chance that it alone brings some of it or more, and much of it. What is not named is 0. Estimates of the
 * craft: how sure they are is in docs/models.md.
 */
export const LINK_TABLE = `
lye-over: k-crumble 0.70 0.40|u-crust 0.55 0.25|r-chalk 0.60 0.30|k-brittle 0.55 0.20|u-needles 0.12 0.04|p-thick 0.30 0.08|p-hot 0.20 0.05|k-whitehard 0.20 0.06|a-sting 0.50 0.25|a-harsh 0.60 0.30|t-ph 0.85 0.65|t-pheno 0.85 0.60|m-crack 0.15 0.04|u-ash 0.40 0.12|u-sweat 0.06 0.02
value-wrong: k-crumble 0.50 0.22|u-crust 0.38 0.14|r-chalk 0.45 0.18|k-brittle 0.42 0.12|u-needles 0.06 0.02|k-whitehard 0.10 0.03|a-sting 0.35 0.15|a-harsh 0.50 0.22|t-ph 0.70 0.40|t-pheno 0.70 0.40|u-ash 0.30 0.08
lye-short: u-soft 0.70 0.35|u-oily 0.55 0.25|r-soft 0.60 0.30|r-orange 0.30 0.10|p-thin 0.40 0.15|a-nolather 0.40 0.15|m-oilpool 0.20 0.06|u-stick 0.50 0.20|t-oil 0.60 0.30|t-later 0.70 0.45
fat-rich: u-soft 0.45 0.15|u-oily 0.35 0.08|r-orange 0.35 0.10|r-soft 0.40 0.12|a-nolather 0.35 0.10|t-oil 0.40 0.12|u-stick 0.30 0.10|t-later 0.40 0.15|w-onecup 0.30 0.12
lye-grain: k-whitehard 0.60 0.32|k-wetpocket 0.28 0.10|u-needles 0.25 0.08|t-pheno 0.50 0.30|t-ph 0.25 0.08|a-sting 0.20 0.08|w-onecup 0.05 0.01
early-split: w-first 0.60 0.30|w-last 0.60 0.30|k-crumble 0.45 0.20|u-oily 0.50 0.20|m-oilpool 0.50 0.22|k-wetpocket 0.40 0.18|p-oilfilm 0.60 0.25|u-crust 0.35 0.12|u-soft 0.35 0.12|t-pheno 0.50 0.25|t-ph 0.40 0.20|k-whitehard 0.18 0.05|p-breaks 0.35 0.10|u-ash 0.40 0.12|a-sting 0.15 0.05|t-oil 0.40 0.15|k-tunnel 0.10 0.03|t-later 0.30 0.10
false-trace: p-breaks 0.75 0.40|p-thick 0.50 0.20|k-whitewax 0.40 0.15|k-wetpocket 0.30 0.10|m-oilpool 0.35 0.12|u-oily 0.35 0.12|k-crumble 0.35 0.12|u-soft 0.30 0.10|u-ash 0.30 0.10|t-pheno 0.30 0.12|t-ph 0.20 0.08|w-first 0.30 0.10|w-last 0.30 0.10|p-grain 0.20 0.05|p-oilfilm 0.30 0.10
ran-ahead: p-thick 0.75 0.30|c-thick 0.65 0.30|p-hot 0.40 0.12|k-air 0.30 0.08|k-torn 0.40 0.12|k-split 0.08 0.02
water-low: k-brittle 0.40 0.12|m-crack 0.30 0.08|p-thick 0.35 0.10|k-crumble 0.20 0.04|k-drag 0.40 0.12|c-thick 0.25 0.08
water-high: u-soft 0.60 0.25|r-warp 0.55 0.20|u-ash 0.40 0.12|u-stick 0.45 0.15|p-thin 0.30 0.08|r-soft 0.20 0.04|t-later 0.40 0.12
scent-fast: p-thick 0.80 0.50|c-thick 0.75 0.45|p-hot 0.40 0.15|p-lump 0.25 0.12|k-torn 0.45 0.15|w-onecup 0.35 0.15|k-air 0.25 0.06|m-crack 0.12 0.03|m-rise 0.06 0.02
scent-rice: p-grain 0.90 0.50|p-oilfilm 0.30 0.10|k-whitewax 0.25 0.08|c-weep 0.15 0.04|p-breaks 0.25 0.06|u-oily 0.10 0.02|w-onecup 0.15 0.05
scent-weep: c-weep 0.70 0.30|u-scentbeads 0.65 0.30|m-oilpool 0.40 0.14|p-oilfilm 0.40 0.15|u-oily 0.40 0.12|p-breaks 0.30 0.10|k-wetpocket 0.12 0.03|p-grain 0.12 0.03|w-onecup 0.20 0.06
vanillin: r-brownrim 0.88 0.50|c-shift 0.12 0.03|r-bleed 0.18 0.04|w-onecup 0.30 0.12|k-wrongcolour 0.15 0.04|r-brownall 0.35 0.12
scent-faint: r-faint 0.85 0.50
fats-set: k-whitewax 0.75 0.35|p-thick 0.35 0.12|p-lump 0.20 0.08|p-grain 0.30 0.08|k-brittle 0.20 0.05|m-crack 0.10 0.02|p-breaks 0.15 0.04
milk-scorch: p-lyecolour 0.85 0.50|r-brownall 0.60 0.25|k-wrongcolour 0.20 0.05
powder-salt: k-crumble 0.50 0.20|k-brittle 0.55 0.20|m-crack 0.30 0.08|u-sweat 0.30 0.10|k-drag 0.20 0.05|p-thick 0.30 0.08|u-needles 0.10 0.03|a-nolather 0.15 0.04
coarse-bits: k-drag 0.75 0.35
colour-alkali: c-shift 0.70 0.35|k-wrongcolour 0.70 0.35|r-fade 0.30 0.10|w-onecup 0.50 0.25
colour-light: r-fade 0.80 0.40|w-onecup 0.35 0.12
dye-bleeds: r-bleed 0.85 0.45
poor-wetting: k-specks 0.80 0.40|w-onecup 0.35 0.15
white-much: k-whitepig 0.40 0.15|k-drag 0.30 0.10|k-brittle 0.30 0.08|m-crack 0.10 0.02|w-onecup 0.25 0.08|k-rivers 0.20 0.06
mix-up: k-wrongcolour 0.50 0.20|k-wrongplace 0.60 0.30
poured-soon: m-through 0.85 0.45|k-blur 0.70 0.35|k-wrongplace 0.30 0.10
joint-late: k-split 0.80 0.40|k-torn 0.15 0.04
cup-thick: k-torn 0.65 0.30|c-thick 0.60 0.30|k-air 0.40 0.12|k-wrongplace 0.15 0.04|m-through 0.05 0.01
cup-thin: k-muddy 0.65 0.35|m-sank 0.65 0.30|k-blur 0.45 0.15|k-wrongplace 0.35 0.10|m-through 0.25 0.08
air-in: k-air 0.85 0.40|k-torn 0.15 0.04
embed-odd: k-embedgap 0.75 0.35|r-bleed 0.08 0.02
partial-gel: k-ring 0.90 0.55|u-mattrim 0.20 0.05
overheat: m-crack 0.70 0.35|m-rise 0.50 0.25|u-sunk 0.50 0.20|k-tunnel 0.45 0.20|m-oilpool 0.28 0.10|p-hot 0.20 0.06|k-rivers 0.15 0.04|k-wetpocket 0.12 0.04|u-oily 0.12 0.03|r-brownall 0.10 0.03
no-gel: u-soft 0.30 0.06|u-ash 0.25 0.08|k-pale 0.55 0.20|u-stick 0.30 0.08|t-later 0.25 0.06|k-crumble 0.04 0.01
cold-wall: u-mattrim 0.75 0.30|u-ash 0.15 0.04|u-stick 0.20 0.05|k-ring 0.15 0.05|u-sweat 0.20 0.05
rivers: k-rivers 0.90 0.50
air-ash: u-ash 0.85 0.40|u-crust 0.06 0.01|r-chalk 0.06 0.01
mould-moved: u-tilt 0.85 0.40|k-wrongplace 0.10 0.03
unmould-early: u-soft 0.80 0.40|u-stick 0.75 0.40|k-drag 0.30 0.08|r-warp 0.35 0.10
cut-late: k-brittle 0.75 0.35|k-crumble 0.40 0.10
blade: k-drag 0.80 0.40|k-whitepig 0.55 0.25|k-brittle 0.15 0.04
damp-air: u-sweat 0.85 0.40|r-soft 0.15 0.04|u-ash 0.10 0.02|r-orange 0.12 0.03
dry-uneven: r-warp 0.75 0.35
old-oils: r-orange 0.75 0.35
metal: r-orange 0.65 0.30|a-nolather 0.40 0.15|p-lyecolour 0.10 0.03
`
