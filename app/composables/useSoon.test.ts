import { expect, it, vi } from 'vitest'
import * as vue from 'vue'
import { allCame, useSoon } from './useSoon'

for (const name of ['ref', 'onScopeDispose'] as const) vi.stubGlobal(name, vue[name])
/** One task later. */
const task = () => new Promise((done) => setTimeout(done, 0))

it('parts come one in a task, in the order in which they were met; one that has gone meanwhile holds up none', async () => {
  const scopes = [0, 1, 2].map(() => vue.effectScope())
  const parts = scopes.map((scope) => scope.run(() => useSoon())!)
  const seen: string[] = []
  vue.watch(parts, (now) => seen.push(now.map(Number).join('')), { flush: 'sync' })
  expect([allCame(), parts.map(({ value }) => value)]).toEqual([false, [false, false, false]])
  scopes[1].stop()
  for (let turn = 0; turn < 50 && !allCame(); turn++) await task()
  await task()
  expect(seen).toEqual(['100', '101'])
  expect(allCame()).toBe(true)
  // What comes later begins anew.
  const later = vue.effectScope().run(() => useSoon())!
  expect(later.value).toBe(false)
  await vi.waitFor(() => expect(later.value).toBe(true))
})
