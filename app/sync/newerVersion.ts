/** What is asked of the browser's registration of the page's worker. */
export interface Registered {
  installing: ServiceWorker | null
  waiting: ServiceWorker | null
  update: () => Promise<unknown>
}

/** How long the browser may take to look whether the server has a newer version, ms. */
export const LOOKING = 10_000
/** How long it may take to fetch what the newer version keeps, ms: then the page is loaded as it is, and told of it again once it is there. */
export const FETCHING = 60_000
/** How long a version that lies ready may take to come into charge, ms: what the one before still answers holds it up. */
export const COMING = 5000

/**
 * Brings the newest version of the page into charge. Ends in any case: a version that does not come leaves the page to
 * be reloaded as it is, and is told of again.
 *
 * @param registered the worker's registration  @param begin tells the worker that waits to begin
 * @param begun resolves once another worker is in charge
 */
export async function bringIn(registered: Registered, begin: () => void, begun: Promise<unknown>): Promise<void> {
  await within(
    LOOKING,
    registered.update().catch(() => undefined),
  )
  if (registered.installing) await within(FETCHING, installed(registered.installing))
  if (!registered.waiting) return
  begin()
  await within(COMING, begun)
}

/** Resolves once a worker has all that it keeps, or has given up. */
function installed(worker: ServiceWorker): Promise<void> {
  return new Promise((done) => {
    const look = () => worker.state !== 'installing' && done()
    worker.addEventListener('statechange', look)
    look()
  })
}

/** Resolves with the work, or when its time is over. */
function within(limit: number, work: Promise<unknown>): Promise<unknown> {
  return Promise.race([work, new Promise((over) => setTimeout(over, limit))])
}
