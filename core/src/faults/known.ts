/** What only the maker knows, asked in plain words: yes, no, or not said. */
export const KNOWN_FACTS = {
  foreign: {
    ask: 'The recipe came from elsewhere and was not reckoned anew',
    yes: 'from elsewhere',
    no: 'reckoned here',
  },
  lyeOld: { ask: 'The lye was past its date, clumped or crusted', yes: 'old lye', no: 'fresh lye' },
  uncountedAcid: { ask: 'Acid, juice or vinegar went in that the plan does not have', yes: 'acid went in', no: 'none' },
  emulsionHeld: {
    ask: 'The emulsion held for 15 seconds before it was divided or poured',
    yes: 'it held',
    no: 'it broke',
  },
  lyeClear: { ask: 'The lye was clear before it went in', yes: 'clear', no: 'not clear' },
  scentMissed: { ask: 'The scent was forgotten', yes: 'forgotten', no: 'it went in' },
  milkFrozen: { ask: 'The milk was frozen when the lye went in', yes: 'frozen', no: 'not frozen' },
  tapped: { ask: 'The mould was tapped', yes: 'tapped', no: 'not tapped' },
  level: { ask: 'The mould stood level', yes: 'stood level', no: 'not level' },
  wiped: { ask: 'The blade was wiped at each cut', yes: 'wiped', no: 'not wiped' },
  wire: { ask: 'It was cut with a wire', yes: 'a wire', no: 'a knife' },
  damp: { ask: 'The air at the rack is damp, above 65 %', yes: 'damp', no: 'dry' },
  turned: { ask: 'Bars are turned every week', yes: 'turned', no: 'not turned' },
  badMetal: { ask: 'Aluminium, iron, copper or brass touched lye or batter', yes: 'it did', no: 'it did not' },
  rewarmed: { ask: 'It was warmed again and blended until it held', yes: 'it was', no: 'it was not' },
  cookedOut: { ask: 'It was cooked through until even', yes: 'cooked through', no: 'not cooked' },
  lyeTwice: { ask: 'Lye was added again without knowing what was wrong', yes: 'it was', no: 'it was not' },
  stingElsewhere: { ask: 'The stinging has another reason that is known', yes: 'it has', no: 'it has not' },
  foreignMatter: {
    ask: 'Mould, metal, glass or something else that does not belong in soap is in it',
    yes: 'it is',
    no: 'it is not',
  },
  testsNormal: {
    ask: 'Tested properly, all of it normal: three meter readings from day 28 on, none above 10.5; five drops of indicator on fresh cuts, none deep pink; no hollow with liquid',
    yes: 'all normal',
    no: 'not so, or not done',
  },
} as const
export type KnownFact = keyof typeof KNOWN_FACTS
export const isKnownFact = (id: string): id is KnownFact => Object.hasOwn(KNOWN_FACTS, id)
