/** The view of a station that stands in the address; its first where none does. */
export function useView<T extends string>(views: readonly { view: T; words: string }[]) {
  const route = useRoute()
  const router = useRouter()
  const view = computed<T>(() => views.find((each) => each.view === route.query.view)?.view ?? views[0].view)
  /** Goes to a view, a step that Back takes back; what else stands in the address stays, the view's own search does not. */
  const go = (next: T, more: Record<string, string | undefined> = {}) =>
    router.push({
      query: { ...route.query, view: next === views[0].view ? undefined : next, at: undefined, ...more },
    })
  return { view, go }
}
