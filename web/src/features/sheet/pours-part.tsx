import { BLENDINGS, POUR_WAYS, planBCall, showLength, showMass, showMinutes } from '@ostler/core'
import type { Blending, Plan } from '@ostler/core'
import { useCupHex } from '../../plan/colour-view.ts'
import { Swatch } from '../../ui/swatch.tsx'
import { howMoved, howPoured, howSetIn, howWorked, untilWhen, whereTo } from '../../parts/how-done.ts'
import { CELL, NUMBER, Section, Tick } from './parts.tsx'
import type { Parts } from './parts.tsx'
import { Say } from '../../ui/say.tsx'
import { showShare, t, tidy } from '../../words/index.ts'

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
      t(
        'Before that hold a spoonful still for a minute: no streaks (else {leanest} to {richest} superfat from cup to cup).',
        { leanest: showShare(split.leanest), richest: showShare(split.richest) },
      ),
    quick.length > 0 &&
      t(
        '{quick} may set within a minute once it stands: plain cups first, stir as the scent goes in, pour at once, no textured top.',
        { quick: quick.join(', ') },
      ),
    stirs.length > 0 &&
      t('Stir as they wait: {stirs}.', {
        stirs: stirs
          .map(lane =>
            t('{cup} at {stirs}', { cup: nameOf(lane.cup), stirs: lane.stirs.map(min => showMinutes(min)).join(', ') }),
          )
          .join('; '),
      }),
  ].filter(Boolean)
  return lines.join(' ')
}

/** How long it is blended, in the maker's way. */
function blendWords(way: Blending, min: number): string {
  if (way === 'stick') return t('{min} s of stick time at full contact', { min: Math.round(min * 60) })
  if (way === 'bursts') return t('{min} of short bursts, a fifth of it with the blender on', { min: showMinutes(min) })
  return `${showMinutes(min)}, ${t(BLENDINGS[way])}`
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
      {t('{waitMin}{bursts}{plan}{step}{overSpatula}, from {dropMm}, between level {lo} and {hi}.{way}', {
        waitMin:
          pour.waitMin > 0.2 &&
          t('Wait about {waitMin}, until the layer below holds a drip. ', { waitMin: showMinutes(pour.waitMin) }),
        bursts:
          pour.bursts > 0 &&
          t('Thicken with {bursts} short {bursts, plural, one {burst} other {bursts}}. ', { bursts: pour.bursts }),
        plan: whereTo(plan, step, habits),
        step: howPoured(step),
        overSpatula: step.overSpatula ? t('Over a spatula') : t('Freely'),
        dropMm: showLength(step.dropMm, habits),
        lo: tidy(pour.window.lo, 1),
        hi: tidy(pour.window.hi, 1),
        way:
          step.shape.way === 'piped' &&
          t(' {shape} pieces of about {massG}; two bags, half full.', {
            shape: step.shape.count,
            massG: showMass(massG / step.shape.count, habits, 1),
          }),
      })}
      {plan.moves
        .filter(move => move.after === pour.pour && !move.off)
        .map(move => (
          <strong key={move.id}> {t('Then: {move}.', { move: howMoved(move) })}</strong>
        ))}
      {plan.finish.embeds
        .filter(embed => embed.after === pour.pour)
        .map(embed => (
          <strong key={embed.id}> {t('Set in: {embed}.', { embed: howSetIn(embed, habits) })} </strong>
        ))}
    </>
  )
}

/** The pours in order, with how each goes in and the tools after it. */
export function Pours({ plan, forecast, habits }: Parts) {
  const { lanes } = forecast
  const blend = lanes.tasks.find(task => task.kind === 'blend')
  return (
    <Section title={t('5 · Pours')}>
      <p className="mb-1.5">
        {plan.whipped
          ? t('Cream the fats, trickle the cold lye in, whip until it holds peaks (run sheet)')
          : t('{mode} {plan}, about {blend}', {
              mode: plan.division.mode === 'own-batters' ? t('Blend each batter right before its turn,') : t('Blend'),
              plan: untilWhen(plan),
              blend: blendWords(plan.hands.blend, (blend?.toMin ?? 0) - (blend?.fromMin ?? 0)),
            })}
        {plan.division.mode === 'one-pot' &&
          t('; split by about {splitMin}', { splitMin: showMinutes(lanes.splitMin) })}
        . <Cautions plan={plan} forecast={forecast} />
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
            <th className="font-normal">{t('layer')}</th>
            <th className="text-right font-normal">{t('weight')}</th>
            <th className="text-right font-normal">{t('to height')}</th>
            <th className="text-right font-normal">{t('minute')}</th>
            <th className="pl-4 font-normal max-[600px]:hidden">{t('before and how')}</th>
          </tr>
        </thead>
        <tbody>
          {lanes.pours.map((pour, i) => (
            <PourRows key={pour.pour} {...{ plan, forecast, habits, i }} />
          ))}
        </tbody>
      </table>
      <Toppings plan={plan} habits={habits} />
      <p className="mt-1 text-[13px]">
        {t(
          'Between pours: wipe the walls with a strip of paper, jiggle the mould once, each spatula on its own cup.{mode}{toppings} Afterwards: what sticks looks like icing and burns for a day or two.',
          {
            mode: plan.division.mode === 'own-batters' && t(' Between batters: wipe the blender before it is rinsed.'),
            toppings:
              plan.finish.toppings.length > 0 && t(' The top is ready when its gloss fades and a spoon’s mark holds.'),
          },
        )}
      </p>
      {plan.cutting.onSide && <p className="mt-1">{t('Cut the loaf on its side.')}</p>}
      <PlanB plan={plan} />
    </Section>
  )
}

/** A pour, and on a narrow page how it goes in below it. */
function PourRows({ plan, forecast, habits, i }: Parts & { i: number }) {
  const hexOf = useCupHex()
  const pour = forecast.lanes.pours[i]!
  const cup = plan.cups.find(one => one.id === pour.cup)
  const layer = forecast.portions.layers[i]!
  const how = <How {...{ plan, habits, pour }} step={plan.score[i]!} massG={layer.massG} />
  return (
    <>
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
        <td className={`${CELL} pl-4 text-[14px] max-[600px]:hidden print:text-[9.5pt] print:leading-tight`}>{how}</td>
      </tr>
      <tr className="hidden max-[600px]:table-row">
        <td />
        <td colSpan={4} className="pb-1.5 text-[14px]">
          {how}
        </td>
      </tr>
    </>
  )
}

function Toppings({ plan, habits }: Pick<Parts, 'plan' | 'habits'>) {
  const { toppings } = plan.finish
  if (toppings.length === 0) return null
  const each = toppings.map(one =>
    t('{one}, {massG}, {perBar} a bar', { one: one.name, massG: showMass(one.massG, habits), perBar: one.perBar }),
  )
  return <p className="mt-2">{t('On top: {toppings}.', { toppings: each.join('; ') })}</p>
}

/** What is done instead, and when, unless it is being done already. */
function PlanB({ plan }: { plan: Plan }) {
  const { planB } = plan
  if (!planB || planB.inUse) return null
  const cupName = (id: string) => plan.cups.find(cup => cup.id === id)?.name ?? t('the first pour')
  return (
    <p className="mt-2 border border-line p-2">
      <strong>{t('Plan B: {planB}.', { planB: planB.name })}</strong> <Say of={planBCall(plan)} />:{' '}
      {planB.score
        .map(pour => `${cupName(pour.cup)}${pour.shape.way === 'layer' ? '' : ` ${t(POUR_WAYS[pour.shape.way])}`}`)
        .join(t(', then '))}
      .
    </p>
  )
}
