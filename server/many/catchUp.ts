import { sequenceOf } from '#core/run/channels'
import type { Entry } from '#core/record/entry'
import type { RunNews } from '#core/run/run'
import { entriesAfter } from '../data/builds'
import type { Queries } from '../data/database'
import { eventsOf, getRun, samplesAfter } from '../data/runs'

/** Readings are read in pieces of so many. */
const PIECE = 3000
/** Where nobody knows what was told last, so many entries are told again: who has them passes them over. */
const OVERLAP = 20

/** What listens in this process. */
export interface Listened {
  builds: () => string[]
  runs: () => string[]
  tellEntry: (build: string, entry: Entry) => void
  tellRun: (run: string, news: RunNews) => void
}

/** Tells what other servers wrote to those who listen here, in its order, by the numbers that it has in the records: what a lost notice would have said too. */
export function openCatchUp(db: Queries, { builds, runs, tellEntry, tellRun }: Listened) {
  const revisions = new Map<string, number>()
  const seen = new Map<string, { event: number; sequence: number; ended: boolean }>()
  /** One after the other for each build and run. */
  const lines = new Map<string, Promise<void>>()
  const inLine = (id: string, work: () => Promise<void>): Promise<void> => {
    const turn = (lines.get(id) ?? Promise.resolve()).then(work).catch(() => undefined)
    lines.set(id, turn)
    void turn.then(() => lines.get(id) === turn && lines.delete(id))
    return turn
  }
  const runOf = (id: string) => seen.get(id) ?? { event: 0, sequence: -1, ended: false }

  const build = (id: string, known?: number) =>
    inLine(id, async () => {
      const after = revisions.get(id) ?? Math.max(0, (known ?? 0) - OVERLAP)
      if (known !== undefined && known <= after) return
      for (const entry of await entriesAfter(db, id, after)) {
        revisions.set(id, entry.revision)
        tellEntry(id, entry)
      }
    })
  const run = (id: string, after?: number) =>
    inLine(id, async () => {
      const at = runOf(id)
      if (after !== undefined && at.sequence < 0) at.sequence = after
      seen.set(id, at)
      for (const event of await eventsOf(db, id)) {
        if (event.number <= at.event) continue
        at.event = event.number
        if (event.kind !== 'end') tellRun(id, { kind: 'event', event })
      }
      for (let pieces = true; pieces;) {
        const samples = await samplesAfter(db, id, at.sequence, PIECE)
        if (samples.length > 0) {
          at.sequence = sequenceOf(samples.at(-1)!)
          tellRun(id, { kind: 'samples', samples })
        }
        pieces = samples.length === PIECE
      }
      const row = at.ended ? undefined : await getRun(db, id)
      if (!row?.endedAt) return
      at.ended = true
      for (const event of row.events) if (event.kind === 'end') tellRun(id, { kind: 'event', event })
      tellRun(id, { kind: 'end', outcome: row.outcome ?? 'ended' })
    })

  return {
    build: (id: string, revision: number) => (builds().includes(id) ? build(id, revision) : undefined),
    run: (id: string, after?: number) => (runs().includes(id) ? run(id, after) : undefined),
    /** What this server's own hand wrote. */
    own: {
      /** Whether an entry can be told at once; else it is told from the records, after what others wrote before it. */
      entry: (id: string, revision: number): boolean => {
        const next = (revisions.get(id) ?? revision - 1) === revision - 1
        if (!next || lines.has(id)) {
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
        if (news.kind === 'samples')
          for (const sample of news.samples) at.sequence = Math.max(at.sequence, sequenceOf(sample))
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
