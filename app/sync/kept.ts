import type { Operation } from 'fast-json-patch'
import type { Change } from '#core/record/entry'

/** What a browser can write: to a build's record, to a run, to what the shop keeps, to the shelf; and what was done on the practice bench. */
export type Kind = 'build' | 'run' | 'shop' | 'shelf' | 'practice'

/** Why the server did not take a change. */
export interface Refusal {
  status: number
  code: string
  message: string
  problems: { path: string; message: string }[]
  /** What stands there now, who wrote it and when, where another hand wrote first. */
  conflict?: { path: string; revision: number; now: unknown; who: string; at: string }
}

/**
 * One change on its way to the server. `waiting`: not answered yet; `conflict`: another hand wrote there first, and somebody must settle it; `refused`: the
 * server will not take it as it is. The last two stand apart: they hold up nothing, and stay until a hand has dealt with them.
 */
export interface Kept {
  /** Order of sending over all tabs of this browser. */
  order: number
  /** UUID: sent twice, entered once. */
  key: string
  kind: Kind
  /** What it changes: a build's or run's id, `shop` or `shelf`. */
  document: string
  /** Page load that it was made in. */
  identity: string
  label: string
  url: string
  body: unknown
  state: 'waiting' | 'conflict' | 'refused'
  /** ms since 1970, by this browser's clock. */
  at: number
  /** Failures of the server itself so far. */
  failures: number
  refusal?: Refusal
}

export type Draft = Pick<Kept, 'key' | 'kind' | 'document' | 'identity' | 'label' | 'url' | 'body'>

/** Body of a change to a build. */
export interface BuildChange extends Change {
  /** Moves on the shelf that belong to it: all of it is entered, or nothing. */
  orders?: { clientKey: string; item: string; move: string; count: number }[]
}

/** Body of a change to what the shop keeps. */
export type ShopChange = Change

/** Paths of which one holds the other. */
export function overlap(a: string, b: string): boolean {
  return a === b || a.startsWith(`${b}/`) || b.startsWith(`${a}/`)
}

/** The patch of a kept change to a build or the shop. */
export const patchOf = ({ body }: Pick<Kept, 'body'>): Operation[] => (body as Partial<BuildChange>).patch ?? []
