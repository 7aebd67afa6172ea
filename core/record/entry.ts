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
  /** Changes on their way that this one was made in sight of, by key: never a conflict with it. */
  knows?: string[]
}

/** A change that has been entered; never altered afterwards. */
export interface Entry extends Omit<Change, 'base' | 'knows'> {
  /** The build's revision after it. */
  revision: number
  /** ISO 8601. */
  at: string
  /** Who signed it off, where an apprentice made it. */
  signedBy?: string
  /** Undoes the patch. */
  inverse: Operation[]
}
