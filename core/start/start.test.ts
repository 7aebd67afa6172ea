import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { gaugePressure, modelOf } from '../outlook/model'
import { namedStates } from '../outlook/states'
import { judgePoint, pointMoment } from './verdict'

const sheet = DEMO_BUILDS.ottiline()
const idle = namedStates(sheet)[2]
const predicted = gaugePressure(modelOf(sheet), idle)

describe('a steady point', () => {
  it('is judged at the speed and temperature it was read at, else at the brief’s', () => {
    expect(pointMoment(sheet, 'idleHot')).toEqual({ speed: idle.speed, temperature: 95 })
    const read = DEMO_BUILDS.dunmarrow()
    expect(pointMoment(read, 'idleHot').speed * 60).toBeCloseTo(690, 4)
    expect(pointMoment(read, 'idleHot').temperature).toBe(96)
  })
  it('expects what the model gives for that moment', () => {
    expect(judgePoint(sheet, 'idleHot', 2e5, idle.speed, 95, 40).expected.pressure).toBeCloseTo(predicted, 0)
    const faster = judgePoint(sheet, 'idleHot', 2e5, 1.3 * idle.speed, 95, 40).expected.pressure
    const hotter = judgePoint(sheet, 'idleHot', 2e5, idle.speed, 110, 40).expected.pressure
    expect(faster).toBeGreaterThan(predicted)
    expect(hotter).toBeLessThan(predicted)
  })
  it('over the maker’s ceiling is a stop, whatever the model says', () => {
    expect(judgePoint(sheet, 'workingHot', 6.1e5, 53, 95, 40)).toMatchObject({ verdict: 'stop', against: 'over' })
  })
  it('above the band but in target is a watch', () => {
    const { expected } = judgePoint(sheet, 'idleHot', 2e5, idle.speed, 95, 100)
    expect(judgePoint(sheet, 'idleHot', expected.high + 30e3, idle.speed, 95, 100)).toMatchObject({ verdict: 'watch', prediction: 'above' })
  })
  it('the gauge’s own error is allowed for at the band’s edge', () => {
    const { expected } = judgePoint(sheet, 'idleHot', 2e5, idle.speed, 95, 100)
    expect(judgePoint(sheet, 'idleHot', expected.low - 10e3, idle.speed, 95, 100).verdict).toBe('pass')
    expect(judgePoint(sheet, 'idleHot', expected.low - 20e3, idle.speed, 95, 100).verdict).toBe('watch')
  })
})
