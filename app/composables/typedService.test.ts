import { describe, expect, it } from 'vitest'
import { UNITS } from '#core/quantity/units'
import type { Dimension } from '#core/quantity/units'
import { newSheet } from '#core/record/layouts'
import type { ServiceLine } from '#core/record/service'
import { applied } from '#core/record/patched'
import { dayField, serviceForm, servicePatch, serviceTyped, timeOfDay } from './typedService'

const NOW = new Date(2026, 10, 29, 9, 30)
const unit = (dimension: Dimension) => UNITS[dimension][0]!
const read = (typed: Record<string, string>, added: Partial<ServiceLine> = {}) =>
  serviceForm(unit, NOW, added).safeParse({ day: '2026-11-20', ...typed })
const problems = (typed: Record<string, string>, added: Partial<ServiceLine> = {}) =>
  Object.fromEntries(read(typed, added).error?.issues.map(({ path, message }) => [path.join('.'), message]) ?? [])

describe('a line of the service log, typed', () => {
  it('has its day at noon there, and today is now', () => {
    expect(new Date(timeOfDay('2026-03-05', NOW)!).getHours()).toBe(12)
    expect(dayField(new Date(timeOfDay('2026-03-05', NOW)!))).toBe('2026-03-05')
    expect(timeOfDay('2026-11-29', NOW)).toBe(NOW.toISOString())
    for (const none of ['', '2026-02-30', '5.3.2026']) expect(timeOfDay(none, NOW), none).toBeUndefined()
  })
  it('is taken in any unit, with what is chosen beside', () => {
    const { data } = read(
      {
        hours: '1260',
        pressure: '38 psi',
        speed: '640',
        temperature: '90 °C',
        topUp: '0.4 L',
        note: ' first service ',
      },
      { filter: true, by: 'Anna' },
    )
    expect(data).toMatchObject({ hours: 1260 * 3600, filter: true, by: 'Anna', note: 'first service', temperature: 90 })
    expect(data!.pressure! / 6894.757).toBeCloseTo(38, 4)
    expect(data!.topUp).toBeCloseTo(4e-4, 9)
  })
  it('says at its field what is wrong, each thing once', () => {
    expect(Object.keys(problems({ hours: '12x', pressure: '2' }))).toEqual(['hours'])
    expect(problems({ speed: '640' }).pressure).toContain('needs its pressure')
    expect(problems({ day: '2027-01-01', pressure: '2' }).day).toContain('lies ahead')
    expect(problems({ day: '', pressure: '2' }).day).toBe('choose a day')
    expect(problems({}).pressure).toContain('a line says what was read')
    expect(Object.keys(problems({ topUp: '500 L' }))).toEqual(['topUp'])
    expect(problems({}, { filter: true })).toEqual({})
  })
  it('that is mended keeps to the last figure what was not touched', () => {
    const line: ServiceLine = { at: '2026-05-01T08:11:12.000Z', hours: 1234567.89, pressure: 234567.891, filter: true }
    const typed = {
      speed: '',
      temperature: '',
      distance: '',
      topUp: '',
      instrument: '',
      note: '',
      ...serviceTyped(line, (value) => value.toFixed(0)),
    }
    const mended = serviceForm(unit, NOW, { filter: true }, { line, typed })
    expect(mended.parse({ ...typed, note: 'slip' })).toEqual({ ...line, note: 'slip' })
    expect(mended.parse({ ...typed, pressure: '3' })).toMatchObject({ at: line.at, hours: line.hours, pressure: 3e5 })
  })
  it('writes the first line and the next, and an oil that ends the first fill', () => {
    const sheet = newSheet('inline6', 'Anna', 'Engine')
    const line: ServiceLine = { at: NOW.toISOString(), oil: { grade: '15W-40' } }
    const after = applied(sheet, servicePatch(sheet, 'service.1', line))!
    expect(after.services).toEqual({ 'service.1': line })
    expect(after.fill).toBeUndefined()
    const broken = { ...after, oils: { firstFill: { grade: '30' } } }
    const run = applied(broken, servicePatch(broken, 'service.2', line))!
    expect(Object.keys(run.services!)).toEqual(['service.1', 'service.2'])
    expect(run.fill).toBe('running')
  })
})
