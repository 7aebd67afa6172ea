import { CHANNELS, type ChannelSample, sequenceOf } from '#core/run/channels'
import type { KeptEvent, Run } from '#core/run/run'
import type { NewRun, RunEvent, RunSetUp } from '#core/run/schema'
import { oilFor } from '#core/record/fill'
import { getBuild } from './builds'
import type { Database, Queries } from './database'

interface RunRow {
  id: string
  build_id: string
  kind: 'prime' | 'start'
  setup: RunSetUp
  who: string
  started_at: string
  ended_at: string | null
  outcome: string | null
  samples: number
  stopped: boolean
  found: string | null
}

const COLUMNS = `id, build_id, kind, setup, who, started_at, ended_at, outcome, (select count(*)::integer from run_sample where run_id = run.id) as samples,
  exists(select 1 from run_event where run_id = run.id and (kind = 'stop' or data ->> 'watch' = 'server' or (run.kind = 'prime' and kind = 'word' and data ->> 'code' = 'over-limit'))) as stopped,
  (select words from run_event where run_id = run.id and kind = 'found' order by number desc limit 1) as found`

function asRun(row: RunRow, events: KeptEvent[]): Run {
  return {
    id: row.id,
    buildId: row.build_id,
    kind: row.kind,
    setup: row.setup,
    who: row.who,
    startedAt: new Date(row.started_at).toISOString(),
    endedAt: row.ended_at && new Date(row.ended_at).toISOString(),
    outcome: row.outcome,
    samples: row.samples,
    stopped: row.stopped,
    found: row.found,
    events,
  }
}

/** Longest that a run may have waited in a browser before it arrived, s. */
const LONGEST_WAIT = 7 * 86_400

/**
 * Begins a run under its browser's own id; sent again it is the one that stands. It began by this server's clock: now, less what it had waited
 * in its browser by that browser's own clock, whatever that clock says.
 */
export async function insertRun(
  db: Queries,
  buildId: string,
  { id, kind, setup, who, begunAt, sentAt }: NewRun,
): Promise<Run | undefined> {
  const waited =
    begunAt === undefined || sentAt === undefined ? 0 : Math.min(LONGEST_WAIT, Math.max(0, (sentAt - begunAt) / 1000))
  const sheet = setup.oil ? undefined : (await getBuild(db, buildId))?.sheet
  const oil = setup.oil ?? (sheet && oilFor(sheet, kind === 'prime' ? 'prime' : 'start'))
  await db.query(
    "insert into run (id, build_id, kind, setup, who, started_at) values ($1, $2, $3, $4, $5, now() - $6 * interval '1 second') on conflict (id) do nothing",
    [id, buildId, kind, JSON.stringify(oil ? { ...setup, oil } : setup), who, waited],
  )
  return getRun(db, id)
}

export async function getRun(db: Queries, id: string): Promise<Run | undefined> {
  const row = (await db.query<RunRow>(`select ${COLUMNS} from run where id = $1`, [id])).rows[0]
  return row && asRun(row, await eventsOf(db, id))
}

/** A run's own row, without its count and its events: for every reading that comes in. */
export async function getRunHead(
  db: Queries,
  id: string,
): Promise<Pick<Run, 'id' | 'startedAt' | 'endedAt'> | undefined> {
  const row = (
    await db.query<Pick<RunRow, 'id' | 'started_at' | 'ended_at'>>(
      'select id, started_at, ended_at from run where id = $1',
      [id],
    )
  ).rows[0]
  return row && { id: row.id, startedAt: new Date(row.started_at).toISOString(), endedAt: row.ended_at }
}

/** Runs of a build, newest first, without their events. */
export async function listRuns(db: Queries, buildId: string): Promise<Run[]> {
  return (
    await db.query<RunRow>(`select ${COLUMNS} from run where build_id = $1 order by started_at desc, id`, [buildId])
  ).rows.map((row) => asRun(row, []))
}

/** Runs of a build, newest first, with all that was done, seen and said in them. */
export const listRunsWhole = async (db: Queries, buildId: string): Promise<Run[]> =>
  Promise.all((await listRuns(db, buildId)).map(async (run) => ({ ...run, events: await eventsOf(db, run.id) })))

/** Runs of a kind that nobody has ended, without their events. */
export async function openRuns(db: Queries, kind: Run['kind']): Promise<Run[]> {
  return (
    await db.query<RunRow>(`select ${COLUMNS} from run where ended_at is null and kind = $1 order by started_at`, [
      kind,
    ])
  ).rows.map((row) => asRun(row, []))
}

/** Runs that nobody has ended and that a simulated rig feeds. */
export async function openRigRuns(db: Queries): Promise<Run[]> {
  const { rows } = await db.query<RunRow>(
    `select ${COLUMNS} from run where ended_at is null and setup -> 'rig' is not null order by started_at`,
  )
  return Promise.all(rows.map(async (row) => asRun(row, await eventsOf(db, row.id))))
}

/** What was done, seen and said in a run, in the order it was entered. */
export async function eventsOf(db: Queries, id: string): Promise<KeptEvent[]> {
  const { rows } = await db.query<Omit<KeptEvent, 'clientKey'> & { client_key: string }>(
    'select number::integer as number, client_key, time, kind, words, data, who, at from run_event where run_id = $1 order by number',
    [id],
  )
  return rows.map(({ client_key, ...event }) => ({
    ...event,
    clientKey: client_key,
    at: new Date(event.at).toISOString(),
  }))
}

/** What became of a batch: how many were new, how many were there already just so, and the places in it of those in whose stead another reading stands. */
export interface Taken {
  taken: number
  known: number
  lost: number[]
}

/** Enters samples and says of each that was not new whether it is there already or another stands in its place. */
export async function takeSamplesIn(db: Queries, runId: string, samples: ChannelSample[]): Promise<Taken> {
  const taken = await insertSamples(db, runId, samples)
  if (taken === samples.length) return { taken, known: 0, lost: [] }
  const wanted = samples.map(sequenceOf)
  const { rows } = await db.query<Record<string, number | null>>(
    `select sequence, ${CHANNELS.join(', ')} from run_sample where run_id = $1 and sequence = any($2::integer[])`,
    [runId, wanted],
  )
  const there = new Map(rows.map((row) => [row.sequence!, row]))
  const seen = new Set<number>()
  const lost = samples.flatMap((sample, place) => {
    const own = there.get(sequenceOf(sample))
    const twice = seen.has(sequenceOf(sample))
    seen.add(sequenceOf(sample))
    return own !== undefined && (twice || CHANNELS.some((channel) => (sample[channel] ?? null) !== own[channel]))
      ? [place]
      : []
  })
  return { taken, known: samples.length - taken - lost.length, lost }
}

/** Enters samples, each once by its millisecond; those that were new. */
export async function insertSamples(db: Queries, runId: string, samples: ChannelSample[]): Promise<number> {
  if (samples.length === 0) return 0
  const used = CHANNELS.filter((channel) => samples.some((sample) => sample[channel] !== undefined))
  const columns = used.map((channel) => samples.map((sample) => sample[channel] ?? null))
  const { affectedRows } = await db.query(
    `insert into run_sample (${['run_id', 'sequence', ...used].join(', ')})
     select $1, * from unnest(${['$2::integer[]', ...used.map((_, i) => `$${i + 3}::double precision[]`)].join(', ')}) on conflict do nothing`,
    [runId, samples.map(sequenceOf), ...columns],
  )
  return affectedRows ?? 0
}

/** Samples after a millisecond, oldest first, at most so many. */
export async function samplesAfter(db: Queries, runId: string, after: number, most: number): Promise<ChannelSample[]> {
  const { rows } = await db.query<Record<string, number | null>>(
    `select sequence, ${CHANNELS.join(', ')} from run_sample where run_id = $1 and sequence > $2 order by sequence limit $3`,
    [runId, after, most],
  )
  return rows.map((row) => {
    const sample: ChannelSample = { time: row.sequence! / 1000 }
    for (const channel of CHANNELS) if (row[channel] !== null) sample[channel] = row[channel]
    return sample
  })
}

/** The last sample's millisecond; −1 where there is none. */
export async function lastSequence(db: Queries, runId: string): Promise<number> {
  return (
    (await db.query<{ last: number | null }>('select max(sequence) as last from run_sample where run_id = $1', [runId]))
      .rows[0]?.last ?? -1
  )
}

/** Enters an event, once; an `end` also ends the run. Undefined when the run is not known. */
export async function insertEvent(db: Database, runId: string, event: RunEvent): Promise<EnteredEvent | undefined> {
  return db.transaction((tx) => enterEvent(tx, runId, event))
}

/** Enters readings and what was seen meanwhile, all or nothing: neither is there without the other. The events that were new. */
export async function insertStretch(
  db: Database,
  runId: string,
  samples: ChannelSample[],
  events: RunEvent[],
): Promise<KeptEvent[]> {
  return db.transaction(async (tx) => {
    await insertSamples(tx, runId, samples)
    const entered: KeptEvent[] = []
    for (const event of events) {
      const kept = await enterEvent(tx, runId, event)
      if (kept && !kept.again) entered.push(kept.event)
    }
    return entered
  })
}

interface EnteredEvent {
  event: KeptEvent
  /** It was there already: sent a second time. */
  again: boolean
}

async function enterEvent(tx: Queries, runId: string, event: RunEvent): Promise<EnteredEvent | undefined> {
  if ((await tx.query('select 1 from run where id = $1 for update', [runId])).rows.length === 0) return undefined
  const { clientKey, time, kind, words, data, who } = event
  const { affectedRows } = await tx.query(
    'insert into run_event (client_key, run_id, time, kind, words, data, who) values ($1, $2, $3, $4, $5, $6, $7) on conflict (client_key) do nothing',
    [clientKey, runId, time, kind, words, JSON.stringify(data), who],
  )
  if (kind === 'end' && affectedRows)
    await tx.query('update run set ended_at = now(), outcome = $2 where id = $1 and ended_at is null', [
      runId,
      words || 'ended',
    ])
  const kept = (await eventsOf(tx, runId)).find((each) => each.clientKey === clientKey)
  return kept && { event: kept, again: !affectedRows }
}

/** Of each build, the last start or prime that was stopped and of which nobody has written what was found and done; those of a simulated engine are nobody's. */
export async function unansweredStops(
  db: Queries,
): Promise<Map<string, { run: string; at: string; outcome: string | null }>> {
  const { rows } = await db.query<RunRow>(
    `select * from (select ${COLUMNS} from run where setup ->> 'source' <> 'rig') as r where stopped and found is null order by started_at`,
  )
  return new Map(
    rows.map((row) => [
      row.build_id,
      { run: row.id, at: new Date(row.started_at).toISOString(), outcome: row.outcome },
    ]),
  )
}
