/** Who works in a shop, and what each may do. */

/** From the least to the most: each may what those before it may. */
export const ROLES = ['reader', 'apprentice', 'builder', 'owner'] as const
export type Role = (typeof ROLES)[number]

export interface Person {
  id: string
  name: string
  role: Role
  /** Whether there is a PIN: without one nobody signs in under this name. */
  pin: boolean
}

/** Names under which something is written where no person of the list was named: only on the shop's own machine. */
export const UNNAMED = ['Someone', 'A program'] as const

/** Whether a role is enough for what needs another. */
export const suffices = (role: Role, needed: Role): boolean => ROLES.indexOf(role) >= ROLES.indexOf(needed)

/** Longest name of a person or token. */
export const NAME_LENGTH = 60

/** What a token may be used for: sending readings, or what a builder may. */
export const TOKEN_KINDS = ['logger', 'script'] as const
export type TokenKind = (typeof TOKEN_KINDS)[number]

/** A change of an apprentice that waits for a builder's sign-off. */
export interface Proposal {
  number: number
  clientKey: string
  who: string
  /** ISO 8601. */
  at: string
  patch: { op: string; path: string; value?: unknown }[]
  reason: string
}

/** What may become of one: entered; sent back with a word why; taken back by whoever made it. */
export const DECISIONS = ['signed', 'sent-back', 'taken-back'] as const
export type Decision = (typeof DECISIONS)[number]

/** How somebody stands who asks this server. */
export interface Access {
  /** Whether a sign-in is asked for here. */
  needed: boolean
  /** Whether this device knows the shop's passphrase. */
  device: boolean
  person?: Pick<Person, 'id' | 'name' | 'role'>
  /** Who may be named here: those with a PIN where a sign-in is needed. Empty before the passphrase. */
  people: Person[]
}
