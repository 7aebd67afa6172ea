import { CAUSES } from '#core/trace/priors'
import type { Cause } from '#core/trace/vocabulary'
import type { Queries } from './database'

/** What a closed case of the shop was. */
export interface ClosedCase {
  build: string
  cause: Cause
}

/** What the shop's closed cases were, of every build that is not deleted and not one to learn on. */
export async function closedCases(db: Queries): Promise<ClosedCase[]> {
  const { rows } = await db.query<{ build: string; cause: string }>(
    `select build.id as build, one.value -> 'found' ->> 'cause' as cause
       from build, jsonb_each(coalesce(build.sheet -> 'cases', '{}'::jsonb)) as one
      where build.deleted_at is null and build.sandbox_until is null
        and one.value ? 'closed' and one.value -> 'found' ->> 'cause' is not null
      order by one.value ->> 'closed'`,
  )
  return rows.filter((row): row is ClosedCase => (CAUSES as string[]).includes(row.cause))
}
