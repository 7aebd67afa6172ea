import { wrongTries } from '../data/accessLog'
import { currentBackups, requireDatabase } from '../utils/database'
import { openCounts } from '../utils/farewell'
import { hearsOthers, keepsWatch } from '../utils/others'
import {
  collectDefaultMetrics,
  Gauge,
  Histogram,
  openMetricsContentType,
  type OpenMetricsContentType,
  Registry,
} from 'prom-client'
import { recordsState } from '../plugins/records'
import { standingAlarms } from '../watch/clock'

const registry = new Registry<OpenMetricsContentType>()
registry.setContentType(openMetricsContentType)
collectDefaultMetrics({ register: registry as unknown as Registry })

/** Bounds of the times that are counted, s: a patch takes milliseconds, an archive seconds. */
const BUCKETS = [0.005, 0.01, 0.025, 0.05, 0.1, 0.15, 0.25, 0.5, 1, 2.5, 5, 10]
const requests = new Histogram({
  name: 'uldo_request_seconds',
  help: 'Time from a request to the end of its answer; streams are not counted here.',
  labelNames: ['method', 'route', 'status'] as const,
  buckets: BUCKETS,
  registers: [registry],
})

const gauge = (name: string, help: string, collect: () => number | undefined | Promise<number | undefined>) =>
  new Gauge({
    name: `uldo_${name}`,
    help,
    registers: [registry],
    async collect() {
      const value = await collect()
      if (value === undefined) this.reset()
      else this.set(value)
    },
  })

gauge('listeners', 'Streams that pages hold open.', () => openCounts().listening)
gauge('answering', 'Requests that are being answered.', () => openCounts().answering)
gauge('keeps_watch', 'Whether this server keeps the watch over starts.', () => Number(keepsWatch()))
gauge('hears_others', 'Whether this server hears of what others on its database write.', () => Number(hearsOthers()))
gauge('stops_standing', 'Calls of STOP that no hand has taken yet.', () => standingAlarms().length)
gauge('records_checked', 'Whether all records were looked through since the start.', () => Number(recordsState.checked))
gauge('records_damaged', 'Places at which the records do not hold together.', () => recordsState.damage.length)
gauge('wrong_tries_hour', 'Wrong passphrases and PINs within the last hour, from everywhere.', () =>
  wrongTries(requireDatabase()).catch(() => undefined),
)
gauge('backup_age_seconds', 'How old the last good backup is; none where there is none.', () => {
  const last = currentBackups()?.state().last
  return last === undefined ? undefined : (Date.now() - last) / 1000
})

/**
 * Counts a request that was answered.
 *
 * @param route the server's own name of the route that answered it; of what met none only that there was something, since anybody may ask for anything
 */
export function countRequest(method: string, route: string | undefined, status: number, seconds: number): void {
  requests.observe({ method, route: !route || route.includes('*') ? 'none' : route, status }, seconds)
}

/** All of it, as it is now. */
export const metricsText = async () => ({ text: await registry.metrics(), type: registry.contentType })
