export {
  CountsForm,
  HabitsForm,
  RecipeForm,
  RulesForm,
  SetUpForm,
  SignInForm,
  TimesForm,
  WindowsForm,
} from './forms.ts'
export type {
  BatchAnswer,
  BatchSaved,
  BatchList,
  BatchSummary,
  ErrorAnswer,
  EventsKept,
  DesignAnswer,
  RecipeAnswer,
  RecipeVersionAnswer,
  NotedAnswer,
  RunAnswer,
  RunEvents,
  RunSummary,
  SessionAnswer,
  ShelfAnswer,
  StoredItem,
} from './answers.ts'
export { readShelf } from './read-shelf.ts'
