import type { Entry } from '#core/build/entry'
import { entriesAfter } from '../../../data/builds'

/** Entries of a build as they are made, from the revision the listener has (server-sent events). */
export default defineEventHandler(async (event) => {
  const { id } = await requireBuild(event)
  const after = Number(getRequestHeader(event, 'last-event-id') ?? getQuery(event).after ?? 0) || 0
  const stream = createEventStream(event)
  const tell = (entry: Entry) => stream.push({ id: String(entry.revision), event: 'entry', data: JSON.stringify(entry) })
  const unwatch = hearEntries(id, tell)
  const beat = setInterval(() => void stream.push({ event: 'beat', data: '' }), 10_000)
  stream.onClosed(async () => {
    unwatch()
    clearInterval(beat)
    await stream.close()
  })
  void entriesAfter(requireDatabase(), id, after).then(async (entries) => {
    for (const entry of entries) await tell(entry)
  })
  return stream.send()
})
