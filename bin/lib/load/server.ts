import { type ChildProcess, spawn } from 'node:child_process'
import { createServer } from 'node:net'
// @ts-expect-error a script without types of its own
import { root } from '../prepare.mjs'
import { LEAN, PROGRAM } from '../program.mjs'

/** What the probe in a server tells since it was last asked. */
export interface Load {
  /** Its thread was busy so long, ms. */
  busy: number
  /** The longest that anything waited for it, ms. */
  longest: number
  /** MB */
  memory: number
}

/** A server of Uldo, started to be measured. */
export interface Measured {
  address: string
  load: () => Promise<Load>
  stop: (signal?: NodeJS.Signals) => Promise<void>
}

export function freePort(): Promise<number> {
  return new Promise((done) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number }
      probe.close(() => done(port))
    })
  })
}

/** Starts the built server on a folder and waits until its records are open and checked. */
export async function measuredServer(folder: string, env: NodeJS.ProcessEnv = {}): Promise<Measured> {
  const port = await freePort()
  const child: ChildProcess = spawn(process.execPath, ['--import', './bin/lib/load/loopProbe.mjs', ...PROGRAM], {
    cwd: root as string,
    stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
    env: { ...process.env, ...LEAN, PORT: String(port), HOST: '127.0.0.1', ULDO_DATA: folder, ...env },
  })
  const gone = new Promise<void>((done) => child.once('exit', () => done()))
  const address = `http://127.0.0.1:${port}`
  const ready = async () => {
    const health = await fetch(`${address}/api/health`).catch(() => undefined)
    return health?.ok && ((await health.json()) as { checked: unknown }).checked
  }
  while (!(await ready())) {
    if (child.exitCode !== null) throw new Error(`The server on ${folder} ended with ${child.exitCode}.`)
    await new Promise((done) => setTimeout(done, 100))
  }
  return {
    address,
    load: () =>
      new Promise((done) => {
        child.once('message', (load) => done(load as Load))
        child.send('load')
      }),
    stop: (signal = 'SIGTERM') => {
      child.kill(signal)
      return gone
    },
  }
}
