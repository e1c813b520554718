import { Recipe } from '../recipe/index.ts'
import { OwnTime, OwnWindow } from '../shelf/index.ts'
import { Choice, Like, Part, Parts, Text, Texts, Uuid, Whole, YesNo } from '../document/fields/index.ts'
import { TagRule } from '../shelf/index.ts'
import type { UnitHabits } from '../quantities/units/index.ts'

/** Shapes that cross HTTP. Forms check with the same classes as the server. */

const SIGN_IN_NAME = 'A sign-in name has 3 to 40 small letters, digits, dots or dashes.'

const CODE = 'A code has six digits.'

export class SignInForm {
  @Text(1, 40, 'Type your sign-in name.')
  signInName!: string

  @Text(1, 200, 'Type your password.')
  password!: string

  @Like(/^(?:[0-9]{6})?$/, CODE, { optional: true, says: 'Of the second step, where one is set.' })
  code?: string
}

/** What a member may do: everything, all but members, or look. */
export const MEMBER_ROLES = { owner: 'owner', maker: 'maker', looker: 'looker' } as const
export type Role = keyof typeof MEMBER_ROLES

const ROLE = 'A member is an owner, a maker or a looker.'
const PASSWORD = 'A password has at least 10 letters; a short sentence is easy to keep.'

export class InvitationForm {
  @Choice(Object.keys(MEMBER_ROLES), ROLE)
  role!: Role
}

export class RoleForm {
  @Choice(Object.keys(MEMBER_ROLES), ROLE)
  role!: Role
}

/** Coming in by an invitation. */
export class JoinForm {
  @Text(1, 80, 'How shall we call you? 1 to 80 letters.')
  memberName!: string

  @Like(/^[a-z0-9][a-z0-9.-]{2,39}$/, SIGN_IN_NAME)
  signInName!: string

  @Text(10, 200, PASSWORD)
  password!: string
}

/** A new password by a way in that works once. */
export class NewPasswordForm {
  @Text(10, 200, PASSWORD)
  password!: string
}

export class PasswordForm {
  @Text(1, 200, 'Type the password that you have now.')
  old!: string

  @Text(10, 200, PASSWORD)
  password!: string
}

/** What cannot be undone asks for the password once more. */
export class ProvedForm {
  @Text(1, 200, 'Type your password.')
  password!: string
}

/** What a link to a batch shows. */
export const SHARED_WHATS = {
  design: 'the design: what it looks like',
  sheet: 'the pour sheet: how it is made',
  record: 'the record: how it went and what came of it',
} as const
export type SharedWhat = keyof typeof SHARED_WHATS

export class ShareForm {
  @Choice(Object.keys(SHARED_WHATS), 'A link shows the design, the pour sheet or the record.')
  what!: SharedWhat

  @YesNo('Whether scents are shown is yes or no.')
  withScents!: boolean

  @YesNo('Whether notes are shown is yes or no.', { optional: true })
  withNotes?: boolean
}

/** A window that has a batch open, or has left it. */
export class HereForm {
  @Uuid('A window has an id of its own.')
  window!: string

  @YesNo('Whether it was left is yes or no.')
  isLeft!: boolean
}

/** A name for a version of a batch; empty: none. */
export class VersionNameForm {
  @Text(0, 80, 'A version’s name has at most 80 letters.')
  name!: string
}

export class CodeForm {
  @Like(/^[0-9]{6}$/, CODE)
  code!: string
}

export class SetUpForm {
  @Text(1, 80, 'Give the workshop a name of 1 to 80 letters.')
  workshopName!: string

  @Text(1, 80, 'How shall we call you? 1 to 80 letters.')
  memberName!: string

  @Like(/^[a-z0-9][a-z0-9.-]{2,39}$/, SIGN_IN_NAME)
  signInName!: string

  @Text(10, 200, PASSWORD)
  password!: string

  @Text(0, 80, 'The set-up code stands in the terminal where Ostler was started.', { optional: true })
  setUpCode?: string
}

export class HabitsForm implements UnitHabits {
  @Choice(['g', 'oz'], 'Weights are shown in g or oz.')
  mass!: UnitHabits['mass']

  @Choice(['C', 'F'], 'Temperatures are shown in °C or °F.')
  temperature!: UnitHabits['temperature']

  @Choice(['mm', 'in'], 'Lengths are shown in mm or in.')
  length!: UnitHabits['length']
}

/** A new version of a saved recipe, or the first one of a new recipe. */
export class RecipeForm {
  @Text(1, 80, 'A saved recipe has a name of 1 to 80 letters.')
  name!: string

  @Text(0, 300, 'A reason has at most 300 letters.')
  reason!: string

  @Part(() => Recipe, 'The recipe is missing.')
  recipe!: Recipe

  @Whole(1, 100_000, 'A version is a whole number.', {
    says: 'The version it was made from; absent for a new recipe.',
    optional: true,
  })
  from?: number
}

export class RulesForm {
  @Parts(() => TagRule, 0, 40, 'A workshop has at most 40 rules.')
  rules!: TagRule[]
}

export class WindowsForm {
  @Parts(() => OwnWindow, 0, 40, 'A workshop shifts at most 40 windows.')
  windows!: OwnWindow[]
}

export class TimesForm {
  @Parts(() => OwnTime, 0, 40, 'A workshop keeps at most 40 times of its own.')
  times!: OwnTime[]
}

/** What batches are listed by. */
export const BATCH_SORTS = { changed: 'last changed', poured: 'last poured', name: 'name' } as const
export type BatchSort = keyof typeof BATCH_SORTS

/** What a workshop sorts its batches by. */
export class TagsForm {
  @Texts(30, 12, 'A batch has at most 12 tags, each of 1 to 30 letters.')
  tags!: string[]
}

/** Whether what was seen in a batch counts. */
export class CountsForm {
  @YesNo('Counts is true or false.')
  counts!: boolean
}
