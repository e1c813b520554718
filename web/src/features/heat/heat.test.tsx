import { heatPlan, starterPlan } from '@ostler/core'
import type { Plan } from '@ostler/core'
import { cleanup, fireEvent, screen } from '@testing-library/react'
import { afterEach, describe, expect, test } from 'vitest'
import { opened } from '../../plan/test/opened.tsx'
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
const show = (change: Partial<Plan['heat']> = {}) => opened({ ...plan, heat: { ...plan.heat, ...change } }, <Page />)

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
  const read = (temp: string, time: string) => {
    fireEvent.change(screen.getByLabelText('Lye now, °C'), { target: { value: temp } })
    fireEvent.change(screen.getAllByLabelText('at')[0]!, { target: { value: time } })
    fireEvent.click(screen.getAllByText('Take down')[0]!)
  }

  test('are stored in °C whatever was typed, and taken back one by one', () => {
    const batch = show()
    read('185 F', '13:00')
    read('80', '13:10')
    expect(batch.get().plan.heat.readings).toMatchObject([
      { body: 'lye', at: '13:00', tempC: 85 },
      { body: 'lye', at: '13:10', tempC: 80 },
    ])
    fireEvent.click(screen.getByLabelText('Remove the reading of 13:00'))
    expect(batch.get().plan.heat.readings).toHaveLength(1)
  })

  test('the forecast follows them: slower cooling, a later time', () => {
    const batch = show({ lyeCooling: 'bath' })
    const minutes = () => {
      const { plan: now, result } = batch.get()
      return result.ok ? heatPlan(now, batch.shelf, result.forecast.portions).lye.ways.bath!.min : 0
    }
    const before = minutes()
    read('85', '13:00')
    read('82', '13:05')
    expect(minutes()).toBeGreaterThan(before)
    expect(screen.getByText(/times as fast as expected/)).toBeTruthy()
  })

  test.each([
    ['hot', '13:00', /is not a number/],
    ['400', '13:00', /from −5 to 120 °C/],
  ])('“%s” gets a sentence', (temp, time, sentence) => {
    const batch = show()
    read(temp, time)
    expect(screen.getByText(sentence)).toBeTruthy()
    expect(batch.get().plan.heat.readings).toEqual([])
  })
})
