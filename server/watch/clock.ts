import type { Database } from '../data/database'
import { randomUUID } from 'node:crypto'
import type { Sheet } from '#core/record/schema'
import { usableSheet } from '#core/engine/usableSheet'
import { filledWith } from '#core/record/fill'
import { experienced } from '../threads/experience'
import { houseRules } from '#core/house/limits'
import { type ChannelSample, sequenceOf } from '#core/run/channels'
import type { KeptEvent, Run, RunNews } from '#core/run/run'
import type { RunEvent } from '#core/run/schema'
import { watchRun } from '#core/start/follow'
import type { Assessment, Stop } from '#core/start/watchTypes'
import { getBuild } from '../data/builds'
import { getHouse } from '../data/house'
import { eventsOf, insertEvent, openRuns, samplesAfter } from '../data/runs'
import { inThread } from '../threads/pool'

/** How often the deadline is looked at between readings, ms, and how long a run of which nothing is heard is watched, ms. */
const TICK = 250
const FORSAKEN = 15 * 60_000

/** A run that is being watched here. */
interface Watching {
  /** Stops watching here; what was called stands. */
  leave: () => void
}
const watching = new Map<string, Watching>()
/** Runs of which nothing was heard for so long that they are not watched again by themselves. */
const forsaken = new Set<string>()

/** What the watch needs of the server: told apart, so that it can be tried without one. */
export interface WatchParts {
  db: Database
  tell: (id: string, news: RunNews) => void
  /** A call that was told before it was kept is kept now, under its number. */
  kept: (id: string, number: number) => void
  hearRun: (id: string, hear: (news: RunNews) => void) => () => void
  alarm: (alarm: Alarm) => void
  now: () => number
}

/** The model of a start waits so long for what other engines teach, ms: late it is made without. */
const LESSONS = 1500

/** What every page is told when the server's watch calls a start off, and when a hand has taken it. */
export interface Alarm {
  kind: 'alarm'
  on: boolean
  run: string
  build: string
  name: string
  code: Stop['code']
  reading: number
  limit: number
}

/** Code, reading and limit of the call that a server's watch made of a run; undefined where it made none. */
export function callOf(
  events: readonly Pick<KeptEvent, 'kind' | 'data'>[],
): Pick<Alarm, 'code' | 'reading' | 'limit'> | undefined {
  const call = events.find(({ kind, data }) => kind === 'word' && data.watch === 'server')
  return (
    call && { code: call.data.code as Stop['code'], reading: Number(call.data.reading), limit: Number(call.data.limit) }
  )
}

/** Calls that stand: a page that opens later is told of them. */
const standing = new Map<string, Alarm>()
export const standingAlarms = () => [...standing.values()]
/** A call that another server made stands here too, or no more. */
export const standAlarm = (alarm: Alarm) =>
  void (alarm.on ? standing.set(alarm.run, alarm) : standing.delete(alarm.run))

/**
 * Watches a start on the server, by the very code of the page: a tablet that sleeps or a tab that is shut does not end the watch. What it calls is an event of the
 * run, and told to every page.
 */
export async function watchStart(parts: WatchParts, run: Run, recorded: Sheet): Promise<void> {
  const { db, tell, alarm } = parts
  if (watching.has(run.id) || run.kind !== 'start' || run.endedAt || run.setup.source === 'file') return
  const { house } = await getHouse(db)
  const sheet: Sheet = { ...filledWith(recorded, run.setup.oil), house: houseRules(house) }
  let watch = watchRun(sheet, run.setup)
  /** What was read and said before the model came: it is judged by it too. */
  let before: { samples: ChannelSample[]; events: KeptEvent[] } | undefined = { samples: [], events: [] }
  const begun = Date.parse(run.startedAt)
  const secondsNow = () => (parts.now() - begun) / 1000
  let heardAt = parts.now()
  const calledBefore = callOf(run.events)
  let called = calledBefore !== undefined
  let acknowledged = run.events.some(({ kind }) => kind === 'stop')
  /** Shouts in the whole shop, until a hand has taken it. A simulated engine's own board shouts; the rest of the shop has none to switch off. */
  function shout({ code, reading, limit }: Pick<Alarm, 'code' | 'reading' | 'limit'>): void {
    if (acknowledged || run.setup.source === 'rig') return
    const news: Alarm = {
      kind: 'alarm',
      on: true,
      run: run.id,
      build: run.buildId,
      name: recorded.name,
      code,
      reading,
      limit,
    }
    standing.set(run.id, news)
    alarm(news)
  }
  // What was called before this server stood here stands until a hand has taken it.
  if (calledBefore) shout(calledBefore)

  async function call(seen: Assessment | undefined): Promise<void> {
    if (!seen?.stop || called) return
    called = true
    const { code, time, reading, limit, speed, temperature } = seen.stop
    const event: RunEvent = {
      clientKey: randomUUID(),
      time: Math.max(0, time),
      kind: 'word',
      words: `STOP: ${code}`,
      data: { watch: 'server', code, reading, limit, speed, temperature },
      who: 'Uldo',
    }
    // Told before it is kept: the seconds count.
    tell(run.id, {
      kind: 'event',
      event: { ...event, number: Number.MAX_SAFE_INTEGER, at: new Date(parts.now()).toISOString() },
    })
    shout({ code, reading, limit })
    await insertEvent(db, run.id, event).then(
      (entered) => {
        if (entered) parts.kept(run.id, entered.event.number)
      },
      (error: Error) => console.error(`The call of run ${run.id} could not be kept: ${error.message}`),
    )
  }

  function quiet(): void {
    const stood = standing.get(run.id)
    if (!stood) return
    standing.delete(run.id)
    alarm({ ...stood, on: false })
  }

  /** What was judged already: told by this server and found in the records again it is one reading. */
  const judged = new Set<number | string>()
  const fresh = <T>(all: T[], key: (each: T) => number | string) =>
    all.filter((each) => !judged.has(key(each)) && judged.add(key(each)))
  function feed(told: ChannelSample[], said: KeptEvent[]): void {
    const samples = fresh(told, sequenceOf)
    const events = fresh(said, ({ clientKey }) => clientKey)
    heardAt = parts.now()
    for (const sample of samples) before?.samples.push(sample)
    before?.events.push(...events)
    try {
      void call(watch.feed(samples, events))
    } catch (error) {
      console.error(`The watch of run ${run.id} failed: ${(error as Error).message}`)
    }
    if (events.some(({ kind }) => kind === 'stop')) {
      acknowledged = true
      quiet()
    }
    if (events.some(({ kind }) => kind === 'end')) end()
  }

  const timer = setInterval(() => {
    if (parts.now() - heardAt > FORSAKEN) {
      forsaken.add(run.id)
      return end()
    }
    if (run.setup.source !== 'rig') void call(watch.tick(secondsNow()))
  }, TICK)
  const unhear = parts.hearRun(run.id, (news) => {
    if (news.kind === 'samples') feed(news.samples, [])
    else if (news.kind === 'event' && !(news.event.kind === 'word' && news.event.data.watch === 'server'))
      feed([], [news.event])
    else if (news.kind === 'end') end()
  })
  function leave(): void {
    clearInterval(timer)
    unhear()
    watching.delete(run.id)
  }
  function end(): void {
    leave()
    quiet()
  }
  watching.set(run.id, { leave })

  // What was read and said before this server stood here.
  if (run.events.length > 0 || run.samples > 0) feed(await samplesAfter(db, run.id, -1, 200_000), run.events)
  // The model comes when it comes: deadline, ceiling and total loss are watched meanwhile, and without it.
  if (usableSheet(sheet).voids.length > 0) return void (before = undefined)
  experienced(db, run.buildId, sheet, LESSONS)
    .then((learnt) => inThread('expectation', learnt))
    .then((expectation) => {
      const missed = before!
      if (!watching.has(run.id)) return
      watch = watchRun(sheet, run.setup, expectation)
      void call(watch.feed(missed.samples, missed.events))
    })
    .catch((error: Error) => console.error(`No expectation for run ${run.id}: ${error.message}`))
    .finally(() => (before = undefined))
}

/** Ends every watch of this process. A call that stands is taken back by a hand alone, and not by a server that stops or gives the watch away. */
export function stopWatches(): void {
  for (const { leave } of [...watching.values()]) leave()
}

/** A start that nobody has ended is thought to go on for so long, ms. */
const GOES = 12 * 3600_000
export const stillGoes = ({ startedAt }: Pick<Run, 'startedAt'>, now: number) => now - Date.parse(startedAt) < GOES

/** Takes up the watch over every start that nobody has ended. */
export async function resumeWatches(parts: WatchParts): Promise<void> {
  for (const run of await openRuns(parts.db, 'start')) {
    if (watching.has(run.id) || forsaken.has(run.id)) continue
    const build = await getBuild(parts.db, run.buildId)
    if (build && stillGoes(run, parts.now()))
      await watchStart(parts, { ...run, events: await eventsOf(parts.db, run.id) }, build.sheet)
  }
}
