/** A run with its events, without its samples. */
export default defineEventHandler(async (event) => shown(await requireRun(event)))
