/**
 * How a built server is run, here as in `deploy/`: V8 collects sooner where it may hold 1 GB of objects, which no shop comes near, than where it may take a large
 * machine's share; and threads that take memory from few arenas give it back.
 */
export const PROGRAM = ['--max-old-space-size=1024', '.output/server/index.mjs']
export const LEAN = { MALLOC_ARENA_MAX: '2' }
