import { quantitiesOf, inspectionsOf } from '../engine/catalogue'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { checkSheet } from '../engine/checkSheet'
import { newSheet, PRESETS } from '../record/layouts'
import { usableSheet } from '../engine/usableSheet'
import { outlookOf } from './outlook'
import { reliefSummary } from './relief'
import { suctionOver } from './suction'

/** Every number that goes out, however deep. */
function numbersIn(value: unknown): number[] {
  if (typeof value === 'number') return [value]
  if (value && typeof value === 'object') return Object.values(value).flatMap(numbersIn)
  return []
}

describe('the door', () => {
  const full = newSheet('inline4', 'a', 'b')
  Object.assign(full.layout, { cooler: true, turbo: true, pistonJets: 4, tensioner: true, galleryRelief: true })
  const keys = quantitiesOf(full.layout).map((quantity) => quantity.key)
  const wild = fc.oneof(
    fc.constantFrom(0, -1, 1e-12, 1e-300, 1e12, 1e300, -1e300),
    fc.double({ noNaN: true, noDefaultInfinity: true }),
    fc.double({ min: 1e-6, max: 1, noNaN: true }),
  )
  it('any two numbers in any two readings give an outlook of numbers; what no engine can have voids it by name and is refused at the door', () => {
    fc.assert(
      fc.property(fc.constantFrom(...keys), wild, fc.constantFrom(...keys), wild, (key, value, other, second) => {
        const sheet = structuredClone(full)
        sheet.readings[key] = { value, source: 'measured' }
        sheet.readings[other] = { value: second, source: 'measured' }
        const outlook = outlookOf(sheet, 4)
        const { opens, ...relief } = reliefSummary(usableSheet(sheet).sheet)
        expect(
          numbersIn([
            { ...outlook, states: outlook.states.map((state) => ({ ...state, missing: [] })) },
            opens,
            relief,
          ]).filter((number) => !Number.isFinite(number)),
        ).toEqual([])
        const void_ = new Set(outlook.voids.map(({ path }) => path))
        for (const { path } of checkSheet(sheet)) expect(void_).toContain(path)
        if (void_.size > 0)
          expect(new Set(outlook.states.filter(({ measured }) => !measured).map(({ verdict }) => verdict))).toEqual(
            new Set(['void']),
          )
      }),
      { numRuns: 300, endOnFailure: true },
    )
  })
  it.each([
    ['gallery.bore', 0.6971055968511699],
    ['gallery.bore', 0.9999999999999989],
    ['gallery.drilling', 0.20809119224134798],
    ['gallery.drilling', 0.527393008948165],
    ['crank.drillingBore', 0.2214007442601393],
    ['crank.drillingBore', 0.9214308967242831],
  ] as const)(
    'it settles where a passage is so wide that its loss is less than a pressure’s last figure: %s %d m',
    (key, value) => {
      const sheet = structuredClone(full)
      sheet.readings[key] = { value, source: 'measured' }
      expect(numbersIn(outlookOf(sheet, 4)).filter((number) => Number.isNaN(number))).toEqual([])
    },
  )
  it('whatever is left out, taken out or plugged at once, on any layout, the circuit solves and gives numbers', () => {
    const more = fc.record({
      cooler: fc.boolean(),
      coolerBypass: fc.constantFrom('around' as const, 'sump' as const),
      drySump: fc.boolean(),
      turbo: fc.boolean(),
      pistonJets: fc.nat(4),
      galleryRelief: fc.boolean(),
      filter: fc.boolean(),
    })
    fc.assert(
      fc.property(
        fc.constantFrom(...Object.keys(PRESETS)),
        more,
        fc.infiniteStream(fc.nat(9)),
        (preset, change, chance) => {
          const sheet = newSheet(preset, 'a', 'b')
          Object.assign(sheet.layout, change, { coolerPlugged: !change.cooler })
          for (const { key, findings } of inspectionsOf(sheet.layout)) {
            const pick = chance.next().value
            if (pick < findings.length) sheet.inspections[key] = { finding: findings[pick].value }
          }
          const numbers = numbersIn([outlookOf(sheet, 3), suctionOver(sheet, 0.5, 4)])
          expect(numbers.filter((number) => Number.isNaN(number))).toEqual([])
        },
      ),
      { numRuns: 80 },
    )
  })
  it('behind a way that is plugged on both sides, where a shut valve’s seep is all that passes, it settles too', () => {
    const sheet = newSheet('opposed2', 'a', 'b')
    Object.assign(sheet.layout, {
      cooler: false,
      coolerPlugged: true,
      coolerBypass: 'around',
      turbo: true,
      filter: false,
    })
    sheet.inspections['passage.coolerBypass'] = { finding: 'plugged' }
    sheet.inspections['passage.sender'] = { finding: 'left-out' }
    const { states, assumed } = outlookOf(sheet, 3)
    expect(states.map(({ pressure }) => pressure)).toEqual([0, 0, 0, 0])
    for (const number of numbersIn(assumed)) expect(Number.isFinite(number)).toBe(true)
  })
  it('names the reading that makes no engine', () => {
    const sheet = DEMO_BUILDS.ottiline()
    sheet.readings['relief.plungerDiameter'].value = 0
    expect(outlookOf(sheet, 4).voids).toEqual([
      {
        path: 'readings/relief.plungerDiameter',
        message: 'must be greater than zero',
        about: 'plunger diameter',
        station: 'relief',
      },
    ])
  })
})
