import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { newSheet } from '../record/layouts'
import type { Sheet } from '../record/schema'
import { missingGrounds } from './grounds'
import { modelOf } from './model'
import { outlookOf, targetAt, targetBetween } from './outlook'

const put = (sheet: Sheet, readings: Record<string, number>): Sheet => ({
  ...sheet,
  readings: {
    ...sheet.readings,
    ...Object.fromEntries(
      Object.entries(readings).map(([key, value]) => [key, { value, source: 'measured' as const }]),
    ),
  },
})
const verdicts = (sheet: Sheet) => outlookOf(sheet, 20).states.map(({ verdict }) => verdict)

describe('the grounds of a word', () => {
  it('with nothing measured every state is assumed, and each names what would change it', () => {
    const blank = newSheet('inline4', 'a', 'b')
    expect(verdicts(blank)).toEqual(['assumed', 'assumed', 'assumed', 'assumed'])
    expect(missingGrounds(blank, 'idleHot').map(({ key }) => key)).toEqual([
      'main.1.journal',
      'rod.1.journal',
      'pump.displacement',
      'pump.endClearance',
    ])
    expect(missingGrounds(blank, 'workingHot').map(({ key }) => key)).toContain('relief.springRate')
  })
  it('one measured bearing of each kind, the pump and its gaps are grounds for hot idle; cold and at speed the valve is wanted too', () => {
    const some = put(newSheet('inline4', 'a', 'b'), {
      'main.1.journal': 0.05798,
      'main.1.bore': 0.05804,
      'rod.1.clearance': 5e-5,
      'pump.displacement': 12e-6,
      'pump.endClearance': 7e-5,
    })
    expect(missingGrounds(some, 'idleHot')).toEqual([])
    expect(missingGrounds(some, 'idleCold').map(({ about }) => about)).toEqual(['relief valve'])
    expect(missingGrounds(put(some, { 'relief.freeLength': 0.048 }), 'idleCold')).toEqual([])
    // Of two valves both are wanted.
    const two = { ...some, layout: { ...some.layout, galleryRelief: true } }
    expect(missingGrounds(put(two, { 'relief.freeLength': 0.048 }), 'idleCold').map(({ about }) => about)).toEqual([
      'gallery relief valve',
    ])
    expect(missingGrounds(two, 'idleHot')).toEqual([])
    expect(verdicts(some)[2]).not.toBe('assumed')
  })
  it('the gauge’s own word stands once it was read, and says where it departs from the prediction', () => {
    const read = put(DEMO_BUILDS.ottiline(), { 'start.idleHot.pressure': 0.8e5 })
    const idle = outlookOf(read, 40).states[2]
    expect(idle).toMatchObject({
      verdict: 'stop',
      predicted: 'pass',
      measured: { reading: 0.8e5, against: 'under', prediction: 'below' },
    })
    expect(idle.pressure).toBeGreaterThan(2e5)
    const high = outlookOf(put(DEMO_BUILDS.ottiline(), { 'start.idleHot.pressure': 4.5e5 }), 40).states[2]
    expect(high).toMatchObject({ verdict: 'watch', measured: { against: 'inside', prediction: 'above' } })
  })
  it('where the gauge departs from the record at one state, what the record predicts of the others is passed no more', () => {
    expect(verdicts(DEMO_BUILDS.ottiline())).toEqual(['pass', 'pass', 'pass', 'pass'])
    const apart = outlookOf(put(DEMO_BUILDS.ottiline(), { 'start.idleHot.pressure': 0.8e5 }), 40).states
    expect(apart.map(({ verdict }) => verdict)).toEqual(['watch', 'watch', 'stop', 'watch'])
    expect(apart.map(({ doubted }) => doubted)).toEqual([true, true, false, true])
    const agrees = outlookOf(put(DEMO_BUILDS.ottiline(), { 'start.idleHot.pressure': 2.9e5 }), 40).states
    expect(agrees.map(({ verdict }) => verdict)).toEqual(['pass', 'pass', 'pass', 'pass'])
  })
  it('a void record has no word but the gauge’s, and never a pass by it', () => {
    const read = put(DEMO_BUILDS.ottiline(), { 'main.3.bore': 0.0659, 'start.idleHot.pressure': 3e5 })
    expect(verdicts(read)).toEqual(['void', 'void', 'watch', 'void'])
  })
  it('a suction that starves below maximum speed is said with its speed, and a state that starves is a stop', () => {
    const choked = put(DEMO_BUILDS.ottiline(), { 'pickup.tubeDiameter': 0.0085, 'pickup.tubeLength': 0.6 })
    const { starvesFrom, states } = outlookOf(choked, 10)
    expect(starvesFrom).toBeGreaterThan(10)
    expect(starvesFrom).toBeLessThan(70)
    for (const { starves, verdict } of states) if (starves) expect(verdict).toBe('stop')
    expect(outlookOf(DEMO_BUILDS.ottiline(), 10).starvesFrom).toBeUndefined()
  })
  it('what the circuit can compute is computed, and named beside the number', () => {
    const sheet = DEMO_BUILDS.ottiline()
    sheet.inspections['passage.frontPlug'] = { finding: 'left-out' }
    const { faults, states, voids } = outlookOf(sheet, 10)
    expect(faults.map(({ about }) => about)).toEqual(['gallery plug, front: left out'])
    expect(voids).toEqual([])
    expect(states[2].pressure).toBeLessThan(0.5e5)
    expect(outlookOf(DEMO_BUILDS.talvik(), 10).faults.map(({ about }) => about)).toEqual(['main 2 out of its limit'])
  })
  it('states carry films and the pressure behind the pump, above the gauge', () => {
    for (const { outlet, pressure, films } of outlookOf(DEMO_BUILDS.ottiline(), 10).states) {
      expect(outlet).toBeGreaterThan(pressure)
      for (const film of [films.main, films.rod]) expect(film).toBeGreaterThan(1e-7)
    }
  })
})

describe('what is wanted between idle and work', () => {
  it('is each state’s own at its speed, and rises on one line between them', () => {
    const sheet = DEMO_BUILDS.ottiline()
    const { oil } = modelOf(sheet)
    const at = (speed: number) => targetBetween(sheet, oil, speed, 95).least
    const [idle, working] = [650 / 60, 3200 / 60]
    expect(at(idle)).toBeCloseTo(targetAt(sheet, oil, { name: 'idleHot', speed: idle, temperature: 95 }).least, 2)
    expect(at(working)).toBeCloseTo(
      targetAt(sheet, oil, { name: 'workingHot', speed: working, temperature: 95 }).least,
      2,
    )
    expect(at(0.5 * (idle + working))).toBeCloseTo(0.5 * (at(idle) + at(working)), 0)
    expect(at(idle + 1e-6) - at(idle)).toBeLessThan(1)
  })
})
