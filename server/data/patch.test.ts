import fc from 'fast-check'
import jsonPatch, { type Operation } from 'fast-json-patch'
import { describe, expect, it } from 'vitest'
import { Sheet } from '#core/record/schema'
import { DEMO_BUILDS } from '../../demo/make'
import { applyPatch } from './patch'

/** A sheet that nothing may be written into. */
function frozen<T>(value: T): T {
  if (typeof value === 'object' && value !== null) {
    Object.values(value).forEach(frozen)
    Object.freeze(value)
  }
  return value
}
const whole = frozen(Sheet.parse(JSON.parse(JSON.stringify(DEMO_BUILDS.ottiline()))))

/** The sheet after a patch as it is without any short cut: a copy, the patch, all of the schema. */
function allOfIt(sheet: Sheet, patch: Operation[]): unknown {
  try {
    const { newDocument } = jsonPatch.applyPatch(structuredClone(sheet), structuredClone(patch), true, true, true)
    const parsed = Sheet.safeParse(newDocument)
    return parsed.success
      ? parsed.data
      : parsed.error.issues.map(({ path, message }) => ({ path: path.join('/'), message }))
  } catch {
    return 'not applied'
  }
}

const pointer = fc.oneof(
  fc.constantFrom(
    '/readings/main.1.bore',
    '/readings/main.1.bore/value',
    '/readings/main.1.bore/photos',
    '/readings/main.1.bore/photos/-',
    '/readings/no.such',
    '/readings',
    '/parked/main.1.bore',
    '/parked',
    '/choices/shell.construction',
    '/choices',
    '/checks/pump.pickup',
    '/fill',
    '/name',
    '/oil/grade',
    '/oils',
    '/nobody',
    '/nobody/knows',
    '',
    '/',
    '/readings/a~1b',
    '/readings/__proto__',
  ),
  fc.constantFrom(
    ...Object.keys(whole.readings)
      .slice(0, 30)
      .map((key) => `/readings/${key}`),
  ),
)
const value = fc.oneof(
  fc.record({ value: fc.double({ noNaN: true, noDefaultInfinity: true }), source: fc.constant('measured') }),
  fc.constantFrom<unknown>({ value: 'x' }, {}, null, 7, 'running', 'three-layer', [], {
    source: 'assumed',
    value: 1e-4,
  }),
)
/** What a hand does most of the time. */
const usual = fc.oneof(
  fc.record({
    op: fc.constant('add'),
    path: fc.constantFrom(...Object.keys(whole.readings).map((key) => `/readings/${key}`)),
    value: fc.record({ value: fc.double({ min: 1e-5, max: 0.1, noNaN: true }), source: fc.constant('measured') }),
  }),
  fc.record({
    op: fc.constant('remove'),
    path: fc.constantFrom(...Object.keys(whole.readings).map((key) => `/readings/${key}`)),
  }),
  fc.record({ op: fc.constant('replace'), path: fc.constant('/name'), value: fc.constantFrom('One', 'Two') }),
) as fc.Arbitrary<Operation>
const any = fc.oneof(
  fc.record({ op: fc.constant('add'), path: pointer, value }),
  fc.record({ op: fc.constant('replace'), path: pointer, value }),
  fc.record({ op: fc.constant('remove'), path: pointer }),
  fc.record({ op: fc.constantFrom('move', 'copy'), path: pointer, from: pointer }),
  fc.record({ op: fc.constant('test'), path: pointer, value }),
) as fc.Arbitrary<Operation>

describe('a patch looks at what it writes into alone', () => {
  it('and gives what all of the sheet looked at gives, writing into nothing that was there', () => {
    let [taken, refused] = [0, 0]
    fc.assert(
      fc.property(
        fc.array(fc.oneof({ arbitrary: usual, weight: 3 }, { arbitrary: any, weight: 1 }), {
          minLength: 1,
          maxLength: 4,
        }),
        (patch) => {
          const expected = allOfIt(whole, patch)
          const got = applyPatch(whole, structuredClone(patch))
          if ('sheet' in got) {
            taken++
            expect(got.sheet).toEqual(expected)
            expect(Object.keys(got.sheet.readings)).toEqual(Object.keys((expected as Sheet).readings))
            // Undone, it is what it was.
            const inverse = jsonPatch.compare(got.sheet, whole)
            expect(allOfIt(got.sheet, inverse)).toEqual(whole)
            return
          }
          refused++
          if (expected === 'not applied') expect(got.problems[0]!.message).toMatch(/^cannot be applied here/)
          else if (Array.isArray(expected) && !/is the shop’s|is learnt/.test(got.problems[0]!.message))
            expect(got.problems).toEqual(expected)
          // What the schema takes may yet be no sheet of this engine.
          else expect(got.problems.length).toBeGreaterThan(0)
        },
      ),
      { numRuns: 800 },
    )
    expect(Math.min(taken, refused)).toBeGreaterThan(100)
  })
  it('and a sheet of an earlier version is filled up as it is written', () => {
    const earlier = { ...whole, benches: undefined } as unknown as Sheet
    const got = applyPatch(earlier, [{ op: 'replace', path: '/name', value: 'Another' }])
    expect(got).toMatchObject({ sheet: { name: 'Another', benches: {} } })
  })
})
