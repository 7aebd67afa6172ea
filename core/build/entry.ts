import type { Operation } from 'fast-json-patch'

/** A change to a sheet as a browser sends it: a patch made on revision `base`, under a key of its own. */
export interface Change {
  /** UUID; sent twice, entered once. */
  clientKey: string
  /** UUID of the tab it was made in. */
  device: string
  base: number
  who: string
  patch: Operation[]
  reason: string
}

/** A change that has been entered; never altered afterwards. */
export interface Entry extends Omit<Change, 'base'> {
  /** The build's revision after it. */
  revision: number
  /** ISO 8601. */
  at: string
  /** Undoes the patch. */
  inverse: Operation[]
}
