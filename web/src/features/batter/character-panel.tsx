import { showShare, showTemperature } from '@ostler/core'
import type { MarkKey } from '@ostler/core'
import type { ReactNode } from 'react'
import { useForecast, useHabits } from '../../plan/context.tsx'
import { Section } from '../../ui/section.tsx'
import { OpenedNumber as Opened } from '../../ui/working-number.tsx'

const FIT_SIGN = { suits: '●', 'with care': '◐', hardly: '○' } as const

const MARKS: readonly (readonly [MarkKey, string])[] = [
  ['hardness', 'bar'],
  ['cleansing', 'cleansing'],
  ['openLather', 'open lather'],
  ['creamyLather', 'creamy lather'],
  ['mildness', 'mildness'],
]

/** What kind of batter and bar this makes, in words with the numbers behind. */
export function CharacterPanel() {
  const forecast = useForecast()
  const habits = useHabits()
  if (!forecast) return null
  const { character, techniques, pace, clearPointC } = forecast.recipe
  const acids = character.acids.filter(acid => acid.share >= 0.005)
  return (
    <Section title="What kind of batter">
      <dl className="grid grid-cols-[auto_1fr_auto] gap-x-4 gap-y-1">
        {MARKS.map(([key, name]) => (
          <Row
            key={key}
            name={name}
            word={character[key].word}
            number={<Opened text={showShare(character[key].share, 0)} name={name} working={forecast.workings[key]} />}
          />
        ))}
        <Row
          name="hard oils"
          word={`${showShare(1 - character.hardShare, 0)} liquid`}
          number={showShare(character.hardShare, 0)}
        />
        <Row
          name="heat in the mould"
          word={
            character.heatFrom.length > 0
              ? `${character.heatLoad}: ${character.heatFrom.join('; ')}`
              : character.heatLoad
          }
          number=""
        />
        <Row
          name="pace"
          word={pace.word}
          number={
            <Opened text={`× ${Math.exp(pace.lnRate).toFixed(2)}`} name="pace" working={forecast.workings.pace} />
          }
        />
        <Row
          name="iodine value"
          word=""
          number={
            <Opened text={character.iodineValue.toFixed(0)} name="iodine value" working={forecast.workings.iodine} />
          }
        />
        <Row name="fats are clear from" word="" number={showTemperature(clearPointC, habits)} />
      </dl>
      <ul aria-label="Techniques" className="mt-3 flex flex-col gap-1">
        {techniques.map(one => (
          <li key={one.technique}>
            <span aria-hidden>{FIT_SIGN[one.fit]} </span>
            <strong>{one.technique}</strong>: {one.fit}. <span className="text-[13px] text-soft">{one.reason}.</span>
          </li>
        ))}
      </ul>
      <details className="mt-3">
        <summary className="text-[13px] text-soft">Fatty acids</summary>
        <table className="mt-1 w-full">
          <tbody>
            {acids.map(acid => (
              <tr key={acid.name} className="border-t border-line">
                <th className="py-0.5 text-left font-normal">{acid.name}</th>
                <td className="w-1/2 px-3">
                  <span aria-hidden className="block h-1.5 bg-soft" style={{ width: `${acid.share * 100}%` }} />
                </td>
                <td className="text-right">{showShare(acid.share)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </Section>
  )
}

const Row = ({ name, word, number }: { name: string; word: string; number: ReactNode }) => (
  <>
    <dt className="text-soft">{name}</dt>
    <dd className="font-semibold">{word}</dd>
    <dd className="text-right text-soft">{number}</dd>
  </>
)
