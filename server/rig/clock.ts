import type { Database } from '../data/database'
import { filledWith } from '#core/record/fill'
import type { Sheet } from '#core/record/schema'
import type { RigAction } from '#core/run/actions'
import { prepareEngineRig } from '#core/rig/engine'
import { type PrimeAction, preparePrimeRig } from '#core/rig/prime'
import type { RigSpec } from '#core/rig/rig'
import { type ChannelSample, sequenceOf } from '#core/run/channels'
import type { Run } from '#core/run/run'
import type { RunEvent } from '#core/run/schema'
import { randomUUID } from 'node:crypto'
import { insertStretch, lastSequence, openRigRuns } from '../data/runs'
import { getBuild } from '../data/builds'

/** A simulated engine that feeds a run. */
interface Ticking {
  /** Simulated seconds since the run began. */
  time: () => number
  act: (action: string) => void
  stop: () => void
}

/** Sampling of the rig, s, and how often it is gone on with, ms. */
const STEP = 0.1
const TICK = 100
/** Simulated seconds that are made up for at most when the machine was busy. */
const BEHIND = 20

const ticking = new Map<string, Ticking>()

/** A rig of either kind under one face. */
function prepareRig(run: Pick<Run, 'kind' | 'setup'>, sheet: Sheet) {
  const spec: RigSpec = { kind: run.kind, ...run.setup.rig! }
  if (run.kind === 'prime') {
    const rig = preparePrimeRig(sheet, spec)
    return {
      advance: (): ChannelSample => rig.advance(STEP),
      act: (action: string) => rig.act(action as PrimeAction),
      seen: rig.seen,
    }
  }
  const rig = prepareEngineRig(sheet, spec)
  return {
    advance: (): ChannelSample => rig.advance(STEP),
    act: (action: string) => rig.act(action as RigAction),
    seen: (): string[] => [],
  }
}

/**
 * Runs a run's rig by the clock, at its pace, ten samples for each of its seconds. Taken up again after the server stood still, it is gone
 * through anew with the same seed and actions to its last committed sample, and goes on from there: its own time has no hole.
 */
export async function runRig(db: Database, run: Run, sheet: Sheet): Promise<void> {
  if (ticking.has(run.id)) return
  // What was filled in since is not in the simulated engine.
  const rig = prepareRig(run, filledWith(sheet, run.setup.oil))
  const last = await lastSequence(db, run.id)
  const done = run.events.filter(({ kind }) => kind === 'act')
  let time = 0
  for (let next = 0; sequenceOf({ time }) < last;) {
    while (next < done.length && done[next].time <= time + 1e-6) rig.act(String(done[next++].data.action))
    time = rig.advance().time
    rig.seen()
  }
  // Actions of a moment for which nothing was committed yet.
  for (const { time: at, data } of done)
    if (at > time - STEP / 2 && last >= 0 && at + 1e-6 >= last / 1000) rig.act(String(data.action))
  if (last < 0) for (const { data } of done) rig.act(String(data.action))

  let due = 0
  let busy = false
  let clock = Date.now()
  const timer = setInterval(() => void go(), TICK)
  async function go() {
    const now = Date.now()
    due = Math.min(BEHIND, due + (run.setup.rig!.pace * (now - clock)) / 1000)
    clock = now
    if (busy || due < STEP) return
    busy = true
    const samples: ChannelSample[] = []
    const seen: RunEvent[] = []
    try {
      while (due >= STEP && samples.length < 200) {
        const sample = rig.advance()
        time = sample.time
        samples.push(sample)
        for (const place of rig.seen())
          seen.push({ clientKey: randomUUID(), time, kind: 'seen', words: '', data: { place, rig: true }, who: 'Rig' })
        due -= STEP
      }
      const entered = await insertStretch(db, run.id, samples, seen)
      // What was seen goes first: readings that come before it would be judged as if it had not been.
      for (const event of entered) announceRun(run.id, { kind: 'event', event })
      announceRun(run.id, { kind: 'samples', samples })
    } catch (error) {
      console.error(`The rig of run ${run.id} stopped: ${(error as Error).message}`)
      stopRig(run.id)
    } finally {
      busy = false
    }
  }
  ticking.set(run.id, { time: () => time, act: rig.act, stop: () => clearInterval(timer) })
}

/** Passes an action to a run's rig; the simulated second at which it was taken, or undefined where no rig runs. */
export function actOnRig(id: string, action: string): number | undefined {
  const rig = ticking.get(id)
  rig?.act(action)
  return rig?.time()
}

export function stopRig(id: string): void {
  ticking.get(id)?.stop()
  ticking.delete(id)
}

/** Stops all rigs' clocks. */
export function stopRigs(): void {
  for (const id of [...ticking.keys()]) stopRig(id)
}

/** Takes up every run that a rig was feeding when the server stopped. */
export async function resumeRigs(db: Database): Promise<void> {
  for (const run of await openRigRuns(db)) {
    const build = await getBuild(db, run.buildId)
    if (build) await runRig(db, run, build.sheet)
  }
}
