/**
 * Loaded into a server before it starts (`--import`), it says over the process's channel how long its one thread was busy since it was
 * last asked, ms, and the longest that anything else had to wait for it, ms: what no client can see from outside.
 */
import { monitorEventLoopDelay, performance } from 'node:perf_hooks'

if (process.send) {
  const delays = monitorEventLoopDelay({ resolution: 1 })
  delays.enable()
  let since = performance.eventLoopUtilization()
  process.on('message', (message) => {
    if (message !== 'load') return
    const now = performance.eventLoopUtilization()
    const { active } = performance.eventLoopUtilization(now, since)
    process.send({ busy: active, longest: delays.max / 1e6, memory: process.memoryUsage.rss() / 1e6 })
    since = now
    delays.reset()
  })
  // The channel holds no server up that would end.
  process.channel.unref()
}
