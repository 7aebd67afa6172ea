import { type ChannelSample, sequenceOf } from '#core/run/channels'
import type { Entry } from '#core/record/entry'
import type { RunNews } from '#core/run/run'
import { entriesAfter } from '../data/builds'
import type { Queries } from '../data/database'
import { makeLines } from '../data/lines'
import { eventsOf, getRun, getRunHead, samplesAfter } from '../data/runs'

/** Readings are read in pieces of so many. */
const PIECE = 3000
/** Where nobody knows what was told last, so many entries are told again: who has them passes them over. */
const OVERLAP = 20

/** Without a notice so much before the last reading is looked at again, ms of the run: readings of two servers may come out of turn. */
const WINDOW = 30_000

/** What listens in this process. */
export interface Listened {
  builds: () => string[]
  runs: () => string[]
  tellEntry: (build: string, entry: Entry) => void
  tellRun: (run: string, news: RunNews) => void
}

function mark(at: Told, samples: readonly ChannelSample[]): void {
  for (const sample of samples) {
    at.samples.add(sequenceOf(sample))
    at.sequence = Math.max(at.sequence, sequenceOf(sample))
  }
}

/** What of a run was told here: its last event, its readings by their numbers, and its end. */
interface Told {
  event: number
  sequence: number
  samples: Set<number>
  ended: boolean
}

/** Tells what other servers wrote to those who listen here, in its order, by the numbers that it has in the records: what a lost notice would have said too. */
export function openCatchUp(db: Queries, { builds, runs, tellEntry, tellRun }: Listened) {
  const revisions = new Map<string, number>()
  const seen = new Map<string, Told>()
  /** One after the other for each build and run. */
  const lines = makeLines()
  const inLine = (id: string, work: () => Promise<void>): Promise<void> => lines.next(id, work).catch(() => undefined)
  const runOf = (id: string): Told => seen.get(id) ?? { event: 0, sequence: -1, samples: new Set(), ended: false }

  const build = (id: string, known?: number) =>
    inLine(id, async () => {
      const after = revisions.get(id) ?? Math.max(0, (known ?? 0) - OVERLAP)
      if (known !== undefined && known <= after) return
      for (const entry of await entriesAfter(db, id, after)) {
        revisions.set(id, entry.revision)
        tellEntry(id, entry)
      }
    })
  /** @param after the number before the first reading that is not told, where a notice says it: it may lie before others that came by another server */
  const run = (id: string, after = Infinity) =>
    inLine(id, async () => {
      const at = runOf(id)
      if (at.sequence < 0 && after < Infinity) at.sequence = after
      seen.set(id, at)
      for (const event of await eventsOf(db, id)) {
        if (event.number <= at.event) continue
        at.event = event.number
        if (event.kind !== 'end') tellRun(id, { kind: 'event', event })
      }
      for (let from = Math.min(after, at.sequence - WINDOW), pieces = true; pieces;) {
        const read = await samplesAfter(db, id, from, PIECE)
        const samples = read.filter((sample) => sequenceOf(sample) > from && !at.samples.has(sequenceOf(sample)))
        if (samples.length > 0) {
          mark(at, samples)
          tellRun(id, { kind: 'samples', samples })
        }
        pieces = read.length === PIECE
        if (pieces) from = sequenceOf(read.at(-1)!)
      }
      if (at.ended || !(await getRunHead(db, id))?.endedAt) return
      at.ended = true
      const { events, outcome } = (await getRun(db, id))!
      for (const event of events) if (event.kind === 'end') tellRun(id, { kind: 'event', event })
      tellRun(id, { kind: 'end', outcome: outcome ?? 'ended' })
    })

  return {
    build: (id: string, revision: number) => (builds().includes(id) ? build(id, revision) : undefined),
    run: (id: string, after?: number) => (runs().includes(id) ? run(id, after) : undefined),
    /** What this server's own hand wrote. */
    own: {
      /** Whether an entry can be told at once; else it is told from the records, after what others wrote before it. */
      entry: (id: string, revision: number): boolean => {
        const next = (revisions.get(id) ?? revision - 1) === revision - 1
        if (!next || lines.busy(id)) {
          void build(id, revision)
          return false
        }
        revisions.set(id, revision)
        return true
      },
      run: (id: string, news: RunNews) => {
        const at = runOf(id)
        if (news.kind === 'event' && news.event.number < Number.MAX_SAFE_INTEGER)
          at.event = Math.max(at.event, news.event.number)
        if (news.kind === 'samples') mark(at, news.samples)
        if (news.kind === 'end') at.ended = true
        seen.set(id, at)
      },
    },
    /** All that is listened to. */
    everything: async () => {
      const [wanted, going] = [builds(), runs()]
      for (const id of [...revisions.keys()]) if (!wanted.includes(id)) revisions.delete(id)
      for (const id of [...seen.keys()]) if (!going.includes(id)) seen.delete(id)
      const { rows } = await db.query<{ id: string; revision: number }>(
        'select id, revision from build where id = any($1::uuid[])',
        [wanted],
      )
      await Promise.all([...rows.map(({ id, revision }) => build(id, revision)), ...going.map((id) => run(id))])
    },
  }
}
export type CatchUp = ReturnType<typeof openCatchUp>
