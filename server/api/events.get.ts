import { standingAlarms } from '../watch/clock'

export default describedHandler(
  {
    about: 'What is told to every page, for those that show no build (server-sent events).',
    gives: 'text/event-stream',
  },
  (event) => {
    const stream = openListener(event)
    const unhear = hearShop((news) => void stream.push({ event: 'shop', data: JSON.stringify(news) }))
    stream.onClosed(unhear)
    void stream.push(beatOf())
    for (const alarm of standingAlarms()) void stream.push({ event: 'shop', data: JSON.stringify(alarm) })
    return stream.send()
  },
)
