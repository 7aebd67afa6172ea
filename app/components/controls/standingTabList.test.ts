import TabList from 'primevue/tablist'
import { describe, expect, it } from 'vitest'
import { StandingTabList } from './standingTabList'

type Of = { methods: Record<string, () => void>; updated: () => void }
const methodsOf = (component: unknown) => (component as Of).methods

describe('a list of tabs', () => {
  const gone = { $refs: {}, showNavigators: true, unbindInkBarObserver: () => undefined }

  it('that has gone is measured no more', () => {
    for (const name of ['updateButtonState', 'updateInkBar', 'bindInkBarObserver'])
      expect(() => methodsOf(StandingTabList)[name]!.call(gone), name).not.toThrow()
    // What PrimeVue's own does there: when it no longer throws, this file can go.
    expect(() => methodsOf(TabList).updateButtonState!.call(gone)).toThrow()
  })

  it('that stands is measured as before', () => {
    const content = { scrollTop: 0, scrollLeft: 0, scrollWidth: 300, scrollHeight: 40 }
    const list = { offsetWidth: 100, offsetHeight: 40 }
    const buttons = { $refs: { content, list }, isVertical: () => false, getVisibleButtonWidths: () => 0 }
    const standing = { ...buttons, isPrevButtonEnabled: undefined } as Record<string, unknown>
    try {
      methodsOf(StandingTabList).updateButtonState!.call(standing as never)
    } catch {
      // Elements that are none cannot be measured to the end; that it was begun is what counts.
      standing.begun = true
    }
    expect(standing.begun ?? standing.isPrevButtonEnabled !== undefined).toBe(true)
  })
})
