import { t } from '~/words/of/sight'
import { ask, refusedWords } from '~/sync/ask'
import { dateOf } from '~/words/dates'
import { remember, remembered } from '~/sync/browserStorage'
import type { Inspection, ShellLook } from '#core/record/schema'

/** The same shell as it came out the last time: of another build of this shop that a hand names, since an engine that comes back is a build of its own. Builds of the same engine come first. */
export function useLastSet(key: () => string) {
  const build = useBuild()
  const storage = `uldo.lastSet.${build.id}`
  const chosen = ref(remembered(storage, ''))
  const all = shallowRef<{ id: string; name: string; engine: string; changedAt: string }[]>([])
  const found = shallowRef<Inspection>()
  const loaded = ref('')
  const problem = ref('')
  const away = (error: unknown) => (problem.value = refusedWords(error, t('shell.away')))

  async function list() {
    try {
      const listed = await ask('GET /api/builds')
      all.value = listed
        .filter(({ id, place }) => id !== build.id && place !== 'deleted')
        .sort(
          (a, b) =>
            Number(b.engine === build.sheet?.engine) - Number(a.engine === build.sheet?.engine) ||
            b.changedAt.localeCompare(a.changedAt),
        )
    } catch (error) {
      away(error)
    }
  }
  async function fetchIt() {
    const [of, shell] = [chosen.value, key()]
    found.value = undefined
    loaded.value = ''
    problem.value = ''
    if (!of) return
    try {
      const { sheet } = await ask('GET /api/builds/:build', { at: { build: of } })
      if (of !== chosen.value || shell !== key()) return
      found.value = sheet.inspections[shell]
      loaded.value = of
    } catch (error) {
      if (of === chosen.value) away(error)
    }
  }
  void list()
  watch([chosen, key], fetchIt, { immediate: true })
  function choose(of: string) {
    chosen.value = of
    remember(storage, of)
  }
  const options = computed(() => [
    { value: '', words: t('shell.noLastSet') },
    ...all.value.map(({ id, name, engine, changedAt }) => ({
      value: id,
      words: [name, engine, dateOf(changedAt)].filter(Boolean).join(', '),
    })),
  ])
  const look = computed<ShellLook | undefined>(
    () => found.value?.shell ?? (found.value ? { zones: {}, pictures: {} } : undefined),
  )
  const pictures = computed(() =>
    (found.value?.photos ?? []).map((photo) => ({
      src: `/api/builds/${loaded.value}/photos/${photo}`,
      zones: Object.entries(look.value?.pictures[photo]?.zones ?? {}).map(([zone, at]) => ({
        zone: zone as keyof ShellLook['zones'],
        at: at!,
      })),
    })),
  )
  const none = computed(() => loaded.value === chosen.value && !found.value)
  return { chosen, choose, options, look, pictures, none, problem }
}
