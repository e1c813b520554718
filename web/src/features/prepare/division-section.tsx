import { compareWays, isHard, plainOil, showMass, topSheet, at } from '@ostler/core'
import type { Division, Forecast, Oil, OilPart, Plan } from '@ostler/core'
import { useBatch, useHabits } from '../../plan/context.tsx'
import { AddChoice } from '../../ui/add-choice.tsx'
import { Check } from '../../ui/check.tsx'
import { Choice } from '../../ui/choice.tsx'
import { DividedSheet } from '../../parts/divided-sheet.tsx'
import { PlanField, useTold } from '../../parts/plan-field.tsx'
import { Section } from '../../ui/section.tsx'
import { oilOptions } from '../../ui/add-options.ts'
import { Term } from '../../ui/term.tsx'
import { Say, useSay } from '../../ui/say.tsx'
import { rich, showShare, t } from '../../words/index.ts'

const MODES = {
  'one-pot': t('One pot, split into cups'),
  'own-batters': t('A batter of its own for each cup'),
} as const

/** One pot or own batters: compared, chosen, and divided by weight. */
export function DivisionSection({ plan, forecast }: { plan: Plan; forecast: Forecast }) {
  const batch = useBatch()
  const told = useTold()
  const { division } = plan
  const set = (key: keyof Division, value: unknown) =>
    told(batch.edit({ kind: 'set', path: at(plan => plan.division[key]), value }))
  return (
    <Section title={t('One pot or several')} aside={<Term at="own-batter">{t('own batters')}</Term>}>
      <div className="grid grid-cols-2 gap-4 max-[600px]:grid-cols-1">
        {compareWays(plan, forecast.portions).map(way => (
          <label
            key={way.mode}
            className={`block cursor-pointer border p-3 ${way.mode === division.mode ? 'border-2 border-ink bg-chosen' : 'border-line'}`}
          >
            <span className="flex items-center gap-2 font-semibold">
              <input
                type="radio"
                name="division"
                className="size-4.5"
                checked={way.mode === division.mode}
                onChange={() => set('mode', way.mode)}
              />
              {MODES[way.mode]}
            </span>
            <span className="mt-1 block text-lg font-semibold">
              {t('about {minutes} min, {dishes} dishes', { minutes: Math.round(way.minutes), dishes: way.dishes })}
            </span>
            <span className="block text-[13px] text-soft">
              <Say of={way.level} /> <Say of={way.pressure} />
            </span>
          </label>
        ))}
      </div>
      {division.mode === 'own-batters' && (
        <>
          <div className="mt-3 flex flex-wrap gap-4">
            <Choice
              label={t('Hard fats')}
              value={division.melt}
              options={[
                { value: 'common', text: t('one clear melt, divided') },
                { value: 'each', text: t('weighed for each') },
              ]}
              onValue={value => set('melt', value)}
            />
            <Choice
              label={t('Lye')}
              value={division.lye}
              options={[
                { value: 'divided', text: t('one solution, divided') },
                { value: 'separate', text: t('a solution for each') },
              ]}
              onValue={value => set('lye', value)}
            />
          </div>
          <DividedSheet plan={plan} forecast={forecast} />
        </>
      )}
      <TopFields plan={plan} />
      <p className="mt-2 text-[13px] text-soft">
        {t(
          'Minutes are estimates of hands, washing up included. The lanes on the Score page follow the way chosen here.',
        )}
      </p>
    </Section>
  )
}

/** Three quarters of hard fats, the usual ones where the shelf has them, and olive oil. */
function usualTop(oils: readonly Oil[]): OilPart[] {
  const hard = oils.filter(oil => !oil.archived && isHard(oil) && oil.solidWax < 0.5 && oil.freeAcidShare < 0.5)
  const ids = ['palm', 'coconut', 'shea'].filter(id => hard.some(oil => oil.id === id))
  const fats = ids.length > 0 ? ids : hard.slice(0, 2).map(oil => oil.id)
  return [...fats.map(id => plainOil(id, Number((0.75 / fats.length).toFixed(4)))), plainOil('olive', 0.25)]
}

/** A small batter of its own for a whipped or piped top. */
function TopFields({ plan }: { plan: Plan }) {
  const batch = useBatch()
  const told = useTold()
  const say = useSay()
  const habits = useHabits()
  const { top } = plan.division
  const set = (value: unknown) => told(batch.edit({ kind: 'set', path: at(plan => plan.division.top), value }))
  const start = () => set({ massG: 200, oils: usualTop(batch.shelf.oils) })
  const sheet = topSheet(plan, batch.shelf)
  const unused = batch.shelf.oils.filter(oil => !oil.archived && !top?.oils.some(part => part.oil === oil.id))
  return (
    <div className="mt-3">
      <Check
        label={t('a whipped or piped top from a batter of its own')}
        checked={top !== null}
        onChange={on => (on ? start() : set(null))}
      />
      {top && sheet && (
        <div className="mt-2 border-l-2 border-line pl-4">
          <PlanField
            label={t('Batter for the top')}
            kind="mass"
            width={80}
            path={at(plan => plan.division.top!.massG)}
          />
          <table className="mt-2 w-full max-w-120">
            <tbody>
              {top.oils.map((part: OilPart, i) => (
                <tr key={part.oil} className="border-b border-line">
                  <td className="py-1">{batch.shelf.oils.find(oil => oil.id === part.oil)?.name ?? part.oil}</td>
                  <td>
                    <PlanField
                      bare
                      label={t('Share of {oil} in the top', { oil: part.oil })}
                      kind="share"
                      width={64}
                      path={at(plan => plan.division.top!.oils[i]!.share)}
                    />
                  </td>
                  <td className="text-right font-semibold">
                    {showMass(sheet.oils.find(one => one.oil === part.oil)?.massG ?? 0, habits, 1)}
                  </td>
                </tr>
              ))}
              <tr>
                <td className="py-1">
                  <AddChoice
                    what={t('an oil to the top')}
                    options={oilOptions(unused, habits)}
                    onAdd={id => set({ ...top, oils: [...top.oils, plainOil(id, 0.1)] })}
                  />
                </td>
                <td colSpan={2} className="text-right">
                  {rich('lye {lyeG}, water {waterG}', {
                    lyeG: <strong>{showMass(sheet.lyeG, habits)}</strong>,
                    waterG: <strong>{showMass(sheet.waterG, habits, 1)}</strong>,
                  })}
                </td>
              </tr>
            </tbody>
          </table>
          <p className="mt-1 text-[13px] text-soft">
            {t('{sentence} Superfat {superfatShare}. A bowl of {bowlMl} ml. Gear on again for this lye.', {
              sentence: say(sheet.sentence),
              superfatShare: showShare(sheet.superfatShare),
              bowlMl: Math.round(sheet.bowlMl),
            })}
          </p>
        </div>
      )}
    </div>
  )
}
