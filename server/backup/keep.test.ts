import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { madeAt, nameAt, overdue } from './keep'

const DAY = 86_400_000
const start = Date.parse('2026-01-05T03:00:00Z')

describe('which backups are kept', () => {
  it('a name says when it was made, and other files are none', () => {
    expect(nameAt(start)).toBe('uldo-2026-01-05T030000.tar.gz')
    expect(madeAt('uldo-2026-01-05T030000.tar.gz')).toBe(start)
    for (const other of [
      'uldo-2026-01-05T030000.tar.gz.part',
      'photo.png',
      'uldo-2026-13-45T999999.tar.gz',
      'uldo-x.tar.gz',
    ])
      expect(madeAt(other)).toBeUndefined()
  })
  it('after 400 days of daily backups with clearing away each day: the last seven days, four weeks and twelve months', () => {
    let names: string[] = ['notes.txt']
    for (let day = 0; day < 400; day++) {
      names.push(nameAt(start + day * DAY))
      const gone = new Set(overdue(names))
      names = names.filter((name) => !gone.has(name))
    }
    const days = names.flatMap((name) =>
      madeAt(name) === undefined ? [] : [Math.round((madeAt(name)! - start) / DAY)],
    )
    for (let back = 0; back < 7; back++) expect(days).toContain(399 - back)
    // Sundays of the three weeks before: each the newest of its week.
    const sundays = days.filter((day) => day % 7 === 6 && day > 399 - 28)
    expect(sundays.length).toBeGreaterThanOrEqual(3)
    const months = new Set(days.map((day) => new Date(start + day * DAY).toISOString().slice(0, 7)))
    expect(months.size).toBe(12)
    expect(days.length).toBeLessThanOrEqual(7 + 4 + 12)
    expect(names).toContain('notes.txt')
  })
  it('whatever there is, the newest stays, and clearing away twice clears no more', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 900 * 24 }), { minLength: 1, maxLength: 60 }), (hours) => {
        const names = [...new Set(hours.map((hour) => nameAt(start + hour * 3_600_000)))]
        const gone = new Set(overdue(names))
        const left = names.filter((name) => !gone.has(name))
        expect(left).toContain([...names].sort().at(-1))
        expect(overdue(left)).toEqual([])
      }),
    )
  })
})
