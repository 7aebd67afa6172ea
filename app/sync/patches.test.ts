import fc from 'fast-check'
import type { Operation } from 'fast-json-patch'
import { describe, expect, it } from 'vitest'
import { applied, takenBack, valueAt } from '#core/record/patched'
import { afterEntry, appliedOver, housePatch, sameValue } from './patches'

it('a value is the same however the records order its fields, and with what is undefined left out', () => {
  expect(sameValue({ value: 1, by: 'Ilse', note: undefined }, { by: 'Ilse', value: 1 })).toBe(true)
  expect(sameValue({ value: 1, by: 'Ilse' }, { by: 'Ilse', value: 2 })).toBe(false)
  expect(sameValue([1, 2], [2, 1])).toBe(false)
  expect(sameValue(undefined, undefined)).toBe(true)
  expect(sameValue(undefined, null)).toBe(false)
})

describe('patches on their way', () => {
  const sheet = { readings: { a: { value: 1 } } as Record<string, unknown> }
  it('one that does not apply is no document, and shows nothing among the others', () => {
    const stale = [{ op: 'add', path: '/films/front/left', value: 3 }] as const
    expect(applied(sheet, [...stale])).toBeUndefined()
    for (const op of [
      { op: 'remove', path: '/readings/b' },
      { op: 'replace', path: '/readings/b', value: 1 },
    ] as const)
      expect(applied(sheet, [op]), op.op).toBeUndefined()
    expect(appliedOver(sheet, [[...stale], [{ op: 'add', path: '/readings/c', value: 2 }]])).toEqual({
      readings: { a: { value: 1 }, c: 2 },
    })
    expect(sheet.readings).not.toHaveProperty('c')
    expect([valueAt(sheet, '/readings/a/value'), valueAt(sheet, '/readings/z')]).toEqual([1, undefined])
  })
  it('shares what it does not touch, and leaves the document that it is laid over as it was', () => {
    const document = { layout: { mains: 5 }, readings: { a: { value: 1 }, b: { value: 2 } } }
    const before = structuredClone(document)
    const after = applied(document, [{ op: 'replace', path: '/readings/a/value', value: 3 }])!
    expect(document).toEqual(before)
    expect(after.readings.a.value).toBe(3)
    expect(after.layout).toBe(document.layout)
    expect(after.readings.b).toBe(document.readings.b)
  })
  it('whatever was written, changed or taken out is taken back to what stood, path by path', () => {
    const key = fc.constantFrom('a', 'b', 'c', 'main.1.bore')
    const operation = fc.oneof(
      fc.record({ op: fc.constant('add' as const), path: key.map((k) => `/readings/${k}`), value: fc.nat(9) }),
      fc.record({ op: fc.constant('remove' as const), path: key.map((k) => `/readings/${k}`) }),
      fc.record({ op: fc.constant('replace' as const), path: key.map((k) => `/readings/${k}`), value: fc.nat(9) }),
    )
    fc.assert(
      fc.property(fc.dictionary(key, fc.nat(9)), fc.array(operation, { maxLength: 6 }), (readings, patch) => {
        const document = { readings: { ...readings } }
        const after = applied(document, patch as Operation[])
        if (after === undefined) expect(() => takenBack(document, patch as Operation[])).toThrow()
        else expect(applied(after, takenBack(document, patch as Operation[]))).toEqual(document)
      }),
    )
  })
  it('an entry that is not next, or does not apply, has the document fetched anew and is never counted as had', () => {
    const patch = [{ op: 'replace', path: '/readings/a/value', value: 2 }] as const
    expect(afterEntry(sheet, 4, { revision: 5, patch: [...patch] })).toEqual({ readings: { a: { value: 2 } } })
    expect(afterEntry(sheet, 4, { revision: 6, patch: [...patch] })).toBeUndefined()
    expect(afterEntry(sheet, 4, { revision: 5, patch: [{ op: 'remove', path: '/readings/b' }] })).toBeUndefined()
    expect(afterEntry(undefined, 4, { revision: 5, patch: [...patch] })).toBeUndefined()
  })
  it('of the shop: each rule for itself, everything else by its name, nothing where nothing changed', () => {
    const before = { units: 'mm, bar', people: ['Maren'], rules: { a: { value: 1 }, b: { value: 2 } } }
    const after = { units: 'mm, bar', people: ['Maren', 'Ilse'], rules: { a: { value: 3 }, c: { value: 4 } } }
    const patch = housePatch(before, after)
    expect(patch.map(({ op, path }) => `${op} ${path}`)).toEqual([
      'replace /people',
      'add /rules/a',
      'remove /rules/b',
      'add /rules/c',
    ])
    expect(applied(before, patch)).toEqual(after)
    expect(housePatch(before, structuredClone(before))).toEqual([])
  })
  it('of the plan: each hand, engine and wait for itself, whatever somebody is called', () => {
    const before = { plan: { hands: { Oda: { days: [1] } }, engines: { a: { waits: { x: 1, y: 2 } } }, order: ['a'] } }
    const after = {
      plan: {
        hands: { Oda: { days: [1] }, 'Pim/~': { days: [2] } },
        engines: { a: { promised: 'soon', waits: { x: 3 } }, b: { waits: {} } },
        order: ['b', 'a'],
      },
    }
    const patch = housePatch(before, after)
    expect(patch.map(({ op, path }) => `${op} ${path}`)).toEqual([
      'add /plan/hands/Pim~1~0',
      'replace /plan/engines/a/waits/x',
      'remove /plan/engines/a/waits/y',
      'add /plan/engines/a/promised',
      'add /plan/engines/b',
      'replace /plan/order',
    ])
    expect(applied(before, patch)).toEqual(after)
  })
})
