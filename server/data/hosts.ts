import type pg from 'pg'
import { DatabaseAway } from './failure'

/**
 * The servers that an address names, each as an address of its own: `postgres://uldo@one:5432,two:5433/uldo` names two, as PostgreSQL's own programs
 * take it. Of a primary and its standbys one writes at a time.
 */
export function hostsOf(url: string): string[] {
  const parts = /^(\w+:\/\/(?:[^@/]*@)?)([^/?]+)(.*)$/.exec(url)
  if (!parts) return [url]
  const [, before, hosts, after] = parts
  return hosts!.split(',').map((host) => `${before}${host}${after}`)
}

/** Which of the servers that an address names wrote last, in this process. */
const writing = new Map<string, number>()

/** The server to be asked next of those that an address names. */
export function hostOf(url: string): string {
  const hosts = hostsOf(url)
  return hosts[(writing.get(url) ?? 0) % hosts.length]!
}

/** One of them was not reached, or does not write: the next is asked. */
export function nextHost(url: string, asked: string): void {
  // Of many connections that fail at once one turns.
  if (hostOf(url) === asked) writing.set(url, (writing.get(url) ?? 0) + 1)
}

/** @throws DatabaseAway where a server only follows another: what it was asked would not be written, and its locks hold nobody */
export async function requireWriting(client: Pick<pg.ClientBase, 'query'>): Promise<void> {
  const { rows } = await client.query<{ follows: boolean }>('select pg_is_in_recovery() as follows')
  if (rows[0]!.follows) throw new DatabaseAway('The database server follows another and does not write')
}
