import { existsSync } from 'node:fs'
import { dirname, join } from 'node:path'
import workerpool from 'workerpool'
import type { Task, TASKS } from './tasks'

/** Beside the built server lies the threads' own file; in development there is none, and the task is done here. */
const FILE = join(dirname(process.argv[1] ?? '.'), 'threads.mjs')
/** Longest that a task may take before its thread is ended, and longest that anybody waits for it, ms. */
const PATIENCE = { start: 20_000, rest: 8000 }
const WAITS = { start: 40_000, rest: 16_000 }

/** Too much waits, or it took longer than anything that is meant does: to be asked again. */
export class TooBusy extends Error {}

/** Two threads: what a start waits for never stands behind a file or a preview. */
const open = () => workerpool.pool(FILE, { maxWorkers: 1, maxQueueSize: 200, workerType: 'thread' })
const lanes: { start?: ReturnType<typeof open>; rest?: ReturnType<typeof open> } = {}

/**
 * Does a task off the event loop, one after the other.
 *
 * @throws TooBusy when too much waits already, or its time is up; what the task throws
 */
export async function inThread<T extends Task>(
  task: T,
  ...given: Parameters<(typeof TASKS)[T]>
): Promise<ReturnType<(typeof TASKS)[T]>> {
  if (!existsSync(FILE)) {
    const { TASKS: here } = await import('./tasks')
    return (here[task] as (...given: unknown[]) => unknown)(...given) as ReturnType<(typeof TASKS)[T]>
  }
  const lane = task === 'expectation' ? 'start' : 'rest'
  const pool = (lanes[lane] ??= open())
  if (pool.stats().pendingTasks >= 200) throw new TooBusy('Too much is being computed: try again in a moment.')
  const doing = pool.exec(task, given).timeout(PATIENCE[lane])
  const waited = setTimeout(() => void doing.cancel(), WAITS[lane])
  try {
    return (await doing) as ReturnType<(typeof TASKS)[T]>
  } catch (error) {
    throw error instanceof workerpool.Promise.TimeoutError || error instanceof workerpool.Promise.CancellationError
      ? new TooBusy('It took too long and was given up: try again in a moment.')
      : error
  } finally {
    clearTimeout(waited)
  }
}
