import { divisionSheet, massNumber, partKey, showMass, showMassDown } from '@ostler/core'
import type { BatterShare, DivisionSheet, Forecast, LyeSolution, Plan } from '@ostler/core'
import { useBatch, useHabits } from '../plan/context.tsx'
import { FreeLyeLine } from './free-lye.tsx'
import { Say } from '../ui/say.tsx'
import { rich, showShare, t } from '../words/index.ts'

/** One column of the table: its head, and what a batter gets. `isLye` shows the last digit rounded down. */
interface Column {
  key: string
  head: string
  massG: (batter: BatterShare) => number
  stepG: number
  isLye?: boolean
  isQuiet?: boolean
}

function columnsOf(plan: Plan, sheet: DivisionSheet): Column[] {
  const { scaleStepG, fineScaleStepG } = plan.conditions
  const first = sheet.batters[0]
  if (!first) return []
  const melt: Column[] =
    sheet.meltG > 0
      ? [
          { key: 'melt', head: t('melt'), massG: batter => batter.meltG, stepG: scaleStepG },
          {
            ...{ key: 'left', head: t('pot then shows'), massG: batter => batter.meltLeftG, stepG: scaleStepG },
            isQuiet: true,
          },
        ]
      : []
  const oils = first.oils.flatMap((oil, i): Column[] =>
    oil.fromMelt
      ? []
      : [
          {
            key: `oil:${oil.oil}`,
            head: oil.late ? t('{oil}, at light trace', { oil: oil.name }) : oil.name,
            massG: batter => batter.oils[i]!.massG,
            stepG: scaleStepG,
          },
        ],
  )
  const parts = first.parts.map((part): Column => ({
    key: partKey(part),
    head: part.name,
    massG: batter => batter.parts.find(one => partKey(one) === partKey(part))?.massG ?? 0,
    stepG: fineScaleStepG,
  }))
  const lye: Column[] = sheet.solution
    ? [
        {
          ...{ key: 'solution', head: t('lye solution'), massG: batter => batter.solutionG, stepG: fineScaleStepG },
          isLye: true,
        },
      ]
    : [
        { key: 'lye', head: t('lye'), massG: batter => batter.own?.lyeG ?? 0, stepG: fineScaleStepG, isLye: true },
        { key: 'water', head: t('plain water'), massG: batter => batter.own?.waterG ?? 0, stepG: fineScaleStepG },
        ...(first.own?.parts ?? []).map((part): Column => ({
          key: `lye:${partKey(part)}`,
          head: t('{part}, in its lye water', { part: part.name }),
          massG: batter => batter.own?.parts.find(one => partKey(one) === partKey(part))?.massG ?? 0,
          stepG: fineScaleStepG,
        })),
      ]
  return [...melt, ...oils, ...parts, ...lye]
}

/** What each batter gets, with the running remainder of the melt. */
export function DividedSheet({ plan, forecast }: { plan: Plan; forecast: Forecast }) {
  const { shelf } = useBatch()
  const habits = useHabits()
  const sheet = divisionSheet(plan, shelf, forecast.portions)
  const { scaleStepG } = plan.conditions
  const columns = columnsOf(plan, sheet)
  const shown = (column: Column, batter: BatterShare) => {
    const g = column.massG(batter)
    return column.isLye ? showMassDown(g, habits, column.stepG).replace(/ .*/, '') : massNumber(g, habits, column.stepG)
  }
  return (
    <div className="mt-3 overflow-x-auto">
      <FreeLyeLine freeLye={forecast.freeLye} className="mb-2" />
      {sheet.meltG > 0 && (
        <p className="mb-1">
          {rich('Melt together: {meltG}, of it {meltClingG} for what clings. Stir clear before each draw.', {
            meltG: <strong>{showMass(sheet.meltG, habits, scaleStepG)}</strong>,
            meltClingG: showMass(sheet.meltClingG, habits, scaleStepG),
          })}
        </p>
      )}
      {sheet.solution && <SolutionLine plan={plan} solution={sheet.solution} clingG={sheet.solutionClingG} />}
      <table className="w-full">
        <thead>
          <tr className="border-b border-ink text-[13px] text-soft">
            <th className="text-left font-normal">{t('batter ({mass})', { mass: habits.mass })}</th>
            {columns.map(column => (
              <th key={column.key} className="px-1 text-right align-bottom font-normal">
                {column.head}
              </th>
            ))}
            <th className="px-1 text-right align-bottom font-normal">{t('superfat')}</th>
          </tr>
        </thead>
        <tbody>
          {sheet.batters.map(batter => (
            <tr key={batter.cup} className="border-b border-line">
              <th className="py-1 text-left">
                <Say of={batter.name} />{' '}
                <span className="font-normal text-soft">
                  {massNumber(batter.batterG + batter.blankG, habits, scaleStepG)}
                </span>
                {batter.blankG > 0 && (
                  <span className="block text-[13px] font-normal text-soft">
                    {t('with {blankG} plain, drawn before scent and colour', {
                      blankG: showMass(batter.blankG, habits, scaleStepG),
                    })}
                  </span>
                )}
              </th>
              {columns.map(column => (
                <td
                  key={column.key}
                  className={`px-1 py-1 text-right ${column.isQuiet ? 'text-soft' : ''} ${column.isLye ? 'font-semibold' : ''}`}
                >
                  {shown(column, batter)}
                </td>
              ))}
              <td className="px-1 py-1 text-right text-soft">{showShare(batter.superfatShare)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 text-[13px] text-soft">
        {t('Liquid oils are weighed apart, since a standing blend can settle.{solution}', {
          solution: !sheet.solution && t(' “Plain water” is water alone: milk and the like have their own column.'),
        })}
      </p>
    </div>
  )
}

/** What the one solution is made of, so that it can be made from this sheet. */
function SolutionLine({ plan, solution, clingG }: { plan: Plan; solution: LyeSolution; clingG: number }) {
  const habits = useHabits()
  const { scaleStepG, fineScaleStepG } = plan.conditions
  const parts = [
    t('{waterG} water', { waterG: showMass(solution.waterG, habits, scaleStepG) }),
    ...solution.parts.map(part => `${showMass(part.massG, habits, part.stepG)} ${part.name}`),
    t('{lyeG} lye', { lyeG: showMassDown(solution.lyeG, habits, fineScaleStepG) }),
  ]
  return (
    <p className="mb-1">
      {rich(
        'One lye solution: {parts} = {totalG}, of it {clingG} for what clings. Stir it clear, let it cool, put back the water that steamed away, and stir again before each draw.',
        {
          parts: parts.join(' + '),
          totalG: <strong>{showMass(solution.totalG, habits, fineScaleStepG)}</strong>,
          clingG: showMass(clingG, habits, fineScaleStepG),
        },
      )}
    </p>
  )
}
