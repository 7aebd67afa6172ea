import { resolve } from 'node:path'
import { openLog } from '../log/log'
import { countRequest } from '../metrics/metrics'

/** Writes a line for each request: what, by whom, with what status, in how many ms; never what it brought or was answered. */
export default defineNitroPlugin((nitro) => {
  const log = openLog(resolve(process.env.ULDO_DATA ?? 'data'))
  nitro.hooks.hook('request', (event) => {
    const began = performance.now()
    const { req, res } = event.node
    const from = clientAddress(event)
    countAnswer(res)
    // A stream's line is written when it ends, as any other's.
    res.once('close', () => {
      const path = event.path.split('?')[0]
      const status = res.statusCode
      const line = {
        method: req.method,
        path,
        status,
        ms: Math.round(10 * (performance.now() - began)) / 10,
        who: event.context.who as string | undefined,
        from,
        ...(res.writableFinished ? {} : { cut: true }),
      }
      if (!res.getHeader('content-type')?.toString().startsWith('text/event-stream'))
        countRequest(req.method ?? 'GET', event.context.matchedRoute?.path, status, (performance.now() - began) / 1000)
      if (status >= 500) log.error(line)
      else if (status >= 400) log.warn(line)
      else if (path.startsWith('/api/')) log.info(line)
      else log.debug(line)
    })
  })
  nitro.hooks.hook('error', (error, { event }) => {
    const status = (error as { statusCode?: number }).statusCode ?? 500
    if (status >= 500 && status !== 503)
      log.error({ err: error, method: event?.method, path: event?.path.split('?')[0] }, 'not foreseen')
  })
})
