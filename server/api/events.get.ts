import { standingAlarms } from '../watch/clock'

/** What is told to every page, for those that show no build (server-sent events). */
export default defineEventHandler((event) => {
  const stream = openListener(event)
  const unhear = hearShop((news) => void stream.push({ event: 'shop', data: JSON.stringify(news) }))
  stream.onClosed(unhear)
  for (const alarm of standingAlarms()) void stream.push({ event: 'shop', data: JSON.stringify(alarm) })
  return stream.send()
})
