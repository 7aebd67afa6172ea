/** Who has a build open in which tab, and at which of its pages; told by the streams that this process holds, and by other servers. */
export interface Present {
  /** A tab. */
  device: string
  who: string
  /** Page of the build, as in its address. */
  page: string
}

/** What is known of a tab: what it said, and how many streams of this build it holds open. */
interface Tab {
  said?: Present
  streams: number
}
/** A tab that says where it is before its stream stands is waited for so long, ms. */
const STREAM_WAIT = 30_000
const rooms = new Map<string, Map<string, Tab>>()
const listeners = new Map<string, Set<(present: Present[]) => void>>()

const presentHere = (build: string): Present[] =>
  [...(rooms.get(build)?.values() ?? [])].flatMap(({ said, streams }) => (said && streams > 0 ? [said] : []))

/** Who is at a build on other servers, by server, and when they last said so. */
const elsewhere = new Map<string, Map<string, { present: Present[]; at: number }>>()
/** Said again so often while somebody is there, ms; what was not said again for so long has gone with its server. */
const SAY_AGAIN = 10_000
const GONE = 25_000

export const presentAt = (build: string): Present[] => [
  ...presentHere(build),
  ...[...(elsewhere.get(build)?.values() ?? [])].flatMap(({ present, at }) => (Date.now() - at < GONE ? present : [])),
]

let tellElsewhere: ((build: string, present: Present[]) => void) | undefined
/** Other servers are told who is here, at each change and again while somebody is. */
export function providePresenceElsewhere(tell: (build: string, present: Present[]) => void): void {
  tellElsewhere = tell
  setInterval(() => {
    for (const build of rooms.keys()) tell(build, presentHere(build))
    for (const [build, servers] of elsewhere) {
      const old = [...servers].filter(([, { at }]) => Date.now() - at >= GONE)
      for (const [server] of old) servers.delete(server)
      if (servers.size === 0) elsewhere.delete(build)
      if (old.length > 0) toldHere(build)
    }
  }, SAY_AGAIN).unref()
}

/** Another server says who is at a build there. */
export function presentElsewhere(server: string, build: string, present: Present[]): void {
  const servers = elsewhere.get(build) ?? new Map<string, { present: Present[]; at: number }>()
  const before = JSON.stringify(servers.get(server)?.present ?? [])
  elsewhere.set(build, servers.set(server, { present, at: Date.now() }))
  if (before !== JSON.stringify(present)) toldHere(build)
}

function tabOf(build: string, device: string): Tab {
  const room = rooms.get(build) ?? new Map<string, Tab>()
  rooms.set(build, room)
  const tab = room.get(device) ?? { streams: 0 }
  room.set(device, tab)
  return tab
}

function told(build: string): void {
  toldHere(build)
  tellElsewhere?.(build, presentHere(build))
}

function toldHere(build: string): void {
  const present = presentAt(build)
  for (const hear of listeners.get(build) ?? []) hear(present)
}

/** Hears who is at a build, at once and whenever it is another, until the returned function is called. */
export function hearPresence(build: string, hear: (present: Present[]) => void): () => void {
  const own = listeners.get(build) ?? new Set()
  listeners.set(build, own.add(hear))
  hear(presentAt(build))
  return () => {
    own.delete(hear)
    if (own.size === 0) listeners.delete(build)
  }
}

/** A tab says who is at it and where; it counts while it holds a stream. */
export function arrive(build: string, present: Present): void {
  const tab = tabOf(build, present.device)
  if (tab.said?.who === present.who && tab.said.page === present.page) return
  tab.said = present
  if (tab.streams > 0) return told(build)
  setTimeout(() => forget(build, present.device), STREAM_WAIT).unref()
}

/** A tab's stream stands, until the returned function is called. */
export function holdStream(build: string, device: string): () => void {
  const tab = tabOf(build, device)
  tab.streams++
  if (tab.said) told(build)
  return () => {
    tab.streams--
    forget(build, device)
  }
}

/** Forgets a tab that holds no stream any more. */
function forget(build: string, device: string): void {
  const room = rooms.get(build)
  const tab = room?.get(device)
  if (!room || !tab || tab.streams > 0) return
  room.delete(device)
  if (room.size === 0) rooms.delete(build)
  if (tab.said) told(build)
}
