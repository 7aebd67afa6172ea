import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { ruleOf } from '../house/limits'
import { oilOf } from '../record/oil'
import { oilFrom } from '../oil/oil'
import { oilGrade } from '../oil/grades'
import { targetAt, targetBetween } from '../outlook/outlook'
import { modelOf } from '../outlook/model'
import { HARD_LIMIT, judgeFirstPressure, judgePoint, pointMoment, targetOfPoint } from './verdict'

const six = DEMO_BUILDS.ottiline
const read = (value: number) => ({ value, source: 'measured' as const })

describe('the word on a start', () => {
  it('first pressure passes up to the house’s deadline, is watched up to ten seconds, and stops beyond', () => {
    const deadline = ruleOf(six(), 'start.deadline')
    expect(deadline).toBeLessThan(HARD_LIMIT)
    const words = [0.5, deadline, deadline + 0.01, HARD_LIMIT, HARD_LIMIT + 0.01].map((seconds) =>
      judgeFirstPressure(six(), seconds),
    )
    expect(words).toEqual(['pass', 'pass', 'watch', 'watch', 'stop'])
  })
  it('a point is judged where it was read, else where the brief has it: fast idle half way to work, with hot oil', () => {
    const sheet = six()
    expect(pointMoment(sheet, 'idleCold')).toEqual({ speed: expect.closeTo(900 / 60, 6), temperature: 8 })
    expect(pointMoment(sheet, 'fastIdle')).toEqual({ speed: expect.closeTo((900 + 3200) / 120, 6), temperature: 95 })
    sheet.readings['start.fastIdle.speed'] = read(30)
    sheet.readings['start.fastIdle.temperature'] = read(60)
    expect(pointMoment(sheet, 'fastIdle')).toEqual({ speed: 30, temperature: 60 })
  })
  it('fast idle has its target between idle and work, every other point its own state’s', () => {
    const sheet = six()
    const moment = { speed: 34, temperature: 95 }
    const oil = oilFrom(oilGrade('15W-40')!)
    expect(targetOfPoint(sheet, oil, 'fastIdle', moment)).toEqual(targetBetween(sheet, oil, 34, 95))
    expect(targetOfPoint(sheet, oil, 'idleHot', moment)).toEqual(targetAt(sheet, oil, { name: 'idleHot', ...moment }))
  })
  it('a reading is judged with the oil that it was taken with, and not with what is in the engine now', () => {
    const sheet = six()
    const moment = { speed: 650 / 60, temperature: 95 }
    const expected = (oil?: { grade: string }) =>
      judgePoint(sheet, 'idleHot', 2.8e5, moment.speed, moment.temperature, 40, oil).expected.pressure
    const own = expected()
    sheet.readings['start.idleHot.pressure'] = { ...read(2.8e5), oil: { grade: '0W-20' } }
    expect(expected()).toBe(expected({ grade: '0W-20' }))
    expect(expected()).toBeLessThan(0.8 * own)
    expect(oilOf(modelOf(sheet).sheet).line).toEqual(oilOf(six()).line)
  })
})
