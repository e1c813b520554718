import { advice } from './advice.ts'
import { bench } from './bench.ts'
import { checks } from './checks.ts'
import { colour } from './colour.ts'
import { compare } from './compare.ts'
import { cups } from './cups.ts'
import { cure } from './cure.ts'
import { design } from './design.ts'
import { fields } from './fields.ts'
import { forecast } from './forecast.ts'
import { heat } from './heat.ts'
import { kept } from './kept.ts'
import { labels } from './labels.ts'
import { level } from './level.ts'
import { plan } from './plan.ts'
import { portions } from './portions.ts'
import { preparation } from './preparation.ts'
import { recipe } from './recipe.ts'
import { record } from './record.ts'
import { rest } from './rest.ts'
import { schedule } from './schedule.ts'
import { search } from './search.ts'
import { shelf } from './shelf.ts'
import { swirl } from './swirl.ts'
import { weighing } from './weighing.ts'
import { wire } from './wire.ts'
import { units } from './units.ts'

/** Every message in English, by its id: the room that says it, and what it says. */
export const EN: Readonly<Record<string, string>> = {
  ...advice,
  ...bench,
  ...checks,
  ...colour,
  ...compare,
  ...cups,
  ...cure,
  ...design,
  ...fields,
  ...forecast,
  ...heat,
  ...kept,
  ...labels,
  ...level,
  ...plan,
  ...portions,
  ...preparation,
  ...recipe,
  ...record,
  ...rest,
  ...schedule,
  ...search,
  ...shelf,
  ...swirl,
  ...weighing,
  ...wire,
  ...units,
}
