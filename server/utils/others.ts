import type { KeptEvent } from '#core/run/run'
import type { Database } from '../data/database'
import { getBuild } from '../data/builds'
import { getHouse } from '../data/house'
import { eventsOf, getRun, openRuns } from '../data/runs'
import { openCatchUp } from '../many/catchUp'
import { type Channel, openChannel } from '../many/channel'
import { type Keeper, openKeeper } from '../many/keeper'
import type { Notice } from '../many/notice'
import { actOnRig, resumeRigs, stopRig, stopRigs } from '../rig/clock'
import { type Alarm, callOf, resumeWatches, standAlarm, standingAlarms, stillGoes, stopWatches } from '../watch/clock'

/** What a lost notice would have said is looked up so often, ms. */
const LOOKS = 2000

let keeper: Keeper | undefined
let channel: Channel | undefined
let looking: ReturnType<typeof setInterval> | undefined

/** Whether this server keeps the watch over starts and drives the simulated engines: of several one does. */
export const keepsWatch = () => keeper?.keeps() ?? true

/** Whether this server hears of what others write; one that stands alone has nobody to hear. */
export const hearsOthers = () => channel?.hears() ?? true

const stopped = (events: readonly KeptEvent[]) => events.some(({ kind }) => kind === 'stop')

/** Joins the other servers of Uldo on a PostgreSQL database. */
export function joinOthers(url: string, db: Database): void {
  const catchUp = openCatchUp(db, {
    builds: heardHere.builds,
    runs: heardHere.runs,
    tellEntry: tellHere.entry,
    tellRun: (id, news) => {
      if (news.kind === 'event' && news.event.kind === 'act') actOnRig(id, String(news.event.data.action))
      if (news.kind === 'end') stopRig(id)
      tellHere.run(id, news)
    },
  })
  const everything = () => void Promise.all([catchUp.everything(), takenBack()]).catch(() => undefined)
  /** Calls of another server's watch that stand, of which this one heard no notice: told when it begins to hear. */
  async function standing(): Promise<void> {
    if (keepsWatch()) return
    for (const run of await openRuns(db, 'start')) {
      if (run.setup.source === 'rig' || !stillGoes(run, Date.now())) continue
      const events = await eventsOf(db, run.id)
      if (callOf(events) && !stopped(events)) await hearAlarm(run.id, true)
    }
  }
  /** Calls that stand here and that a hand has taken, or whose run has ended, elsewhere. */
  async function takenBack(): Promise<void> {
    for (const { run } of standingAlarms()) {
      const now = await getRun(db, run)
      if (!now || now.endedAt || stopped(now.events)) await hearAlarm(run, false)
    }
  }
  /** A start or a simulated engine that another server began is taken up by the one that keeps the watch. */
  const takeUp = async () => {
    if (!keepsWatch()) return
    await resumeRigs(db)
    await resumeWatches(watchParts())
  }
  channel = openChannel(url, db, {
    hear: (notice, from) => void heard(notice, from).catch(() => undefined),
    back: () => {
      everything()
      void standing().catch(() => undefined)
    },
  })
  async function heard(notice: Notice, from: string): Promise<void> {
    switch (notice.kind) {
      case 'entry':
        return catchUp.build(notice.id, notice.number)
      case 'begun':
        return takeUp()
      case 'event':
      case 'end':
        return catchUp.run(notice.id)
      case 'samples':
        return catchUp.run(notice.id, notice.number)
      case 'house':
        return tellHere.shop({ kind: 'house', revision: (await getHouse(db)).revision })
      case 'shelf':
      case 'people':
        return tellHere.shop({ kind: notice.kind })
      case 'proposals':
        return tellHere.shop({ kind: 'proposals', build: notice.id })
      case 'alarm':
        return hearAlarm(notice.id, notice.on)
      case 'session-ended':
        return tellEndedHere(notice.id)
      case 'present':
        return presentElsewhere(from, notice.id, notice.present)
    }
  }
  /** What another server's watch calls, as its run has it. */
  async function hearAlarm(id: string, on: boolean): Promise<void> {
    const run = await getRun(db, id)
    const call = run && callOf(await eventsOf(db, id))
    const build = run && (await getBuild(db, run.buildId))
    if (!call || !build) return
    const alarm: Alarm = { kind: 'alarm', on, run: id, build: build.id, name: build.sheet.name, ...call }
    standAlarm(alarm)
    tellHere.shop(alarm)
  }
  provideOthers({ tell: channel.tell, own: catchUp.own })
  providePresenceElsewhere((id, present) => channel?.tell({ kind: 'present', id, present }))
  keeper = openKeeper(url, {
    take: takeUp,
    leave: () => {
      stopRigs()
      stopWatches()
    },
  })
  looking = setInterval(() => {
    everything()
    void takeUp().catch(() => undefined)
  }, LOOKS)
}

/** Leaves the others: the watch is theirs at once. */
export async function leaveOthers(): Promise<void> {
  clearInterval(looking)
  provideOthers(undefined)
  await keeper?.close()
  await channel?.close()
}
