import type { MoveOrder } from './shelfMoves'
import type { Change } from '#core/record/entry'
import type { Decision, Proposal } from '#core/house/people'
import type { Database, Queries } from './database'

/** What an apprentice's browser sent: a change, with the moves on the shelf that belong to it. */
export type ProposedChange = Change & { orders?: MoveOrder[] }

interface ProposalRow {
  number: number
  client_key: string
  build_id: string
  change: ProposedChange
  who: string
  at: string
  outcome: Decision | null
}
const COLUMNS = 'number::integer as number, client_key, build_id, change, who, at, outcome'
const proposalOf = ({ number, client_key, change, who, at }: ProposalRow): Proposal => ({
  number,
  clientKey: client_key,
  who,
  at: new Date(at).toISOString(),
  patch: change.patch,
  reason: change.reason,
})

/** Keeps a change until a builder has looked at it; sent again under its key it is the one that waits. */
export async function propose(db: Queries, build: string, change: ProposedChange): Promise<Proposal> {
  await db.query(
    'insert into proposal (client_key, build_id, change, who) values ($1, $2, $3, $4) on conflict (client_key) do nothing',
    [change.clientKey, build, JSON.stringify(change), change.who],
  )
  return proposalOf(
    (await db.query<ProposalRow>(`select ${COLUMNS} from proposal where client_key = $1`, [change.clientKey])).rows[0],
  )
}

/** What waits in a build, in the order it was made. */
export async function proposalsOf(db: Queries, build: string): Promise<Proposal[]> {
  return (
    await db.query<ProposalRow>(
      `select ${COLUMNS} from proposal where build_id = $1 and outcome is null order by number`,
      [build],
    )
  ).rows.map(proposalOf)
}

/** How many changes wait, by build. */
export async function proposalCounts(db: Queries): Promise<Map<string, number>> {
  return new Map(
    (
      await db.query<{ build_id: string; count: number }>(
        'select build_id, count(*)::integer as count from proposal where outcome is null group by build_id',
      )
    ).rows.map(({ build_id, count }) => [build_id, count]),
  )
}

/** A change that waits, whole. */
export async function waitingProposal(
  db: Queries,
  build: string,
  number: number,
): Promise<{ who: string; change: ProposedChange } | undefined> {
  return (
    await db.query<ProposalRow>(
      `select ${COLUMNS} from proposal where build_id = $1 and number = $2 and outcome is null`,
      [build, number],
    )
  ).rows[0]
}

/** Says what became of a change that waited; false when somebody had said it before. */
export async function decide(
  db: Queries | Database,
  number: number,
  outcome: Decision,
  by: string,
  words: string,
): Promise<boolean> {
  return (
    (
      await db.query(
        'update proposal set outcome = $2, decided_by = $3, decided_at = now(), words = $4 where number = $1 and outcome is null returning number',
        [number, outcome, by, words],
      )
    ).rows.length > 0
  )
}
