import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { bringIn, COMING, FETCHING, LOOKING, type Registered } from './newerVersion'

beforeEach(() => void vi.useFakeTimers())
afterEach(() => void vi.useRealTimers())

const NEVER = new Promise<void>(() => undefined)

function worker(state: ServiceWorkerState) {
  const itself = Object.assign(new EventTarget(), { state })
  return {
    itself: itself as unknown as ServiceWorker,
    to: (next: ServiceWorkerState) => ((itself.state = next), itself.dispatchEvent(new Event('statechange'))),
  }
}

function bringing(registered: Registered, begun: Promise<unknown> = NEVER) {
  const seen = { begun: 0, ended: false }
  void bringIn(registered, () => seen.begun++, begun).then(() => (seen.ended = true))
  return seen
}

test('a version that installs is waited for, told to begin once, and awaited until it is in charge', async () => {
  const next = worker('installing')
  const registered: Registered = { installing: next.itself, waiting: null, update: () => Promise.resolve() }
  let inCharge = () => {}
  const seen = bringing(registered, new Promise<void>((done) => (inCharge = done)))
  await vi.advanceTimersByTimeAsync(FETCHING - 1)
  expect(seen).toEqual({ begun: 0, ended: false })
  Object.assign(registered, { installing: null, waiting: next.itself })
  next.to('installed')
  await vi.advanceTimersByTimeAsync(0)
  expect(seen).toEqual({ begun: 1, ended: false })
  inCharge()
  await vi.advanceTimersByTimeAsync(0)
  expect(seen).toEqual({ begun: 1, ended: true })
})

test('a version that lies ready and does not come into charge is not waited for without end', async () => {
  const next = worker('installed')
  const seen = bringing({ installing: null, waiting: next.itself, update: () => Promise.resolve() })
  await vi.advanceTimersByTimeAsync(COMING - 1)
  expect(seen).toEqual({ begun: 1, ended: false })
  await vi.advanceTimersByTimeAsync(1)
  expect(seen.ended).toBe(true)
})

test('a look at the server that hangs or fails leaves what lies ready to begin; with nothing ready it ends', async () => {
  const next = worker('installed')
  const hanging = bringing({ installing: null, waiting: next.itself, update: () => NEVER })
  const failing = bringing({ installing: null, waiting: null, update: () => Promise.reject(new Error('gone')) })
  await vi.advanceTimersByTimeAsync(0)
  expect(failing).toEqual({ begun: 0, ended: true })
  await vi.advanceTimersByTimeAsync(LOOKING)
  expect(hanging.begun).toBe(1)
})

test('a version that gave up while it was fetched is not begun', async () => {
  const next = worker('installing')
  const registered: Registered = { installing: next.itself, waiting: null, update: () => Promise.resolve() }
  const seen = bringing(registered)
  await vi.advanceTimersByTimeAsync(0)
  registered.installing = null
  next.to('redundant')
  await vi.advanceTimersByTimeAsync(0)
  expect(seen).toEqual({ begun: 0, ended: true })
})

test('a version that is fetched without end does not hold the page: it is loaded as it is', async () => {
  const next = worker('installing')
  const seen = bringing({ installing: next.itself, waiting: null, update: () => Promise.resolve() })
  await vi.advanceTimersByTimeAsync(FETCHING)
  expect(seen).toEqual({ begun: 0, ended: true })
})
