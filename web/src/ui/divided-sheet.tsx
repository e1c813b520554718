import { divisionSheet, massNumber, showMass, showShare } from '@ostler/core'
import type { Forecast, Plan } from '@ostler/core'
import { useBatch, useHabits } from '../plan/context.tsx'

/** What each batter gets, with the running remainder of the melt. */
export function DividedSheet({ plan, forecast }: { plan: Plan; forecast: Forecast }) {
  const { shelf } = useBatch()
  const habits = useHabits()
  const sheet = divisionSheet(plan, shelf, forecast.portions)
  const { scaleStepG, fineScaleStepG } = plan.conditions
  const isCommon = plan.division.melt === 'common' && sheet.meltG > 0
  const n = (g: number, stepG = scaleStepG) => massNumber(g, habits, stepG)
  const liquids = sheet.batters[0]?.liquid ?? []
  const hard = sheet.batters[0]?.hard ?? []
  const head = 'px-1 text-right font-normal'
  const cell = 'px-1 py-1 text-right'
  return (
    <div className="mt-3 overflow-x-auto">
      {isCommon && (
        <p className="mb-1">
          Melt together: <strong>{showMass(sheet.meltG, habits, scaleStepG)}</strong>, of it{' '}
          {showMass(sheet.meltClingG, habits, scaleStepG)} for what clings. Stir clear before each draw.
        </p>
      )}
      <table className="w-full">
        <thead>
          <tr className="border-b border-ink text-[13px] text-soft">
            <th className="text-left font-normal">batter ({habits.mass})</th>
            {isCommon ? (
              <>
                <th className={head}>melt</th>
                <th className={head}>pot then shows</th>
              </>
            ) : (
              hard.map(one => (
                <th key={one.oil} className={head}>
                  {one.name}
                </th>
              ))
            )}
            {liquids.map(one => (
              <th key={one.oil} className={head}>
                {one.name}
              </th>
            ))}
            {plan.division.lye === 'divided' ? (
              <th className={head}>lye solution</th>
            ) : (
              <>
                <th className={head}>lye</th>
                <th className={head}>water</th>
              </>
            )}
            <th className={head}>superfat</th>
          </tr>
        </thead>
        <tbody>
          {sheet.batters.map(batter => (
            <tr key={batter.cup} className="border-b border-line">
              <th className="py-1 text-left">
                {batter.name} <span className="font-normal text-soft">{n(batter.batterG)}</span>
              </th>
              {isCommon ? (
                <>
                  <td className={`${cell} font-semibold`}>{n(batter.meltG)}</td>
                  <td className={`${cell} text-soft`}>{n(batter.meltLeftG)}</td>
                </>
              ) : (
                batter.hard.map(one => (
                  <td key={one.oil} className={cell}>
                    {n(one.massG)}
                  </td>
                ))
              )}
              {batter.liquid.map(one => (
                <td key={one.oil} className={cell}>
                  {n(one.massG)}
                </td>
              ))}
              {plan.division.lye === 'divided' ? (
                <td className={`${cell} font-semibold`}>{n(batter.solutionG, fineScaleStepG)}</td>
              ) : (
                <>
                  <td className={`${cell} font-semibold`}>{n(batter.lyeG, fineScaleStepG)}</td>
                  <td className={cell}>{n(batter.waterG)}</td>
                </>
              )}
              <td className={`${cell} text-soft`}>{showShare(batter.superfatShare)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {plan.division.lye === 'divided' && (
        <p className="mt-1 text-[13px] text-soft">
          One solution of {showMass(sheet.solutionG, habits, fineScaleStepG)}, stirred and clear; liquid oils are
          weighed apart, since a standing blend can settle.
        </p>
      )}
    </div>
  )
}
