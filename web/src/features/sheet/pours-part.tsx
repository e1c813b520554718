import { BLENDINGS, POUR_WAYS, planBCall, showLength, showMass, showMinutes, showShare, tidy } from '@ostler/core'
import type { Blending, Plan } from '@ostler/core'
import { Fragment } from 'react'
import { useCupHex } from '../../plan/colour-view.ts'
import { Swatch } from '../../ui/swatch.tsx'
import { howMoved, howPoured, howSetIn, howWorked, untilWhen, whereTo } from '../../parts/how-done.ts'
import { CELL, NUMBER, Section, Tick } from './parts.tsx'
import type { Parts } from './parts.tsx'
import { Say } from '../../ui/say.tsx'

/** From so quick a scent on, ln of its factor, a cup sets within a minute once it stands. */
const SETS_AT_REST = 0.8

/** A spread of superfat between cups from which it is worth a word. */
const SPREADS = 0.012

/** What to look out for before and between the pours. */
function Cautions({ plan, forecast }: Pick<Parts, 'plan' | 'forecast'>) {
  const { split, lanes } = forecast.lanes
  const nameOf = (id: string) => plan.cups.find(cup => cup.id === id)?.name ?? id
  const stirs = lanes.filter(lane => lane.stirs.length > 0)
  const quick = forecast.lanes.quickCups.filter(cup => cup.lnRate >= SETS_AT_REST).map(cup => nameOf(cup.cup))
  const lines = [
    split.leanest < plan.recipe.superfatShare - SPREADS &&
      `Before that hold a spoonful still for a minute: no streaks (else ${showShare(split.leanest)} to ${showShare(split.richest)} superfat from cup to cup).`,
    quick.length > 0 &&
      `${quick.join(', ')} may set within a minute once it stands: plain cups first, stir as the scent goes in, pour at once, no textured top.`,
    stirs.length > 0 &&
      `Stir as they wait: ${stirs.map(lane => `${nameOf(lane.cup)} at ${lane.stirs.map(min => showMinutes(min)).join(', ')}`).join('; ')}.`,
  ].filter(Boolean)
  return lines.join(' ')
}

/** How long it is blended, in the maker's way. */
function blendWords(way: Blending, min: number): string {
  if (way === 'stick') return `${Math.round(min * 60)} s of stick time at full contact`
  if (way === 'bursts') return `${showMinutes(min)} of short bursts, a fifth of it with the blender on`
  return `${showMinutes(min)}, ${BLENDINGS[way]}`
}

interface HowProps extends Pick<Parts, 'plan' | 'habits'> {
  pour: Parts['forecast']['lanes']['pours'][number]
  step: Plan['score'][number]
  massG: number
}

/** What comes before a pour, how it goes in, and what is done after it. */
function How({ plan, habits, pour, step, massG }: HowProps) {
  return (
    <>
      {pour.waitMin > 0.2 && `Wait about ${showMinutes(pour.waitMin)}, until the layer below holds a drip. `}
      {pour.bursts > 0 && `Thicken with ${pour.bursts} short ${pour.bursts === 1 ? 'burst' : 'bursts'}. `}
      {whereTo(plan, step, habits)}
      {howPoured(step)}
      {step.overSpatula ? 'Over a spatula' : 'Freely'}, from {showLength(step.dropMm, habits)}, between level{' '}
      {tidy(pour.window.lo, 1)} and {tidy(pour.window.hi, 1)}.
      {step.shape.way === 'piped' &&
        ` ${step.shape.count} pieces of about ${showMass(massG / step.shape.count, habits, 1)}; two bags, half full.`}
      {plan.moves
        .filter(move => move.after === pour.pour && !move.off)
        .map(move => (
          <strong key={move.id}> Then: {howMoved(move)}.</strong>
        ))}
      {plan.finish.embeds
        .filter(embed => embed.after === pour.pour)
        .map(embed => (
          <strong key={embed.id}> Set in: {howSetIn(embed, habits)}. </strong>
        ))}
    </>
  )
}

/** The pours in order, with how each goes in and the tools after it. */
export function Pours({ plan, forecast, habits }: Parts) {
  const { lanes, portions } = forecast
  const hexOf = useCupHex()
  const cupName = (id: string) => plan.cups.find(cup => cup.id === id)?.name ?? 'the first pour'
  const blend = lanes.tasks.find(task => task.kind === 'blend')
  return (
    <Section title="5 · Pours">
      <p className="mb-1.5">
        {plan.whipped
          ? 'Cream the fats, trickle the cold lye in, whip until it holds peaks (run sheet)'
          : `${plan.division.mode === 'own-batters' ? 'Blend each batter right before its turn,' : 'Blend'} ${untilWhen(plan)}, about ${blendWords(plan.hands.blend, (blend?.toMin ?? 0) - (blend?.fromMin ?? 0))}`}
        {plan.division.mode === 'one-pot' && `; split by about ${showMinutes(lanes.splitMin)}`}.{' '}
        <Cautions plan={plan} forecast={forecast} />
      </p>
      <ul>
        {howWorked(plan).map(line => (
          <li key={line} className="font-semibold">
            {line}
          </li>
        ))}
      </ul>
      <table className="w-full">
        <thead>
          <tr className="text-left text-[13px] text-soft">
            <th />
            <th className="font-normal">layer</th>
            <th className="text-right font-normal">weight</th>
            <th className="text-right font-normal">to height</th>
            <th className="text-right font-normal">minute</th>
            <th className="pl-4 font-normal max-[600px]:hidden">before and how</th>
          </tr>
        </thead>
        <tbody>
          {lanes.pours.map((pour, i) => {
            const cup = plan.cups.find(one => one.id === pour.cup)
            const layer = portions.layers[i]!
            const step = plan.score[i]!
            const how = <How {...{ plan, habits, pour, step }} massG={layer.massG} />
            return (
              <Fragment key={pour.pour}>
                <tr className="border-t border-line">
                  <td className="w-6">
                    <Tick />
                  </td>
                  <td className={CELL}>
                    <span className="flex items-center gap-2">
                      {i + 1} <Swatch hex={hexOf(pour.cup)} /> <strong>{cup?.name}</strong>
                    </span>
                  </td>
                  <td className={NUMBER}>{showMass(layer.massG, habits, 1)}</td>
                  <td className={NUMBER}>{showLength(layer.toMm, habits)}</td>
                  <td className={NUMBER}>{showMinutes(pour.startMin)}</td>
                  <td className={`${CELL} pl-4 text-[14px] max-[600px]:hidden print:text-[9.5pt] print:leading-tight`}>
                    {how}
                  </td>
                </tr>
                <tr className="hidden max-[600px]:table-row">
                  <td />
                  <td colSpan={4} className="pb-1.5 text-[14px]">
                    {how}
                  </td>
                </tr>
              </Fragment>
            )
          })}
        </tbody>
      </table>
      {plan.finish.toppings.length > 0 && (
        <p className="mt-2">
          On top:{' '}
          {plan.finish.toppings
            .map(one => `${one.name}, ${showMass(one.massG, habits)}, ${one.perBar} a bar`)
            .join('; ')}
          .
        </p>
      )}
      <p className="mt-1 text-[13px]">
        Between pours: wipe the walls with a strip of paper, jiggle the mould once, each spatula on its own cup.
        {plan.division.mode === 'own-batters' && ' Between batters: wipe the blender before it is rinsed.'}
        {plan.finish.toppings.length > 0 && ' The top is ready when its gloss fades and a spoon’s mark holds.'}{' '}
        Afterwards: what sticks looks like icing and burns for a day or two.
      </p>
      {plan.cutting.onSide && <p className="mt-1">Cut the loaf on its side.</p>}
      {plan.planB && !plan.planB.inUse && (
        <p className="mt-2 border border-line p-2">
          <strong>Plan B: {plan.planB.name}.</strong> <Say of={planBCall(plan)} />:{' '}
          {plan.planB.score
            .map(pour => `${cupName(pour.cup)}${pour.shape.way === 'layer' ? '' : ` ${POUR_WAYS[pour.shape.way]}`}`)
            .join(', then ')}
          .
        </p>
      )}
    </Section>
  )
}
