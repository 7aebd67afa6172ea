import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { gaugePressure, modelOf } from '../outlook/model'
import { namedStates } from '../outlook/states'
import { newSheet } from '../record/layouts'
import { breakInPlan, recheckList, remindersOf } from './breakIn'
import { judgePoint, pointMoment } from './verdict'
import { lowByDesign } from './lowByDesign'

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
    expect(judgePoint(sheet, 'idleHot', expected.high + 30e3, idle.speed, 95, 100)).toMatchObject({
      verdict: 'watch',
      prediction: 'above',
    })
  })
  it('the gauge’s own error is allowed for at the band’s edge', () => {
    const { expected } = judgePoint(sheet, 'idleHot', 2e5, idle.speed, 95, 100)
    expect(judgePoint(sheet, 'idleHot', expected.low - 10e3, idle.speed, 95, 100).verdict).toBe('pass')
    expect(judgePoint(sheet, 'idleHot', expected.low - 20e3, idle.speed, 95, 100).verdict).toBe('watch')
  })
})

describe('break-in', () => {
  const keys = (followers: 'sliding' | 'roller') => breakInPlan({ ...sheet, layout: { ...sheet.layout, followers } })
  it('sliding followers go straight to fast idle on an oil with its additive; rollers need neither', () => {
    expect(keys('sliding').map(({ key }) => key)).toEqual([
      'start.breakInOil',
      'start.breakInRun',
      'start.breakInCool',
      'start.breakInLoad',
    ])
    expect(keys('sliding')[1]).toMatchObject({ seconds: 1500 })
    expect(keys('roller').map(({ key }) => key)).not.toContain('start.breakInOil')
    const [slow, fast] = keys('sliding')[1].speed!
    expect(slow * 60).toBeCloseTo(1800, 0)
    expect(fast * 60).toBeLessThan(2600)
  })
  it('a slow engine is not run in faster than it works', () => {
    const slow = structuredClone(sheet)
    slow.readings['brief.workingSpeed'] = { value: 1500 / 60, source: 'measured' }
    expect(breakInPlan(slow)[1].speed![1] * 60).toBeLessThan(1500)
  })
  it('the first change comes by hours or distance, whichever is first, and is told by whole days', () => {
    const road = newSheet('inline4', 'x', 'y')
    const day = 86400e3
    const due = (readings: Record<string, number>) => {
      for (const [key, value] of Object.entries(readings)) road.readings[`start.${key}`] = { value, source: 'planned' }
      return remindersOf(road, 0).find(({ key }) => key === 'change')!.due / day
    }
    expect(
      due({ changeHours: 20 * 3600, hoursPerWeek: 10 * 3600, changeDistance: 1000e3, distancePerWeek: 100e3 }),
    ).toBe(14)
    expect(due({ distancePerWeek: 1000e3 })).toBe(7)
  })
  it('what is gone over again follows the layout', () => {
    expect(recheckList({ ...sheet.layout, lifters: 'solid' }).map(({ key }) => key)).toContain('start.recheckLash')
    expect(recheckList({ ...sheet.layout, turbo: true }).map(({ key }) => key)).toContain('start.recheckTurbo')
  })
})

describe('a hot idle that is low by design', () => {
  const target = (least: number) => ({
    least,
    most: 6e5,
    school: 'maker' as const,
    reason: 'the maker’s limit for this engine',
  })
  it('is explained by what the layout does, and only where the target is under the rule', () => {
    const flat = newSheet('flat4', 'x', 'y')
    expect(lowByDesign(flat, target(0.5e5), 0.8e5)).toEqual({
      target: target(0.5e5),
      rule: 0.8e5,
      reasons: ['aluminium-housing'],
    })
    expect(lowByDesign(newSheet('inline4', 'x', 'y'), target(0.5e5), 0.8e5)?.reasons).toEqual([])
    expect(lowByDesign(flat, target(1e5), 0.8e5)).toBeUndefined()
    const grooved = newSheet('inline4', 'x', 'y')
    grooved.layout.mainGroove = 360
    expect(lowByDesign(grooved, target(0.5e5), 0.8e5)?.reasons).toEqual(['full-grooves'])
  })
})
