/** Whether the records are open: what start scripts and tests wait for. */
export default defineEventHandler(() => {
  requireDatabase()
  return { ready: true }
})
