import type { Operation } from 'fast-json-patch'
import { ref, shallowRef } from 'vue'
import { afterAll, beforeAll, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Proposal } from '#core/house/people'
import { newSheet } from '#core/record/layouts'
import type { Sheet } from '#core/record/schema'
import { applied } from '#core/record/patched'
import { makeSteps } from './steps'

describe('undo and redo of a page’s own changes', () => {
  let sheet: Sheet
  let waiting: Proposal[]
  let entered: { patch: Operation[]; reason: string }[]
  let page = 'relief'
  const bore = (value: number): Operation => ({
    op: 'add',
    path: '/readings/main.1.bore',
    value: { value, source: 'measured' },
  })
  const steps = () =>
    makeSteps({
      sheet: () => sheet,
      proposals: () => waiting,
      enter: async (patch, _label, reason) => {
        entered.push({ patch, reason })
        sheet = applied(sheet, patch)!
      },
    })
  /** A change of this page, as the store enters it: noted, then there. */
  const change = (all: ReturnType<typeof steps>, patch: Operation[], label = 'Main 1 bore') => {
    expect(all.note(patch, label)).toBe(true)
    sheet = applied(sheet, patch)!
  }
  beforeAll(() => {
    for (const [name, value] of Object.entries({ ref, shallowRef })) vi.stubGlobal(name, value)
    vi.stubGlobal('location', {
      get pathname() {
        return `/build/1/${page}`
      },
    })
  })
  afterAll(() => vi.unstubAllGlobals())
  beforeEach(() => {
    sheet = newSheet('inline4', 'a', 'b')
    waiting = []
    entered = []
    page = 'relief'
  })
  const value = () => sheet.readings['main.1.bore']?.value

  it('takes changes back one by one, each as a change of its own, and does them again', async () => {
    const all = steps()
    change(all, [bore(0.0601)])
    change(all, [bore(0.0602)])
    await all.undo()
    expect(value()).toBe(0.0601)
    expect(all.stepNews.value?.words).toBe('Undone: Main 1 bore.')
    await all.undo()
    expect(value()).toBeUndefined()
    expect(entered.map(({ reason }) => reason)).toEqual(['undo', 'undo'])
    await all.undo()
    expect(entered).toHaveLength(2)
    await all.redo()
    await all.redo()
    expect(value()).toBe(0.0602)
    expect(all.stepNews.value?.words).toBe('Redone: Main 1 bore.')
    expect([all.undoable.value.length, all.redoable.value.length]).toEqual([2, 0])
  })
  it('a new change ends what could be done again', async () => {
    const all = steps()
    change(all, [bore(0.0601)])
    await all.undo()
    change(all, [bore(0.0603)])
    expect(all.redoable.value).toEqual([])
    await all.redo()
    expect(value()).toBe(0.0603)
  })
  it('asks before it reaches a station that is not on the screen', async () => {
    const all = steps()
    change(all, [bore(0.0601)])
    page = 'pump'
    await all.undo()
    expect(value()).toBe(0.0601)
    expect(all.stepNews.value).toEqual({
      words: 'Main 1 bore was written at another station.',
      page: 'relief',
      ask: 'undo',
    })
    await all.undo(true)
    expect(value()).toBeUndefined()
    await all.redo()
    expect(all.stepNews.value?.ask).toBe('redo')
  })
  it('leaves alone what somebody else has written there since, and says so', async () => {
    const all = steps()
    change(all, [bore(0.0601)])
    sheet = applied(sheet, [bore(0.07)])!
    await all.undo()
    expect(value()).toBe(0.07)
    expect(all.stepNews.value?.words).toBe('Main 1 bore was changed by somebody else since: not undone.')
    expect(all.undoable.value).toEqual([])
  })
  it('what waits for a sign-off is taken back there', async () => {
    const all = steps()
    expect(all.note([bore(0.0601)], 'Main 1 bore')).toBe(true)
    waiting = [{ number: 1, clientKey: 'k', who: 'Tobi', at: '', patch: [bore(0.0601)], reason: '' } as Proposal]
    await all.undo()
    expect(all.stepNews.value?.words).toBe('Main 1 bore waits for a sign-off: take it back there.')
    expect(entered).toEqual([])
  })
  it('what does not apply is no step; without a build there is none', () => {
    const all = steps()
    expect(all.note([{ op: 'remove', path: '/readings/main.9.bore' }], 'Nothing')).toBe(false)
    expect(all.undoable.value).toEqual([])
    const none = makeSteps({ sheet: () => undefined, proposals: () => [], enter: async () => undefined })
    expect(none.note([bore(0.06)], 'Nothing')).toBe(false)
  })
  it('another build forgets them', async () => {
    const all = steps()
    change(all, [bore(0.0601)])
    all.forget()
    await all.undo()
    expect(value()).toBe(0.0601)
    expect([all.undoable.value, all.redoable.value, all.stepNews.value]).toEqual([[], [], undefined])
  })
})
