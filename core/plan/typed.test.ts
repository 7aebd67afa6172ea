import { describe, expect, it } from 'vitest'
import { MINUTE } from './types'
import { durationFrom, hoursFrom, hoursShown } from './typed'

describe('hours as they are typed', () => {
  it('are taken however they are written, in their order, and shown in one way', () => {
    for (const text of ['8-12, 13-17:30', '13–17.30; 08:00–12:00', '8 to 12,13 to 1730', '8h-12h,13h00-17h30'])
      expect(hoursFrom(text), text).toEqual([
        ['08:00', '12:00'],
        ['13:00', '17:30'],
      ])
    expect(hoursShown(hoursFrom('8-12, 13-17:30')!)).toBe('08:00–12:00, 13:00–17:30')
    expect(hoursFrom(hoursShown(hoursFrom('0-23:59')!))).toEqual([['00:00', '23:59']])
  })
  it('that are none are refused: backwards, overlapping, no time of a day', () => {
    for (const text of ['', 'mornings', '12-8', '8-8', '8-12, 11-13', '8-25', '8:60-9', '8', '8-12-13'])
      expect(hoursFrom(text), text).toBeUndefined()
  })
})

describe('how long something takes, as it is typed', () => {
  it('is hours, or what is said', () => {
    for (const [text, minutes] of [
      ['24', 1440],
      ['1.5', 90],
      ['1,5 h', 90],
      ['1:30', 90],
      ['45 min', 45],
      ['2 days', 2880],
      ['1000', 60_000],
    ] as const)
      expect(durationFrom(text), text).toBe(minutes * MINUTE)
  })
  it('of nothing, of over a thousand hours, or in other words is none', () => {
    for (const text of ['', '0', '0:00', '-1', '1001', '1:75', 'a while', '3 weeks'])
      expect(durationFrom(text), text).toBeUndefined()
  })
})
