/** Whether the open page is that of an engine that is being primed or started now: nothing that can wait lies over its board. */
export function useTurning() {
  const run = useRun()
  const route = useRoute()
  return computed(() => run.run !== undefined && !run.ended && /\/(prime|start)$/.test(route.path))
}
