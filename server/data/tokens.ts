import type { TokenKind } from '#core/house/people'
import type { Queries } from './database'

export interface TokenLine {
  id: string
  name: string
  kind: TokenKind
  madeBy: string
  madeAt: string
  usedAt: string | null
}

/** Keeps a token's digest under a name; undefined when one of that name stands. */
export async function addToken(
  db: Queries,
  { name, kind, digest, madeBy }: { name: string; kind: TokenKind; digest: string; madeBy: string },
): Promise<string | undefined> {
  return (
    await db.query<{ id: string }>(
      'insert into token (name, kind, digest, made_by) values ($1, $2, $3, $4) on conflict do nothing returning id',
      [name, kind, digest, madeBy],
    )
  ).rows[0]?.id
}

/** The token that stands under a digest. */
export async function tokenOf(
  db: Queries,
  digest: string,
): Promise<{ id: string; name: string; kind: TokenKind } | undefined> {
  const row = (
    await db.query<{ id: string; name: string; kind: TokenKind; stale: boolean }>(
      "select id, name, kind, used_at is null or used_at < now() - interval '1 minute' as stale from token where digest = $1 and ended_at is null",
      [digest],
    )
  ).rows[0]
  if (row?.stale) await db.query('update token set used_at = now() where id = $1', [row.id])
  return row && { id: row.id, name: row.name, kind: row.kind }
}

export async function listTokens(db: Queries): Promise<TokenLine[]> {
  return (
    await db.query<TokenLine>(
      'select id, name, kind, made_by as "madeBy", made_at as "madeAt", used_at as "usedAt" from token where ended_at is null order by lower(name)',
    )
  ).rows
}

/** Ends a token: its name; undefined when none stands under that id. */
export async function endToken(db: Queries, id: string): Promise<string | undefined> {
  return (
    await db.query<{ name: string }>(
      'update token set ended_at = now() where id = $1 and ended_at is null returning name',
      [id],
    )
  ).rows[0]?.name
}
