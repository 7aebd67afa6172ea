import { standingAlarms } from '../watch/clock'

/** What is told to every page, for those that show no build (server-sent events). */
export default defineEventHandler((event) => {
  const stream = createEventStream(event)
  const unhear = hearShop((news) => void stream.push({ event: 'shop', data: JSON.stringify(news) }))
  const beat = setInterval(() => void stream.push({ event: 'beat', data: '' }), 10_000)
  stream.onClosed(async () => {
    unhear()
    clearInterval(beat)
    await stream.close()
  })
  for (const alarm of standingAlarms()) void stream.push({ event: 'shop', data: JSON.stringify(alarm) })
  return stream.send()
})
