import fc from 'fast-check'
import type { Operation } from 'fast-json-patch'
import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import type { Entry } from '../record/entry'
import { applied, takenBack } from '../record/patched'
import { newSheet } from '../record/layouts'
import type { Reading, Sheet } from '../record/schema'
import { differences, sheetAt, storyOf } from './story'

/** A sheet with its entries, each patch entered after the one before. */
function entered(begun: Sheet, patches: Operation[][], who = 'Maren') {
  let sheet = begun
  const entries = patches.map((patch, i): Entry => {
    const inverse = takenBack(sheet, patch)
    sheet = applied(sheet, patch)!
    const at = `2026-05-${String(10 + i).padStart(2, '0')}T08:00:00Z`
    return { revision: i + 1, at, who, patch, inverse, reason: '', clientKey: `${i}`, device: '' }
  })
  return { sheet, entries }
}
const reading = (value: number): Reading => ({ value, source: 'measured', by: 'Maren' })
const write = (key: string, value: number): Operation[] => [
  { op: 'add', path: `/readings/${key}`, value: reading(value) },
]

describe('the story of a build', () => {
  it('says what was written with what stood there before, the newest first, and at which station', () => {
    const { sheet, entries } = entered(newSheet('inline4', 'Spare', 'Blank 2.0'), [
      write('main.1.journal', 0.055),
      [...write('main.1.journal', 0.0551), ...write('relief.springRate', 9000)],
      [{ op: 'remove', path: '/readings/main.1.journal' }],
    ])
    expect(
      storyOf(sheet, entries).map(({ revision, station, key, before, after }) => [
        revision,
        station,
        key,
        (before as Reading | undefined)?.value,
        (after as Reading | undefined)?.value,
      ]),
    ).toEqual([
      [3, 'bearings', 'main.1.journal', 0.0551, undefined],
      [2, 'bearings', 'main.1.journal', 0.055, 0.0551],
      [2, 'relief', 'relief.springRate', undefined, 9000],
      [1, 'bearings', 'main.1.journal', undefined, 0.055],
    ])
  })

  it('tells what was added to a reading from the reading, and what was written again as it stood from a change', () => {
    const { sheet, entries } = entered(newSheet('inline4', 'Spare', 'Blank 2.0'), [
      write('main.1.journal', 0.055),
      [{ op: 'add', path: '/readings/main.1.journal/note', value: 'scored' }],
      [{ op: 'add', path: '/readings/main.1.journal/photos', value: ['7d3c1c1e-6f0a-4f6e-9b0a-000000000001'] }],
      [{ op: 'replace', path: '/name', value: 'Spare' }],
    ])
    expect(storyOf(sheet, entries).map(({ kind }) => kind)).toEqual(['photo', 'note', 'reading'])
  })

  it('begins with what the record began with, by its own hands and times', () => {
    const sheet = DEMO_BUILDS.ottiline()
    const lines = storyOf(sheet, [])
    const written = ['readings', 'checks', 'inspections', 'benches'].flatMap((part) =>
      Object.keys(sheet[part as 'readings']).map((key) => `${part}/${key}`),
    )
    expect(lines.map(({ part, key }) => `${part}/${key}`).sort()).toEqual(written.sort())
    const times = lines.map(({ at }) => at ?? '')
    expect(times).toEqual([...times].sort().reverse())
    expect(lines.find(({ key }) => key === 'main.1.bore')).toMatchObject({ who: 'Maren', revision: 0 })
  })

  it('opens any moment as it was, whatever was written since', () => {
    const keys = ['main.1.journal', 'main.2.bore', 'relief.springRate', 'pump.endClearance']
    fc.assert(
      fc.property(
        fc.array(
          fc.oneof(
            fc.record({ key: fc.constantFrom(...keys), value: fc.integer({ min: 1, max: 9 }) }),
            fc.record({ key: fc.constantFrom(...keys), value: fc.constant(undefined) }),
          ),
          { maxLength: 12 },
        ),
        (steps) => {
          const begun = newSheet('inline4', 'Spare', 'Blank 2.0')
          const stood: Sheet[] = [begun]
          const patches: Operation[][] = []
          for (const { key, value } of steps) {
            const now = stood.at(-1)!
            const patch: Operation[] =
              value !== undefined
                ? write(key, value)
                : key in now.readings
                  ? [{ op: 'remove', path: `/readings/${key}` }]
                  : [{ op: 'replace', path: '/work', value: key }]
            patches.push(patch)
            stood.push(applied(now, patch)!)
          }
          const { sheet, entries } = entered(begun, patches)
          for (const [revision, then] of stood.entries()) expect(sheetAt(sheet, entries, revision)).toEqual(then)
        },
      ),
      { numRuns: 60 },
    )
  })

  it('names an entry that cannot be taken back', () => {
    const { sheet, entries } = entered(newSheet('inline4', 'Spare', 'Blank 2.0'), [write('main.1.journal', 0.055)])
    entries[0]!.inverse = [{ op: 'remove', path: '/readings/none.such' }]
    expect(() => sheetAt(sheet, entries, 0)).toThrow('entry 1')
  })
})

describe('two moments', () => {
  it('differ in what was written between them, and in nothing where it was taken back', () => {
    const begun = newSheet('inline4', 'Spare', 'Blank 2.0')
    const { sheet, entries } = entered(begun, [
      write('main.1.journal', 0.055),
      [{ op: 'replace', path: '/name', value: 'Barge spare' }],
      [{ op: 'remove', path: '/readings/main.1.journal' }],
    ])
    const at = (revision: number) => sheetAt(sheet, entries, revision)
    expect(differences(at(0), at(2)).map(({ key, after }) => [key, (after as Reading).value ?? after])).toEqual([
      ['name', 'Barge spare'],
      ['main.1.journal', 0.055],
    ])
    expect(differences(at(0), at(3)).map(({ key }) => key)).toEqual(['name'])
    expect(differences(at(2), at(2))).toEqual([])
  })
})
