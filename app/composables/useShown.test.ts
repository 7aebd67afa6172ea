import { expect, it, vi } from 'vitest'
import * as vue from 'vue'
import { useShown } from './useShown'

for (const name of ['ref', 'watch', 'nextTick', 'reactive'] as const) vi.stubGlobal(name, vue[name])

it('a control shows what came back: the value that was taken, or the one that still stands', async () => {
  const record = vue.ref('in order')
  const scope = vue.effectScope()
  const shown = scope.run(() => useShown(() => record.value))!
  expect(shown.value).toBe('in order')
  // Pressed, and refused.
  shown.value = 'fault'
  shown.again()
  await vue.nextTick()
  expect(shown.value).toBe('in order')
  // Pressed, and taken; then changed by another hand.
  shown.value = 'fault'
  record.value = 'fault'
  shown.again()
  await vue.nextTick()
  expect(shown.value).toBe('fault')
  record.value = 'in order'
  await vue.nextTick()
  expect(shown.value).toBe('in order')
  scope.stop()
})
