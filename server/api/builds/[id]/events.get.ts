import { z } from 'zod'
import type { Entry } from '#core/record/entry'
import { entriesAfter } from '../../../data/builds'
import { standingAlarms } from '../../../watch/clock'

export default describedHandler(
  {
    about:
      'Entries of a build as they are made, from the revision the listener has, and what is told to every page (server-sent events).',
    query: z.object({ after: z.number().optional(), device: z.string().optional() }),
    gives: 'text/event-stream',
  },
  async (event) => {
    const { id } = await requireBuild(event)
    const after = Math.max(0, requireAfter(getRequestHeader(event, 'last-event-id') ?? getQuery(event).after ?? 0))
    const stream = openListener(event)
    const tell = (entry: Entry) =>
      void stream.push({ id: String(entry.revision), event: 'entry', data: JSON.stringify(entry) })
    const unwatch = hearEntries(id, tell)
    const device = String(getQuery(event).device ?? '')
    const letGo = device ? holdStream(id, device) : () => undefined
    const unmeet = hearPresence(
      id,
      (present) =>
        void stream.push({
          event: 'present',
          data: JSON.stringify(present.filter((each) => each.device !== device)),
        }),
    )
    const unhear = hearShop((news) => void stream.push({ event: 'shop', data: JSON.stringify(news) }))
    stream.onClosed(() => {
      unwatch()
      unhear()
      unmeet()
      letGo()
    })
    for (const alarm of standingAlarms()) void stream.push({ event: 'shop', data: JSON.stringify(alarm) })
    void entriesAfter(requireDatabase(), id, after)
      .then(async (entries) => {
        for (const entry of entries)
          await stream.push({ id: String(entry.revision), event: 'entry', data: JSON.stringify(entry) })
      })
      .catch((error: Error) => console.error(`Entries of build ${id} could not be told: ${error.message}`))
    return stream.send()
  },
)
