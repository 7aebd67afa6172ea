import { ask } from '~/sync/ask'
import { IDENTITY } from '~/sync/useSync'

/** Says to the others who is at this tab and where, whenever it is another, and again when the server speaks anew. */
export function usePresence(): void {
  const build = useBuild()
  const person = usePerson()
  const route = useRoute()
  const page = computed(() => route.path.split('/')[3] ?? '')
  watch(
    () => [build.id, build.online, person.who, page.value] as const,
    ([id, online, who, at]) => {
      if (id && online && at)
        void ask('PUT /api/builds/:build/presence', {
          at: { build: id },
          body: { device: IDENTITY, who, page: at },
        }).catch(
          // Nobody is told; nothing that was recorded depends on it.
          () => {},
        )
    },
    { immediate: true },
  )
}
