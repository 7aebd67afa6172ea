/** What one server of Uldo tells the others: who and which number, never what; that is read from the records. */
export type Notice =
  | { kind: 'entry'; id: string; number: number }
  /** A run has begun; an event of it, by its number; readings of it, by the last number before them; and its end. */
  | { kind: 'begun'; id: string }
  | { kind: 'event'; id: string; number: number }
  | { kind: 'samples'; id: string; number: number }
  | { kind: 'end'; id: string }
  | { kind: 'house'; number: number }
  | { kind: 'shelf' }
  | { kind: 'people' }
  | { kind: 'proposals'; id: string }
  /** The watch calls a start off, or a hand has taken it. */
  | { kind: 'alarm'; id: string; on: boolean }
  | { kind: 'session-ended'; id: string }
  /** Who is at a build on this server. */
  | { kind: 'present'; id: string; present: { device: string; who: string; page: string }[] }
