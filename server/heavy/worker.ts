import { parentPort } from 'node:worker_threads'
import { type Task, TASKS } from './tasks'

/** The thread's end: one task at a time, its answer or its error sent back under its number. */
parentPort!.on('message', ({ number, task, given }: { number: number; task: Task; given: unknown[] }) => {
  try {
    parentPort!.postMessage({ number, answer: (TASKS[task] as (...given: unknown[]) => unknown)(...given) })
  } catch (error) {
    parentPort!.postMessage({ number, error: { name: (error as Error).name, message: (error as Error).message, range: error instanceof RangeError } })
  }
})
