import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { gaugePressure, modelOf } from '../outlook/model'
import { momentAt, namedStates } from '../outlook/states'
import { filledWith } from '../record/fill'
import type { Reading, Sheet } from '../record/schema'
import { sharedWith } from '../engine/experience'
import { kindOf, lessonOf, noLesson, type ReadState } from './lessons'

const bare = DEMO_BUILDS.ottiline()
function read(values: Record<string, Partial<Reading> & { value: number }>): Sheet {
  const readings = { ...bare.readings }
  for (const [key, value] of Object.entries(values)) readings[`start.${key}`] = { source: 'measured', ...value }
  return { ...bare, readings }
}
const statesOf = (sheet: Sheet): ReadState[] | undefined => lessonOf(sheet)?.readings.map(({ state }) => state)

describe('what a started engine teaches', () => {
  it('is held against the speed, temperature and oil at which its gauge was read', () => {
    const oil = { grade: '10W-40' }
    const sheet = read({
      'idleHot.pressure': { value: 2e5, oil },
      'idleHot.speed': { value: 15 },
      'idleHot.temperature': { value: 80 },
    })
    const model = modelOf(filledWith(bare, oil))
    const expected = gaugePressure(model, momentAt(bare, 15, 80))
    const usual = gaugePressure(
      modelOf(bare),
      namedStates(bare).find(({ name }) => name === 'idleHot')!,
    )
    const [reading] = lessonOf(sheet)!.readings
    expect(reading.predicted / 1e5).toBeCloseTo(expected / 1e5, 6)
    expect(Math.abs(reading.predicted / usual - 1)).toBeGreaterThan(0.05)
    expect(lessonOf(sheet)!.oil).toContain('10W-40')
  })

  it('is of one oil: a point that was taken with another is not among its readings', () => {
    const sheet = read({
      'idleCold.pressure': { value: 4.4e5 },
      'idleHot.pressure': { value: 2.7e5 },
      'workingHot.pressure': { value: 5e5, oil: { grade: '20W-60' } },
    })
    // The oil of the first that names one is the lesson's.
    expect(statesOf(sheet)).toEqual(['workingHot'])
    sheet.readings['start.workingHot.pressure'].oil = sheet.oil
    expect(statesOf(sheet)).toEqual(['idleCold', 'idleHot', 'workingHot'])
  })

  it('leaves out a gauge that hardly moved: of that a class 1.6 gauge says nothing', () => {
    expect(statesOf(read({ 'idleHot.pressure': { value: 0.19e5 } }))).toBeUndefined()
    expect(statesOf(read({ 'idleHot.pressure': { value: 0.21e5 } }))).toEqual(['idleHot'])
    // The gauge's 16 kPa over √3, of 2.7 bar, and a percent for straight lines.
    expect(lessonOf(read({ 'idleHot.pressure': { value: 2.7e5 } }))!.readings[0].noise).toBeCloseTo(
      Math.hypot(16 / Math.sqrt(3) / 270, 0.01),
      9,
    )
  })

  it('an engine whose case is open teaches nothing until it is closed', () => {
    expect(noLesson(DEMO_BUILDS.dunmarrow())).toBe('traced')
    expect(lessonOf(DEMO_BUILDS.dunmarrow())).toBeUndefined()
    expect(noLesson({ ...DEMO_BUILDS.dunmarrow(), cases: {} })).toBeUndefined()
  })

  it('kinds go by the engine as its sheet names it, however it was typed; clearances and the pump are nobody else’s', () => {
    expect(kindOf({ engine: ' Hesper  3.6' })).toBe(kindOf({ engine: 'hesper 3.6' }))
    expect(kindOf({ engine: 'Hesper 3.8' })).not.toBe(kindOf({ engine: 'Hesper 3.6' }))
    const assumed = modelOf({ ...bare, readings: {} })
    const shared = (key: string) => sharedWith(assumed.inputs.find((input) => input.key === key)!)
    expect(['pump.endClearance', 'pump.tipClearance', 'main.1.journal'].map(shared)).toEqual([
      undefined,
      undefined,
      undefined,
    ])
    expect(['lifters.gap', 'gallery.bore', 'model.heat', 'model.highShear'].map(shared)).toEqual([
      'kind',
      'kind',
      'shop',
      'oil',
    ])
  })
})
