import { describe, expect, it } from 'vitest'
import { applied, appliedOver, housePatch, valueAt } from './patches'

describe('patches on their way', () => {
  const sheet = { readings: { a: { value: 1 } } as Record<string, unknown> }
  it('one that does not apply is no document, and shows nothing among the others', () => {
    const stale = [{ op: 'add', path: '/films/front/left', value: 3 }] as const
    expect(applied(sheet, [...stale])).toBeUndefined()
    expect(appliedOver(sheet, [[...stale], [{ op: 'add', path: '/readings/c', value: 2 }]])).toEqual({ readings: { a: { value: 1 }, c: 2 } })
    expect(sheet.readings).not.toHaveProperty('c')
    expect([valueAt(sheet, '/readings/a/value'), valueAt(sheet, '/readings/z')]).toEqual([1, undefined])
  })
  it('of the shop: each rule for itself, everything else by its name, nothing where nothing changed', () => {
    const before = { units: 'mm, bar', people: ['Maren'], rules: { a: { value: 1 }, b: { value: 2 } } }
    const after = { units: 'mm, bar', people: ['Maren', 'Ilse'], rules: { a: { value: 3 }, c: { value: 4 } } }
    const patch = housePatch(before, after)
    expect(patch.map(({ op, path }) => `${op} ${path}`)).toEqual(['replace /people', 'remove /rules/b', 'add /rules/a', 'add /rules/c'])
    expect(applied(before, patch)).toEqual(after)
    expect(housePatch(before, structuredClone(before))).toEqual([])
  })
})
