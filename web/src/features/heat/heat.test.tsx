import { heatPlan, heatReadingsIn, starterPlan } from '@ostler/core'
import type { Plan } from '@ostler/core'
import { cleanup, fireEvent, screen } from '@testing-library/react'
import { afterEach, describe, expect, test } from 'vitest'
import { openedWithRun } from '../../plan/test/opened.tsx'
import { format } from 'date-fns'
import type { OpenRun } from '../../run/open-run.ts'
import { useHeatPlan } from '../../parts/use-heat.ts'
import { HeatSettings } from './heat-settings.tsx'
import { Readings } from './readings.tsx'

afterEach(cleanup)

const plan = starterPlan('Trial')
const choose = (label: string, value: string, at = 0) =>
  fireEvent.change(screen.getAllByLabelText(label)[at]!, { target: { value } })

function Page() {
  const heat = useHeatPlan()
  return (
    <>
      <HeatSettings heat={heat} />
      {heat && <Readings heat={heat} />}
    </>
  )
}
const showWithRun = (change: Partial<Plan['heat']> = {}) =>
  openedWithRun({ ...plan, heat: { ...plan.heat, ...change } }, <Page />)
const show = (change: Partial<Plan['heat']> = {}) => showWithRun(change).batch
const readingsOf = (run: OpenRun) => heatReadingsIn(run.get().state.temps)

describe('the heat settings', () => {
  test('each rule asks only for what it needs', () => {
    show()
    expect(screen.queryByLabelText('Largest gap')).toBeTruthy()
    choose('Temperature rule', 'band')
    expect(screen.queryByLabelText('Largest gap')).toBeNull()
    expect(screen.queryByLabelText('From')).toBeTruthy()
    choose('Temperature rule', 'transfer')
    expect(screen.queryByLabelText('Melted to')).toBeNull()
  })

  test('a bath is asked for only when something cools in one, ice only for an ice bath', () => {
    show()
    expect(screen.queryByLabelText('Litres')).toBeNull()
    choose('Cools in', 'bath')
    expect(screen.queryByLabelText('Litres')).toBeTruthy()
    expect(screen.queryByLabelText('Ice, kg')).toBeNull()
    choose('Cool in', 'ice-bath')
    expect(screen.queryByLabelText('Ice, kg')).toBeTruthy()
  })

  test.each([
    ['jug-glass-1000', /not for hot lye/],
    ['pan-aluminium-2000', /not for hot lye/],
    ['cup-pp-250', /do not fit/],
  ])('lye in %s is warned of', (id, sentence) => {
    show({ lyeVessel: id })
    expect(screen.getByText(sentence)).toBeTruthy()
  })

  test('a temperature of its own for the lye starts where it was', () => {
    const batch = show()
    fireEvent.click(screen.getByLabelText('lye at a temperature of its own'))
    expect(batch.get().plan.heat.lyeC).toBe(31)
    fireEvent.click(screen.getByLabelText('lye at a temperature of its own'))
    expect(batch.get().plan.heat.lyeC).toBeNull()
  })
})

describe('readings', () => {
  /** What a clock showed some minutes ago. */
  const clock = (ago: number) => format(new Date(Date.now() - ago * 60_000), 'HH:mm')
  const read = (temp: string, time: string) => {
    fireEvent.change(screen.getByLabelText('Lye now, °C'), { target: { value: temp } })
    fireEvent.change(screen.getAllByLabelText('at')[0]!, { target: { value: time } })
    fireEvent.click(screen.getAllByText('Take down')[0]!)
  }

  test('are stored in °C whatever was typed, and taken back one by one', () => {
    const { run } = showWithRun()
    read('185 F', clock(20))
    read('80', clock(10))
    expect(readingsOf(run)).toMatchObject([
      { body: 'lye', tempC: 85 },
      { body: 'lye', tempC: 80 },
    ])
    expect(readingsOf(run)[1]!.atS - readingsOf(run)[0]!.atS).toBeCloseTo(600, 3)
    fireEvent.click(screen.getByLabelText(`Remove the reading of ${clock(20)}`))
    expect(readingsOf(run)).toHaveLength(1)
  })

  test('the forecast follows them: slower cooling, a later time', () => {
    const { batch, run } = showWithRun({ lyeCooling: 'bath' })
    const minutes = () => {
      const { plan: now, result } = batch.get()
      return result.ok ? heatPlan(now, batch.shelf, result.forecast.portions, readingsOf(run)).lye.ways.bath!.min : 0
    }
    const before = minutes()
    read('85', clock(10))
    read('82', clock(5))
    expect(minutes()).toBeGreaterThan(before)
    expect(screen.getByText(/times as fast as expected/)).toBeTruthy()
  })

  test.each([
    ['hot', /is not a number/],
    ['400', /nothing at the bench is colder or hotter/],
  ])('“%s” gets a sentence', (temp, sentence) => {
    const { run } = showWithRun()
    read(temp, clock(5))
    expect(screen.getByText(sentence)).toBeTruthy()
    expect(readingsOf(run)).toEqual([])
  })
})
