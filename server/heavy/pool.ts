import { existsSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { Worker } from 'node:worker_threads'
import type { Task, TASKS } from './tasks'

/** Beside the built server lies the thread's own file; in development there is none, and the task is done here. */
const FILE = join(dirname(process.argv[1] ?? '.'), 'heavy.mjs')
/** Longest that a task may take before its thread is ended, longest that it may have waited before, ms, and most that may wait. */
const PATIENCE = { start: 20_000, rest: 8000 }
const WAITS = 8000
const MOST = 200

const BUSY = 'Too much is being computed: try again in a moment.'

export class TooBusy extends Error {}
/** A task took longer than anything that is meant does. */
export class TookTooLong extends Error {}

interface Job {
  number: number
  asked: number
  task: Task
  given: unknown[]
  done: (answer: unknown) => void
  fail: (error: Error) => void
}

/** Two threads: what a start waits for never stands behind a file or a preview. */
interface Lane {
  name: 'start' | 'rest'
  worker?: Worker
  timer?: ReturnType<typeof setTimeout>
  current?: Job
  waiting: Job[]
}
const LANES: Record<'start' | 'rest', Lane> = { start: { name: 'start', waiting: [] }, rest: { name: 'rest', waiting: [] } }
let numbers = 0

/**
 * Does a task off the event loop, one after the other.
 *
 * @throws TooBusy when too much waits already  @throws TookTooLong when its time is up  @throws RangeError as the task does
 */
export async function heavily<T extends Task>(task: T, ...given: Parameters<(typeof TASKS)[T]>): Promise<ReturnType<(typeof TASKS)[T]>> {
  if (!existsSync(FILE)) {
    const { TASKS: here } = await import('./tasks')
    return (here[task] as (...given: unknown[]) => unknown)(...given) as ReturnType<(typeof TASKS)[T]>
  }
  const lane = task === 'expectation' ? LANES.start : LANES.rest
  if (lane.waiting.length >= MOST) throw new TooBusy(BUSY)
  return new Promise((done, fail) => {
    lane.waiting.push({ number: ++numbers, asked: Date.now(), task, given, done: done as Job['done'], fail })
    next(lane)
  })
}

function next(lane: Lane): void {
  if (lane.current) return
  // Nobody is left waiting for long: who has waited enough is told so, and may ask again.
  while (lane.name === 'rest' && lane.waiting.length > 0 && Date.now() - lane.waiting[0].asked > WAITS) lane.waiting.shift()!.fail(new TooBusy(BUSY))
  lane.current = lane.waiting.shift()
  if (!lane.current) return
  lane.worker ??= start(lane)
  lane.timer = setTimeout(() => end(lane, new TookTooLong('It took too long and was given up.'), true), PATIENCE[lane.name])
  const { number, task, given } = lane.current
  lane.worker.postMessage({ number, task, given })
}

function start(lane: Lane): Worker {
  const made = new Worker(FILE)
  made.unref()
  made.on('message', ({ number, answer, error }: { number: number; answer?: unknown; error?: { message: string; range: boolean } }) => {
    if (number !== lane.current?.number) return
    end(lane, error ? (error.range ? new RangeError(error.message) : new Error(error.message)) : undefined, false, answer)
  })
  made.on('error', (error) => made === lane.worker && end(lane, error as Error, true))
  return made
}

function end(lane: Lane, error: Error | undefined, kill: boolean, answer?: unknown): void {
  clearTimeout(lane.timer)
  const job = lane.current
  lane.current = undefined
  if (kill) {
    void lane.worker?.terminate()
    lane.worker = undefined
  }
  if (error) job?.fail(error)
  else job?.done(answer)
  next(lane)
}
