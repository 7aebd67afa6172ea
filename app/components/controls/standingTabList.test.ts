import { describe, expect, it, vi } from 'vitest'
import { StandingTabList } from './standingTabList'

const own = vi.hoisted(() => ({ updateButtonState: vi.fn(), updateInkBar: vi.fn(), bindInkBarObserver: vi.fn() }))
vi.mock('primevue/tablist', () => ({ default: { methods: own } }))
type Methods = Record<string, (...given: unknown[]) => void>
const methodsOf = (component: unknown) => (component as { methods: Methods }).methods

describe('a list of tabs', () => {
  it.each(Object.keys(own))('that has gone is measured no more, and one that stands is: %s', (name) => {
    const method = methodsOf(StandingTabList)[name]!
    for (const $refs of [{}, { content: {} }, { list: {} }]) method.call({ $refs })
    expect(own[name as keyof typeof own]).not.toHaveBeenCalled()
    method.call({ $refs: { content: {}, list: {} } }, 'given')
    expect(own[name as keyof typeof own]).toHaveBeenCalledWith('given')
  })

  it('is still wanted: PrimeVue’s own looks at elements that are gone', async () => {
    const { default: actual } = await vi.importActual<{ default: unknown }>('primevue/tablist')
    expect(() => methodsOf(actual).updateButtonState!.call({ $refs: {} })).toThrow()
  })
})
