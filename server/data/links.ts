import { MOST_LINKS } from '#core/house/guest'
import type { Queries } from './database'

/** A link to the papers of a build, without its secret. */
export interface LinkLine {
  id: string
  /** Whom it is for. */
  name: string
  /** ISO 8601. */
  until: string
  madeBy: string
  madeAt: string
  usedAt: string | null
}

const STANDS = 'ended_at is null and until > now()'

/** Keeps a link's digest; undefined where as many stand for its build as can. */
export async function addLink(
  db: Queries,
  { build, name, digest, until, madeBy }: { build: string; name: string; digest: string; until: Date; madeBy: string },
): Promise<string | undefined> {
  return (
    await db.query<{ id: string }>(
      `insert into link (build_id, name, digest, until, made_by) select $1, $2, $3, $4, $5 where (select count(*) from link where build_id = $1 and ${STANDS}) < $6 returning id`,
      [build, name, digest, until.toISOString(), madeBy, MOST_LINKS],
    )
  ).rows[0]?.id
}

/** Links of a build that stand, the newest first. */
export async function listLinks(db: Queries, build: string): Promise<LinkLine[]> {
  return (
    await db.query<LinkLine>(
      `select id, name, until, made_by as "madeBy", made_at as "madeAt", used_at as "usedAt" from link where build_id = $1 and ${STANDS} order by made_at desc`,
      [build],
    )
  ).rows
}

/** What a link opens: of a build that is there. Undefined once it has ended, or when there never was one. */
export async function linkOf(
  db: Queries,
  digest: string,
): Promise<(Pick<LinkLine, 'id' | 'name' | 'until' | 'madeBy'> & { build: string; first: boolean }) | undefined> {
  const row = (
    await db.query<LinkLine & { build: string; stale: boolean }>(
      `select link.id, link.name, until, made_by as "madeBy", used_at as "usedAt", build_id as build, used_at is null or used_at < now() - interval '1 minute' as stale from link join build on build.id = build_id where digest = $1 and ended_at is null and until > now() and build.deleted_at is null`,
      [digest],
    )
  ).rows[0]
  if (!row) return undefined
  if (row.stale) await db.query('update link set used_at = now() where id = $1', [row.id])
  return {
    id: row.id,
    name: row.name,
    until: row.until,
    madeBy: row.madeBy,
    build: row.build,
    first: row.usedAt === null,
  }
}

/** Ends a link of a build: whom it was for; undefined when none stands under that id. */
export async function endLink(db: Queries, build: string, id: string): Promise<string | undefined> {
  return (
    await db.query<{ name: string }>(
      `update link set ended_at = now() where id = $1 and build_id = $2 and ${STANDS} returning name`,
      [id, build],
    )
  ).rows[0]?.name
}
