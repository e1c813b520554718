/**
 * Cases with what comes of them: facts that are not ordinary, what was told, causes with chance, prior and blame, the class and its rules,
 * the chance of free lye, and what is asked next. Worked out once by another program of the same model.
 */
export const REFERENCE_CASES = `
Lye 8 % over by the log | weighedShare=1 sfPlan=0.05 sfWeighed=-0.03 sf=-0.03 sfLow=-0.065 sfHigh=0.006 days=3 | k-crumble=2 u-crust=2 k-brittle=1 | lye-over=1/0.97/0.99 | test | T1,T4,T5,T14 | 1 | p-oilfilm m-oilpool u-oily
Lye 14 % over by the log, quiet soap | weighedShare=1 sfPlan=0.05 sfWeighed=-0.085 sf=-0.085 sfLow=-0.12 sfHigh=-0.045 days=2 | k-brittle=1 k-crumble=1 | lye-over=1/0.97/0.97 | discard | D4 | 1 | p-oilfilm m-oilpool p-breaks
Borrowed all-coconut recipe | weighedShare=1 foreign=true sfPlan=0.009 sfWeighed=0.009 sf=0.009 sfLow=-0.019 sfHigh=0.035 days=30 | k-brittle=1 r-chalk=1 a-harsh=2 w-first=0 | value-wrong=0.96/0.29/0.93 | test | T1,T14 | 0.97 | p-oilfilm m-oilpool u-ash
Split before it held | weighedShare=1 cups=4 colours=4 layers=4 emulsion=0.45 early=0.3 splitChance=0.2 leanest=-0.03 sfWeighed=0.05 days=2 | p-oilfilm=1 w-first=2 w-last=2 k-crumble=1 u-oily=1 u-ash=1 | early-split=1/0.8/0.98 air-ash=0.35/0.3/0.25 no-gel=0.35/0.5/0.08 | test | T6,T8,T14 | 1 | k-pale u-stick
False trace, cold palm batter | overClear=-3 falseLift=1.1 mixC=24 hardShare=0.6 days=2 | p-breaks=2 k-whitewax=1 u-soft=1 | false-trace=0.99/0.86/0.98 no-gel=0.4/0.5/0.18 fats-set=0.09/0.1/0.07 | test | T9,T14 | 1 | k-pale u-stick t-later
Seized | scent=true scentF=2.6 scentOfOils=0.03 days=0 | p-thick=2 p-lump=2 p-hot=1 | scent-fast=1/0.97/0.98 | test | T10 | 0.08 | p-oilfilm m-oilpool p-breaks
Quick scent, rough layers | scent=true scentF=0.6 scentTested=true scentOfOils=0.03 cups=4 colours=4 layers=4 thickFail=0.35 emulsionHeld=true days=2 | p-thick=1 c-thick=1 k-torn=1 k-air=1 | scent-fast=0.87/0.61/0.82 cup-thick=0.35/0.2/0.23 air-in=0.2/0.12/0.16 | cosmetic | C1 | 0.05 | k-crumble w-onecup
Riced, blended smooth | scent=true riceP=0.25 scentF=0.3 emulsionHeld=true days=1 | p-grain=2 p-breaks=0 p-thick=0 | scent-rice=0.87/0.25/0.87 | hold | H4 | 0.03 | k-crumble k-brittle u-crust
Scent weeps in cure | scent=true separates=high scentOfOils=0.06 scentF=0 days=7 weighedShare=1 sfWeighed=0.05 | u-scentbeads=2 u-oily=1 k-crumble=0 | scent-weep=0.99/0.44/0.99 | hold | H3,H6,H12 | 0.06 | t-pheno
Vanillin | scent=true vanillinG=1.2 days=21 | r-brownrim=2 | vanillin=1/0.97/0.99 | cosmetic | C1 | 0.07 | k-crumble p-oilfilm m-oilpool
Ring | gelPart=0.78 gelNone=0.16 gelFull=0.06 days=2 | k-ring=2 | partial-gel=0.99/0.78/0.99 | cosmetic | C1 | 0.07 | k-crumble p-oilfilm m-oilpool
Volcano in a wrapped honey loaf | sugarShare=0.03 crack=0.5 volcano=0.2 gelFull=1 gelPart=0 gelNone=0 days=2 emulsionHeld=true | m-crack=2 m-rise=1 k-tunnel=1 k-wetpocket=0 | overheat=1/0.6/0.99 | hold | H5 | 0.04 | k-crumble
Plain ash | weighedShare=1 sfWeighed=0.05 ash=0.6 gelNone=0.95 gelPart=0.05 gelFull=0 days=2 emulsionHeld=true | u-ash=2 u-crust=0 k-crumble=0 | air-ash=0.85/0.6/0.7 no-gel=0.86/0.92/0.2 | cosmetic | C1 | 0.01 | k-pale
Out of the mould too soon | gelNone=0.95 gelPart=0.05 gelFull=0 lyeConc=0.29 unmouldLead=12 days=1 | u-soft=1 u-stick=2 t-later=0 | unmould-early=0.86/0.51/0.73 no-gel=0.91/0.92/0.24 | hold | H2 | 0.07 | k-crumble k-pale p-oilfilm
Rivers in a white gelled loaf | whiteG=7 gelFull=0.9 gelPart=0.1 gelNone=0 riversIx=0.6 days=2 | k-rivers=2 k-ring=0 | rivers=0.97/0.54/0.96 | cosmetic | C1 | 0.07 | k-crumble p-oilfilm m-oilpool
Layer broke through | layers=3 cups=3 colours=3 carryFail=0.5 days=2 | m-through=2 k-blur=1 | poured-soon=0.99/0.52/0.98 | cosmetic | C1 | 0.07 | k-crumble u-crust
Layers part | layers=3 cups=3 colours=3 waitMax=120 lowerStanding=4.9 micaLine=true days=3 | k-split=2 k-blur=0 | joint-late=0.99/0.77/0.98 | cosmetic | C1 | 0.07 | k-crumble u-crust t-pheno
White dragged across | whiteG=8 colours=3 cups=3 wiped=false days=2 | k-drag=2 k-whitepig=2 u-soft=0 | blade=0.95/0.28/0.91 white-much=0.16/0.13/0.08 | cosmetic | C1 | 0.06 | -
Pink went tan | dies=true colours=3 cups=3 layers=3 days=3 | c-shift=1 k-wrongcolour=2 w-onecup=2 | colour-alkali=1/0.58/0.99 | cosmetic | C1 | 0.08 | k-crumble u-crust t-pheno
Colour creeps | dye=true colours=3 cups=3 layers=3 days=30 | r-bleed=2 | dye-bleeds=0.95/0.36/0.95 | cosmetic | C1 | 0.07 | p-oilfilm k-crumble m-oilpool
Orange spots | oilsPast=true iodine=88 sfPlan=0.08 sf=0.08 sfLow=0.045 sfHigh=0.11 days=150 | r-orange=1 | old-oils=0.87/0.53/0.86 | hold | H8 | 0.07 | p-oilfilm k-crumble m-oilpool
Scorched milk | milkShare=1 milkFrozen=false browning=3 days=3 | p-lyecolour=2 r-brownall=1 | milk-scorch=0.99/0.43/0.99 | cosmetic | C1 | 0.08 | k-crumble p-oilfilm m-oilpool
Old lye | lyeOld=true days=16 | p-thin=2 u-soft=2 u-oily=1 t-later=2 r-soft=2 k-crumble=0 | lye-short=1/0.13/0.98 | hold | H2,H3,H10,H12 | 0.07 | k-pale
Stearic specks | stearicShare=0.02 waxShare=0.01 overClear=1 days=2 | k-whitewax=2 k-whitehard=0 k-wetpocket=0 | fats-set=0.85/0.26/0.84 | cosmetic | C1 | 0.1 | p-breaks k-crumble m-oilpool
Warped, wet, not turned | lyeConc=0.25 waterShare=0.26 turned=false days=28 weighedShare=1 sfWeighed=0.05 | r-warp=2 | water-high=0.79/0.55/0.62 dry-uneven=0.35/0.15/0.28 | cosmetic | C1 | 0.06 | p-oilfilm m-oilpool k-crumble
A good bar | weighedShare=1 sfWeighed=0.05 days=35 emulsionHeld=true | u-soft=0 u-ash=0 k-crumble=0 k-ring=0 k-air=0 u-oily=0 r-orange=0 r-warp=0 | - | fit | - | 0.01 | -
Lye not clear | weighedShare=1 sfWeighed=0.05 lyeClear=false days=2 emulsionHeld=true | k-whitehard=2 k-wetpocket=1 u-oily=0 | lye-grain=0.91/0.11/0.91 | test | T3,T5,T11,T14 | 0.92 | u-needles
Feared the scent, hardly blended | scent=true scentF=0.6 cups=3 colours=3 layers=3 emulsion=0.52 splitChance=0.4 leanest=0.005 thickFail=0.3 days=2 | p-oilfilm=1 c-thick=2 w-last=1 w-first=1 u-oily=1 | early-split=0.99/0.6/0.97 scent-fast=0.77/0.74/0.72 cup-thick=0.2/0.18/0.14 | test | T8,T14 | 1 | p-thick w-onecup k-torn
Old embed of another base | embeds=true embedDays=60 embedOther=true colours=2 cups=2 days=3 | k-embedgap=2 | embed-odd=0.99/0.84/0.99 | cosmetic | C1 | 0.07 | k-crumble u-crust t-pheno
Three at once: ring, brown rim, air | gelPart=0.6 gelNone=0.3 gelFull=0.1 scent=true vanillinG=0.6 tapped=false days=21 | k-ring=1 r-brownrim=1 k-air=2 | vanillin=0.99/0.97/0.99 partial-gel=0.9/0.6/0.9 air-in=0.75/0.23/0.72 | cosmetic | C1 | 0.07 | k-crumble p-oilfilm m-oilpool
`
