import { describe, expect, test } from 'vitest'
import { IMPERIAL, METRIC, inUnits } from './index.ts'

describe('sentences in the workshop’s units', () => {
  test.each([
    ['tare the lye jug; 27 g of it as ice', 'tare the lye jug; 0.952 oz of it as ice'],
    ['16 g too much: superfat 7.1 % instead of 5.1 %', '0.564 oz too much: superfat 7.1 % instead of 5.1 %'],
    ['Weigh 260 g.', 'Weigh 9.17 oz.'],
    ['Take a scale of 0.01 g steps', 'Take a scale of 0.0004 oz steps'],
    ['35.7 kg in one pot is heavy', '78.7 lb in one pot is heavy'],
    ['20 g per kg of oils is the usual most', '20 g per kg of oils is the usual most'],
    ['Clay above 25 g/kg colours', 'Clay above 25 g/kg colours'],
    ['usually 10 to 30 g/kg', 'usually 10 to 30 g/kg'],
    ['within 25 °C to 40 °C', 'within 77 °F to 104 °F'],
    ['lye of 10 to 20 °C at low speed', 'lye of 50 to 68 °F at low speed'],
    ['from −5 to 120 °C', 'from 23 to 248 °F'],
    ['a mould of 70 mm: 20 ml too much', 'a mould of 2.76 in: 20 ml too much'],
  ])('“%s”', (metric, imperial) => {
    expect(inUnits(metric, IMPERIAL)).toBe(imperial)
    expect(inUnits(metric, METRIC)).toBe(metric)
  })

  test.each([
    ['Lye 32.5 °C, oils 30 °C: 2 K apart', 'Lye 32.5 °C, oils 30 °C: 2 °C apart', 'Lye 91 °F, oils 86 °F: 4 °F apart'],
    ['The middle stays 11 K short.', 'The middle stays 11 °C short.', 'The middle stays 20 °F short.'],
    ['Mix 6 K warmer', 'Mix 6 °C warmer', 'Mix 11 °F warmer'],
  ])('a difference is no temperature: “%s”', (inside, metric, imperial) => {
    expect(inUnits(inside, METRIC)).toBe(metric)
    expect(inUnits(inside, IMPERIAL)).toBe(imperial)
  })

  test('thousands are one number, and what is quoted stays as it was written', () => {
    expect(inUnits('1,200 g in all', IMPERIAL)).toBe('42.33 oz in all')
    expect(inUnits('“1,200 g” can be read two ways: 12 g', IMPERIAL)).toBe('“1,200 g” can be read two ways: 0.423 oz')
  })

  test('both ends of a range, however it is written', () => {
    expect(inUnits('from 30 to 40 °C', IMPERIAL)).toBe('from 86 to 104 °F')
    expect(inUnits('from 30–40 °C', IMPERIAL)).toBe('from 86–104 °F')
    expect(inUnits('some 20–60 mm', IMPERIAL)).toBe('some 0.79–2.36 in')
  })

  test('each unit goes by its own habit', () => {
    expect(inUnits('10 g at 20 °C', { ...METRIC, temperature: 'F' })).toBe('10 g at 68 °F')
  })
})
