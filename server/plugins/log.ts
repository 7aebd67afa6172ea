import { resolve } from 'node:path'
import { openLog } from '../log/log'

/** Writes a line for each request: what, by whom, with what status, in how many ms; never what it brought or was answered. */
export default defineNitroPlugin((nitro) => {
  const log = openLog(resolve(process.env.ULDO_DATA ?? 'data'))
  nitro.hooks.hook('request', (event) => {
    const began = performance.now()
    const { req, res } = event.node
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
        from: req.socket.remoteAddress,
        ...(res.writableFinished ? {} : { cut: true }),
      }
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
