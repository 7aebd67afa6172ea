import { beforeAll, describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { outlookOf } from '../outlook/outlook'
import { primeExpectation } from '../prime/prime'
import type { Sheet } from '../record/schema'
import { type CardReading, cardReadings, readsUnder } from './gaugeCard'
import { measurementsOf } from './measurements'
import { handOverOf } from '../start/handOver'
import { paperAnswers, type PaperAnswers, primeAgain } from './papers'

const six = DEMO_BUILDS.ottiline()
const read = (sheet: Sheet, readings: Record<string, number>): Sheet => ({
  ...sheet,
  readings: {
    ...sheet.readings,
    ...Object.fromEntries(
      Object.entries(readings).map(([key, value]) => [key, { value, source: 'measured' as const }]),
    ),
  },
})
const heldTo = (sheet: Sheet, key: string) => measurementsOf(sheet).find(({ quantity }) => quantity.key === key)?.heldTo

describe('measurements of a build sheet', () => {
  it('every number on record stands there once, with its instrument’s uncertainty or what is usual for its kind', () => {
    for (const make of Object.values(DEMO_BUILDS)) {
      const sheet = make()
      const keys = measurementsOf(sheet).map(({ quantity }) => quantity.key)
      expect([...keys].sort()).toEqual(Object.keys(sheet.readings).sort())
      for (const { reading, quantity, sigma } of measurementsOf(sheet))
        expect(sigma).toBe(reading.uncertainty ?? quantity.sigma)
    }
  })

  it('a limit is the maker’s where he gave one, and a number beyond it is a stop', () => {
    const house = heldTo(read(six, { 'thrust.endFloat': 0.15e-3 }), 'thrust.endFloat')!
    expect(house).toMatchObject({ whose: 'house', verdict: 'pass' })
    const tight = read(six, {
      'thrust.endFloat': 0.15e-3,
      'limit.endFloatLeast': 0.05e-3,
      'limit.endFloatMost': 0.1e-3,
    })
    expect(heldTo(tight, 'thrust.endFloat')).toMatchObject({
      least: 0.05e-3,
      most: 0.1e-3,
      whose: 'maker',
      verdict: 'stop',
    })
    expect(heldTo(read(tight, { 'rod.2.side': 5e-3 }), 'rod.2.side')!.verdict).toBe('stop')
    expect(heldTo(read(six, { 'pump.endClearance': 0.6e-3 }), 'pump.endClearance')!.verdict).toBe('stop')
    const gap = heldTo(read(six, { 'passage.filterGap': 0.01e-3 }), 'passage.filterGap')!
    expect(gap.verdict).toBe('pass')
    expect(heldTo(read(six, { 'passage.filterGap': 2 * gap.most! }), 'passage.filterGap')!.verdict).toBe('stop')
    const wall = heldTo(read(six, { 'pump.outletPortWall': 1e-4 }), 'pump.outletPortWall')!
    expect(wall.verdict).toBe('stop')
    expect(heldTo(read(six, { 'pump.outletPortWall': 1.01 * wall.least! }), 'pump.outletPortWall')!.verdict).toBe(
      'pass',
    )
  })
})

describe('the owner’s gauge card', () => {
  const of = (card: CardReading[], name: CardReading['name']) => card.find((each) => each.name === name)!
  let answers: PaperAnswers
  beforeAll(() => {
    answers = paperAnswers(six)
  })

  it('says what the outlook says, and lifts the foot before it stops', () => {
    for (const name of ['idleHot', 'workingHot'] as const) {
      const state = answers.outlook.states.find((each) => each.name === name)!
      const reading = of(answers.card, name)
      expect(reading).toMatchObject({
        expected: state.pressure,
        low: state.low,
        high: state.high,
        grounds: 'predicted',
        stop: state.target.least,
      })
      expect(reading.lift).toBeGreaterThan(reading.stop!)
      expect(reading.lift).toBeLessThan(reading.expected)
    }
    const [idle, speed] = [of(answers.card, 'idleCold'), of(answers.card, 'workingCold')]
    // Cold oil at speed reads highest of all, and it is there that too much is asked for.
    expect(speed.expected).toBeGreaterThan(of(answers.card, 'workingHot').expected)
    expect(idle.stop).toBeUndefined()
    expect(speed.lift).toBe(six.readings['maker.ceiling']!.value)
    expect(readsUnder(answers.card)).toEqual([])
  })

  it('what the gauge read stands above what was predicted, at the speed and oil at which it was read', () => {
    const predicted = of(answers.card, 'idleHot')
    const started = read(six, { 'start.idleHot.pressure': 0.9 * predicted.expected, 'start.idleHot.temperature': 99 })
    const outlook = outlookOf(started, 60)
    const reading = of(cardReadings(started, outlook), 'idleHot')
    expect(reading).toMatchObject({ temperature: 99, grounds: 'read' })
    expect(reading.expected).toBeCloseTo(0.9 * predicted.expected)
    const { expected } = outlook.states.find(({ name }) => name === 'idleHot')!.measured!
    expect(reading.low / reading.expected).toBeCloseTo(expected.low / expected.pressure, 9)
    expect(reading.high / reading.expected).toBeCloseTo(expected.high / expected.pressure, 9)
  })

  it('one that reads under what is wanted is named, and its foot is lifted no later than it is stopped', () => {
    const low = read(six, { 'start.idleHot.pressure': 0.5e5 })
    const card = cardReadings(low, outlookOf(low, 60))
    expect(readsUnder(card).map(({ name }) => name)).toEqual(['idleHot'])
    expect(of(card, 'idleHot').lift).toBeGreaterThanOrEqual(of(card, 'idleHot').stop!)
  })

  it('what stands on defaults is assumed, and what cannot be computed is void', () => {
    const { readings, ...rest } = DEMO_BUILDS.talvik()
    const unmeasured = {
      ...rest,
      readings: Object.fromEntries(Object.entries(readings).filter(([key]) => !/^(main|rod)\./.test(key))),
    }
    expect(of(cardReadings(unmeasured, outlookOf(unmeasured, 60)), 'idleHot').grounds).toBe('assumed')
    const pinched = read(six, { 'main.3.bore': 0.0659 })
    expect(cardReadings(pinched, outlookOf(pinched, 60)).map(({ grounds }) => grounds)).toEqual([
      'void',
      'void',
      'void',
      'void',
    ])
  })

  it('a reading with another oil is none of the running oil: it moves the prediction by its share', () => {
    const sheet: Sheet = {
      ...six,
      readings: {
        ...six.readings,
        'start.idleHot.pressure': { value: 1.6e5, source: 'measured', oil: { grade: '20' } },
      },
    }
    const outlook = outlookOf(sheet, 60)
    const state = outlook.states.find(({ name }) => name === 'idleHot')!
    const reading = of(cardReadings(sheet, outlook), 'idleHot')
    expect(reading.grounds).toBe('read-with-other-oil')
    expect(reading.expected).not.toBeCloseTo(1.6e5, -3)
    expect(reading.expected / state.pressure).toBeCloseTo(1.6e5 / state.measured!.expected.pressure, 6)
  })

  it('where the gauge departs from the record, what was not read is in doubt', () => {
    const departed = read(six, { 'start.idleHot.pressure': 0.5e5 })
    const card = cardReadings(departed, outlookOf(departed, 60))
    expect(card.map(({ name, grounds }) => [name, grounds])).toEqual([
      ['idleCold', 'doubted'],
      ['workingCold', 'doubted'],
      ['idleHot', 'read'],
      ['workingHot', 'doubted'],
    ])
  })

  it('an engine is primed again through the port that was left, else by its starter', () => {
    expect(primeAgain(six).method).toBe('starter')
    expect(primeAgain({ ...six, choices: { ...six.choices, 'prime.port': 'gauge' } })).toMatchObject({
      method: 'tank',
      port: 'gauge',
    })
    const handed = (choices: Record<string, string>) => ({ ...six, choices: { 'prime.port': 'gauge', ...choices } })
    const away = (port: string) => handed({ 'start.elsewhere': 'yes', 'start.portLeft': port })
    expect(primeAgain(away('pump'))).toMatchObject({ method: 'tank', port: 'pump' })
    expect(primeAgain(away('none')).method).toBe('starter')
    // Decided otherwise since: what was written of a hand-over goes with nobody.
    const here = handed({ 'start.portLeft': 'none', 'start.fittingLeft': '1/8 in', 'start.handedTo': 'the farm' })
    expect(primeAgain(here)).toMatchObject({ method: 'tank', port: 'gauge' })
    expect(handOverOf(here)).toBeUndefined()
    expect(handOverOf({ ...here, choices: { ...here.choices, 'start.elsewhere': 'yes' } })).toMatchObject({
      port: undefined,
      fitting: undefined,
      to: 'the farm',
    })
    expect(answers.prime.pressure).toBeCloseTo(primeExpectation(six, primeAgain(six)).pressure)
  })

  it('is for the running oil, whatever the engine is broken in on', () => {
    const brokenIn: Sheet = { ...six, oils: { firstFill: { grade: '30' } } }
    const [own, other] = [six, brokenIn].map((sheet) => of(cardReadings(sheet, outlookOf(sheet, 60)), 'workingCold'))
    expect(other.expected).toBeCloseTo(own.expected, 6)
  })

  it('a point of the start is judged by the oil and the moment at which it was read', () => {
    const started = read(six, {
      'start.idleHot.pressure': 2.6e5,
      'start.idleHot.speed': 12,
      'start.idleHot.temperature': 90,
    })
    expect(paperAnswers(started).points).toMatchObject([
      // In target, and under what a faster and cooler idle should read.
      {
        name: 'idleHot',
        reading: 2.6e5,
        speed: 12,
        temperature: 90,
        against: 'inside',
        prediction: 'below',
        verdict: 'watch',
      },
    ])
    expect(answers.points).toEqual([])
  })
})
