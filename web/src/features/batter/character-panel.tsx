import { FAT_GROUPS, fact, showTemperature, together } from '@ostler/core'
import type { FatGroupKey, Forecast, Words } from '@ostler/core'
import type { ReactNode } from 'react'
import { useForecast, useHabits } from '../../plan/context.tsx'
import { Section } from '../../ui/section.tsx'
import { Term } from '../../ui/term.tsx'
import { OpenedNumber as Opened } from '../../ui/working-number.tsx'
import { Say, useSay } from '../../ui/say.tsx'
import { fixed, showShare, t } from '../../words/index.ts'

const FIT_TEXTS = { suits: t('suits'), 'with care': t('with care'), hardly: t('hardly') } as const
const FIT_SIGN = { suits: '●', 'with care': '◐', hardly: '○' } as const

/** Each group its own hatching: what is no soap has no colour. */
const FILLS: Readonly<Record<FatGroupKey, string>> = {
  quick: 'radial-gradient(circle, var(--ink) 1.2px, transparent 1.4px) 0 0 / 6px 6px',
  hard: 'var(--ink)',
  mild: 'var(--chosen)',
  holds: 'repeating-linear-gradient(90deg, var(--ink) 0 1px, transparent 1px 4px)',
  soft: 'repeating-linear-gradient(135deg, var(--ink) 0 1px, transparent 1px 6px)',
}

type Recipe = Forecast['recipe']

/** All of the fatty acids, each group as wide as its share. */
function AcidStrip({ groups }: { groups: Recipe['character']['groups'] }) {
  const told = groups.map(group => `${t(FAT_GROUPS[group.key].name)} ${showShare(group.share, 0)}`).join(', ')
  return (
    <div
      role="img"
      aria-label={t('Fatty acids: {told}', { told })}
      className="flex h-9 w-full border border-edge bg-paper"
    >
      {groups.map(group => (
        <span
          key={group.key}
          className="border-r border-edge last:border-r-0"
          style={{ width: `${group.share * 100}%`, background: FILLS[group.key] }}
        />
      ))}
    </div>
  )
}

/** What can be poured of this batter, and why. */
function Techniques({ techniques }: Pick<Recipe, 'techniques'>) {
  const say = useSay()
  return (
    <ul aria-label={t('Techniques')} className="mt-2 flex flex-col gap-1">
      {techniques.map(one => (
        <li key={say(one.technique)}>
          <span aria-hidden>{FIT_SIGN[one.fit]} </span>
          <strong>
            <Say of={one.technique} />
          </strong>
          : {FIT_TEXTS[one.fit]}.{' '}
          <span className="text-[13px] text-soft">
            <Say of={one.reason} />.
          </span>
        </li>
      ))}
    </ul>
  )
}

/** The recipe's fatty acids as one strip, and what that makes of batter and bar. */
export function CharacterPanel() {
  const forecast = useForecast()
  const habits = useHabits()
  if (!forecast) return null
  const { character, techniques, pace, clearPointC, sentence } = forecast.recipe
  const groups = character.groups.filter(group => group.share >= 0.005)
  return (
    <Section title={t('What it is made of, and what that does')}>
      <AcidStrip groups={groups} />
      <ul aria-label={t('Fatty acids by what they do')} className="mt-2 flex flex-col gap-1">
        {groups.map(group => (
          <li key={group.key} className="flex items-baseline gap-2">
            <span
              aria-hidden
              className="size-4 shrink-0 self-center border border-edge"
              style={{ background: FILLS[group.key] }}
            />
            <span className="flex-1">
              <strong>{t(FAT_GROUPS[group.key].name)}</strong>{' '}
              <span className="text-[13px] text-soft">
                {group.from
                  .slice(0, 2)
                  .map(part => part.name)
                  .join(', ')}
              </span>
            </span>
            <Opened
              text={showShare(group.share, 0)}
              name={t(FAT_GROUPS[group.key].name)}
              working={forecast.workings[group.key]}
            />
          </li>
        ))}
      </ul>
      <p className="mt-3">
        <Say of={sentence} />
      </p>
      <Techniques techniques={techniques} />
      <dl className="mt-3 grid grid-cols-[auto_1fr_auto] gap-x-4 gap-y-1">
        <Row
          name={<Term at="hard-oil">{t('hard oils')}</Term>}
          word={t('{hardShare} liquid', { hardShare: showShare(1 - character.hardShare, 0) })}
          number={showShare(character.hardShare, 0)}
        />
        <Row
          name={<Term at="heat-load">{t('heat in the mould')}</Term>}
          word={
            character.heatFrom.length > 0
              ? together([fact(character.heatLoad), together(character.heatFrom, '; ')], ': ')
              : fact(character.heatLoad)
          }
          number=""
        />
        <Row
          name={<Term at="pace">{t('pace')}</Term>}
          word={pace.word}
          number={<Opened text={`× ${fixed(Math.exp(pace.lnRate), 2)}`} name="pace" working={forecast.workings.pace} />}
        />
        <Row
          name={<Term at="clear-point">{t('fats are clear from')}</Term>}
          word=""
          number={showTemperature(clearPointC, habits)}
        />
      </dl>
    </Section>
  )
}

const Row = ({ name, word, number }: { name: ReactNode; word: Words; number: ReactNode }) => (
  <>
    <dt className="text-soft">{name}</dt>
    <dd className="font-semibold">
      <Say of={word} />
    </dd>
    <dd className="text-right text-soft">{number}</dd>
  </>
)
