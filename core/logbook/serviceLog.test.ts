import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { checkSheet } from '../engine/checkSheet'
import { serviceLog } from '../engine/serviceLog'
import { outlookOf } from '../outlook/outlook'
import { Sheet } from '../record/schema'
import { remindersOf } from '../start/breakIn'
import { DAY, day, HOUR, line, logs, START } from './testLog'

const logged = logs(DEMO_BUILDS.ottiline)

describe('the service log', () => {
  it('goes by its days and not by its numbers, and its last reading of hot idle is the one that stands', () => {
    const sheet = logged([line(300, 900, 1.1e5), line(100, 400, 2e5), line(400, 950, 5e5, { speed: 45 })])
    expect(serviceLog(sheet).map(({ key }) => key)).toEqual(['service.2', 'service.1', 'service.3'])
    const standing = (of: Sheet) => outlookOf(of).states.find(({ name }) => name === 'idleHot')!.measured!
    expect(standing(sheet)).toMatchObject({ reading: 1.1e5, at: day(300) })
    // It is a reading of hot idle and of no other state.
    expect(
      outlookOf(sheet)
        .states.filter(({ measured }) => measured)
        .map(({ name }) => name),
    ).toEqual(['idleHot'])
    sheet.readings['start.idleHot.pressure']!.at = day(350)
    expect(standing(sheet).at).toBe(day(350))
  })
  it('after a change the next one is due by the interval and the pace that are planned', () => {
    const sheet = logged([{ at: day(40), oil: { grade: '10W-40' }, filter: true }])
    sheet.readings['start.laterHours'] = { value: 60 * HOUR, source: 'measured' }
    sheet.readings['start.hoursPerWeek'] = { value: 6 * HOUR, source: 'measured' }
    expect(remindersOf(sheet, START).map(({ key, due }) => [key, (due - START) / DAY])).toEqual([['next', 40 + 70]])
    // What was filled in before the start is no change since.
    const before = { ...sheet, services: { 'service.1': { at: day(-3), oil: { grade: '10W-40' } } } }
    expect(remindersOf(before, START).map(({ key }) => key)).toEqual(['recheck', 'change', 'second'])
    expect(remindersOf({ ...sheet, services: {} }, START).map(({ key }) => key)).toEqual([
      'recheck',
      'change',
      'second',
    ])
  })
  it('takes no empty line, no key without its number, and no oil that nobody knows', () => {
    const sheet = logged([])
    const parsed = (services: unknown) => Sheet.safeParse({ ...sheet, services })
    expect(parsed({ 'service.1': { at: day(1), hours: 3600 } }).error?.issues[0]?.message).toContain('a line says')
    expect(parsed({ 'service.1': { at: day(1), filter: true } }).success).toBe(true)
    expect(checkSheet({ ...sheet, services: { service: line(1, 1, 2e5) } })).toEqual([
      { path: 'services/service', message: 'must be numbered like service.3' },
    ])
    expect(checkSheet(logged([{ at: day(1), oil: { grade: 'none such' } }]))[0]?.path).toBe(
      'services/service.1/oil/grade',
    )
  })
})
