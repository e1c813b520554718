import { findById } from '@ostler/core'
import type { BrowningSaid, FadingSaid, Shelf, SpeedSaid, TrialSays } from '@ostler/core'
import type { ReactNode } from 'react'
import { fixed, t } from '../../words/index.ts'

/** What a trial found of a scent or of light: what was expected, what is believed now, and how far that may be off. */

const NINE_IN_TEN = 1.645

interface Believed {
  mean: number
  sd: number
}

const percentOf = (ln: number): number => Math.round(100 * (Math.exp(ln) - 1))

const faster = (ln: number): string => {
  const n = percentOf(ln)
  return n === 0 ? t('not at all quicker') : n > 0 ? t('{n} % quicker', { n }) : t('{n} % slower', { n: -n })
}

const rangeOf = ({ mean, sd }: Believed, show: (x: number) => string): string =>
  t('{mean} (between {mean2} and {mean3})', {
    mean: show(mean),
    mean2: show(mean - NINE_IN_TEN * sd),
    mean3: show(mean + NINE_IN_TEN * sd),
  })

function Found({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section aria-label={title} className="mb-4 break-inside-avoid">
      <h3 className="text-lg">{title}</h3>
      {children}
    </section>
  )
}

function Two({ before, now }: { before: string; now: string }) {
  return (
    <dl className="mt-1 grid w-fit grid-cols-[auto_1fr] gap-x-4">
      <dt className="text-soft">{t('as the shelf had it')}</dt>
      <dd>{before}</dd>
      <dt className="text-soft">{t('by this trial')}</dt>
      <dd className="text-lg font-semibold">{now}</dd>
    </dl>
  )
}

const times = (x: number): string => t('{x} times', { x: fixed(Math.exp(x), 2) })

function Speed({ speed, name }: { speed: SpeedSaid; name: string }) {
  const { expected, believed } = speed
  // Nothing is told apart while doing nothing lies in the middle nine of ten.
  const isTold = Math.abs(believed.mean) > NINE_IN_TEN * believed.sd
  return (
    <Found title={t('How {name} quickens this batter', { name })}>
      <Two before={rangeOf(expected, faster)} now={rangeOf(believed, faster)} />
      {!isTold && (
        <p className="mt-1">
          {t(
            'Not told whether it quickens at all: one pair convicts a scent, it never clears one. This trial would have seen {sd} %.',
            { sd: percentOf(2.49 * believed.sd) },
          )}
        </p>
      )}
    </Found>
  )
}

const odds = (x: number): string => t('{x} times the odds', { x: fixed(Math.exp(x), 1) })

function Browning({ said, name }: { said: BrowningSaid; name: string }) {
  const { deeper, later, held } = said
  return (
    <Found title={t('How {name} browns', { name })}>
      <p>{t('The vanillin that its supplier states acts as')}</p>
      <Two
        before={rangeOf(deeper.expected, times)}
        now={t('{believed} as much', { believed: rangeOf(deeper.believed, times) })}
      />
      {later && (
        <>
          <p className="mt-2">{t('It takes, of the usual time,')}</p>
          <Two before={rangeOf(later.expected, times)} now={rangeOf(later.believed, times)} />
        </>
      )}
      {held && (
        <>
          <p className="mt-2">{t('The stabiliser holds it back with')}</p>
          <Two before={rangeOf(held.expected, odds)} now={rangeOf(held.believed, odds)} />
        </>
      )}
    </Found>
  )
}

const share = (x: number): string => `${Math.round(100 * x)} %`

function Fading({ said, name }: { said: FadingSaid; name: string }) {
  return (
    <Found title={t('What light takes of {name}', { name })}>
      <Two
        before={t('{expected} of its colour, in a room, for good', { expected: rangeOf(said.share.expected, share) })}
        now={rangeOf(said.share.believed, share)}
      />
      <p className="mt-2">{t('It takes, of the time that the shelf has,')}</p>
      <Two before={rangeOf(said.later.expected, times)} now={rangeOf(said.later.believed, times)} />
    </Found>
  )
}

const TAGS = {
  'so it is': t('Tried: so it is, in this workshop.'),
  'not so': t('Tried: not so, in this workshop; it made no difference that matters.'),
  'not told': t('Tried, and not told: what it would have seen stands below.'),
} as const

/** Everything that was found beside colours and numbers. */
export function SaysFound({ says, shelf, scent }: { says: TrialSays; shelf: Shelf; scent: string }) {
  const name = findById(shelf.scents, scent)?.name ?? t('the scent')
  const { speed, browning, fading, riced, hasNoVanillin, tag } = says
  return (
    <>
      {tag !== 'unproven' && <p className="mb-3 text-xl font-semibold">{TAGS[tag]}</p>}
      {speed && <Speed speed={speed} name={name} />}
      {riced && (
        <p className="mb-3">
          {t(
            'Grains in {riced} of {cups} scented {cups, plural, one {cup} other {cups}} of this pot. From the second pot on, pots stand for the class of the scent.',
            { riced: riced.riced, cups: riced.cups },
          )}
        </p>
      )}
      {browning && <Browning said={browning} name={name} />}
      {hasNoVanillin && (
        <p className="mb-3 text-rust">
          {t(
            '△ The shelf says that {name} holds no vanillin. Put there what the supplier states, then its browning can be reckoned with.',
            { name },
          )}
        </p>
      )}
      {fading.map(said => (
        <Fading
          key={said.colorant}
          said={said}
          name={findById(shelf.colorants, said.colorant)?.name ?? said.colorant}
        />
      ))}
    </>
  )
}
