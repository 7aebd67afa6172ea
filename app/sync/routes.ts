import type { Cause } from '#core/trace/vocabulary'
import type { Place } from '#core/house/floor'
import type { Access, Decision, Person, Proposal, Role, TokenKind } from '#core/house/people'
import type { House } from '#core/house/schema'
import type { StationProgress } from '#core/progress/progress'
import type { VerdictMove } from '#core/progress/housePreview'
import type { Learnt } from '#core/logbook/habit'
import type { Sister } from '#core/logbook/sisters'
import type { KeptResult } from '#core/practice/result'
import type { PlanGiven } from '#core/plan/shop'
import type { Verdict } from '#core/quantity/verdict'
import type { Entry } from '#core/record/entry'
import type { Layout, Sheet } from '#core/record/schema'
import type { BadRow } from '#core/run/csv'
import type { ChannelSample } from '#core/run/channels'
import type { Run } from '#core/run/run'
import type { BadRow as BadShelfRow } from '#core/shelf/csv'
import type { Hold, ShelfItem } from '#core/shelf/schema'

/** A build as the Floor lists it. */
export interface Listed {
  id: string
  revision: number
  name: string
  engine: string
  work: string
  layout: string
  changedAt: string
  progress: StationProgress[]
  primedAt?: number
  primedUntil?: number
  ranAt?: number
  /** By its model, as its own strip says it; there a moment later where it takes long. */
  standing?: { states: { label: string; verdict: Verdict; reading?: number }[]; voids: string[]; starvesFrom?: number }
  /** Changes of apprentices that wait for a sign-off. */
  waiting: number
  place: Place
  /** Where it was deleted: by whom, and until when it can be brought back. */
  deletedBy?: string
  keptUntil?: string
  /** When its open case was opened. */
  tracing?: string
  stopped?: { run: string; at: string; outcome: string | null }
}

/** Verdicts of a build that other house rules would move. */
export interface Moved {
  id: string
  name: string
  engine: string
  moves: VerdictMove[]
}

/** How tablets reach this server. */
export interface Network {
  open: boolean
  address?: string
  fingerprint?: string
  own?: boolean
  door?: string
}

/** How the shop's backups stand. */
export interface Backups {
  folder: string
  last?: number
  running: boolean
  failed?: string
}

/** What an owner sees of people, devices and tokens. */
export interface AccessKept {
  passphrase: boolean
  sessions: { id: string; person: string | null; agent: string; address: string; began: string; seen: string }[]
  tokens: { id: string; name: string; kind: TokenKind; madeBy: string; madeAt: string; usedAt: string | null }[]
  log: { number: number; at: string; what: string; subject: string; who: string; address: string; agent: string }[]
  /** Who has to wait after wrong PINs, ms, by id. */
  waits: Record<string, number>
}

/** A customer's link to a build's papers. */
export interface GuestLink {
  id: string
  /** Whom it is for. */
  name: string
  until: string
  madeBy: string
  madeAt: string
  usedAt: string | null
}

/** What such a link opens. */
export interface GuestAnswer extends Pick<GuestLink, 'name' | 'until' | 'madeBy'> {
  sheet: Sheet
  house: Pick<House, 'units' | 'rules' | 'school' | 'instruments'>
}

/** Names the hand where nobody has signed in. */
interface Hand {
  who?: string
}
type Empty = Record<string, never>

/** What the page asks of the server beside the queue: each route by method and path, with what goes in and what comes back. */
export interface Routes {
  'GET /api/practice': { answer: KeptResult[] }
  'GET /api/cases': { answer: { build: string; cause: Cause }[] }
  'GET /api/access': { answer: Access }
  'POST /api/access/passphrase': { body: { passphrase: string }; answer: { device: boolean } }
  'POST /api/access/sign-in': { body: { person: string; pin: string }; answer: { person: Omit<Person, 'pin'> } }
  'POST /api/access/sign-out': { body: Empty; answer: { device: boolean } }
  'PUT /api/access/pin': { body: { now: string; pin: string }; answer: { set: boolean } }
  'GET /api/people': { answer: AccessKept }
  'POST /api/people': { body: Hand & { name: string; role: Role }; answer: Person }
  'PUT /api/people/:person': {
    body: Hand & { role?: Role; pin?: string; unlock?: boolean; gone?: boolean }
    answer: unknown
  }
  'DELETE /api/sessions/:session': { answer: unknown }
  'POST /api/tokens': { body: Hand & { name: string; kind: TokenKind }; answer: { name: string; secret: string } }
  'DELETE /api/tokens/:token': { answer: unknown }
  'GET /api/guest': { secret: string; answer: GuestAnswer }
  'GET /api/builds/:build/links': { answer: GuestLink[] }
  'POST /api/builds/:build/links': { body: Hand & { name: string; until: string }; answer: { secret: string } }
  'DELETE /api/builds/:build/links/:link': { answer: unknown }
  'GET /api/network': { answer: Network }
  'GET /api/backups': { answer: Backups }
  'POST /api/backups': { body: Empty; answer: unknown }
  'GET /api/house': { answer: { revision: number; house: House } }
  'POST /api/house/preview': { body: Pick<House, 'rules' | 'school'>; answer: Moved[] }
  'POST /api/archive': {
    body: Blob
    answer: { builds: { id: string; name: string }[]; house: 'taken' | 'left' | 'none'; shelf: number }
  }
  'GET /api/shelf': { answer: { items: ShelfItem[]; holds: (Hold & { name: string })[] } }
  'POST /api/shelf/csv': { body: string; query: Hand; answer: { added: number; changed: number; bad: BadShelfRow[] } }
  'PUT /api/shelf/photos/:photo': { body: Blob; query: Hand; answer: unknown }
  'GET /api/plan': { answer: Pick<PlanGiven, 'engines' | 'pace' | 'now'> }
  'GET /api/builds': { answer: Listed[] }
  'POST /api/builds': {
    body: { id: string } & (
      ({ name: string; engine: string; work: string } & ({ preset: string } | { layout: Layout })) | { sheet: unknown }
    )
    answer: { id: string }
  }
  'POST /api/builds/sandbox': { body: { id: string }; answer: { id: string } }
  'DELETE /api/builds/sandbox/:build': { answer: unknown }
  'GET /api/builds/:build': { answer: { revision: number; sheet: Sheet; sandbox?: boolean } }
  'PUT /api/builds/:build/place': { body: Hand & { place: Place; name?: string }; answer: { place: Place } }
  'PUT /api/builds/:build/presence': { body: { device: string; who: string; page: string }; answer: unknown }
  'GET /api/builds/:build/experience': { answer: Learnt }
  'GET /api/builds/:build/sisters': { answer: Sister[] }
  'GET /api/builds/:build/entries': { answer: Entry[] }
  'GET /api/builds/:build/gauge': { query: { reading: string; press: number }; answer: { value: number } }
  'PUT /api/builds/:build/photos/:photo': { body: Blob; query: Hand; answer: unknown }
  'GET /api/builds/:build/proposals': { answer: Proposal[] }
  'POST /api/builds/:build/proposals/:number': {
    body: Hand & { decision: Decision; over?: boolean }
    answer: unknown
  }
  'GET /api/runs/:run': { answer: Run }
  'GET /api/builds/:build/runs': { query: { events: 'yes' | 'no' }; answer: Run[] }
  'GET /api/runs/:run/samples': { query: { after: number; most: number }; answer: ChannelSample[] }
  'POST /api/runs/:run/samples': {
    body: string
    query: { columns: string; header: string }
    answer: { taken: number; refused: BadRow[] }
  }
}

export type Route = keyof Routes
export type Answer<R extends Route> = Routes[R]['answer']

/** Names in a path: `/api/runs/:run/samples` has `run`. */
type Named<Path extends string> = Path extends `${string}:${infer Name}/${infer Rest}`
  ? Name | Named<Rest>
  : Path extends `${string}:${infer Name}`
    ? Name
    : never

type Given<Key extends string, Value> = [Value] extends [never] ? unknown : Record<Key, Value>
type Part<R extends Route, Key extends string> = Routes[R] extends Record<Key, infer Value> ? Value : never

/** What a route must be given: the names in its path, its query, its body. */
export type Ask<R extends Route> = Given<'at', [Named<R>] extends [never] ? never : Record<Named<R>, string | number>> &
  Given<'query', Part<R, 'query'>> &
  Given<'body', Part<R, 'body'>> &
  Given<'secret', Part<R, 'secret'>> & { signal?: AbortSignal }
