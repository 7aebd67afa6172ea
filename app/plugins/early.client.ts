import { nextTask } from '~/composables/nextTask'
import { stylesCome } from '~/stylesCome'

/** What any first screen waits for is asked for at once, beside the page's own script and not after it. */
export default defineNuxtPlugin({
  name: 'early',
  enforce: 'pre',
  dependsOn: ['pinia'],
  async setup() {
    const access = useAccess()
    const build = /^\/build\/([^/]+)/.exec(location.pathname)?.[1]
    if (build) useEngineModel()
    void access.load().then(() => {
      if (access.asks) return
      void useShop().load()
      if (build) void useBuild().open(decodeURIComponent(build))
    })
    // Reading the scripts, setting up and the first mount are each a task of their own.
    await Promise.all([stylesCome(), nextTask()])
  },
})
