import { proxy } from 'comlink'
import type { Operation } from 'fast-json-patch'
import { NOT_KNOWN, type RecordedCase } from '#core/record/traceCase'
import type { Observation } from '#core/trace/vocabulary'
import { nextCaseKey, openCase, tracedOf } from '#core/trace/cases'
import { checkTitle, valueWords } from '~/words/trace'
import { t } from '~/words/of/trace'

type Read = RecordedCase['readings'][number]

/** The open case of the open build: what is known of it, what that makes of it, and the hands that write it. */
export function useTrace() {
  const build = useBuild()
  const hand = () => ({ by: usePerson().who || 'Someone', at: new Date().toISOString() })
  const open = computed(() => (build.sheet ? openCase(build.sheet) : undefined))
  const recorded = computed(() => open.value?.recorded)
  const traced = computed(() => (recorded.value ? tracedOf(recorded.value, build.sheet!) : undefined))
  const shop = useShopCases()
  /** How far the simulations of a sheet are that has not been traced before. */
  const share = ref(0)
  const tell = proxy((done: number) => void (share.value = done))
  const {
    value: trace,
    error,
    pending,
  } = useAnswer(
    (_model, slow) =>
      build.sheet && traced.value
        ? slow().trace(build.sheet, traced.value, shop.factors(traced.value), tell)
        : undefined,
    () => [JSON.stringify(traced.value), build.revision, shop.counted, shop.found.length],
  )
  const path = (...parts: (string | number)[]) => ['/cases', open.value!.key, ...parts].join('/')
  const change = (patch: Operation[], label: string) => build.change(patch, label)
  /** Writes into a part of the case that may not be there yet. */
  const into = (part: 'skipped' | 'observations', key: string, value: unknown): Operation =>
    recorded.value?.[part]
      ? { op: 'add', path: path(part, key), value }
      : { op: 'add', path: path(part), value: { [key]: value } }

  return {
    open,
    recorded,
    traced,
    trace,
    error,
    pending,
    share,
    shop,
    begin: (of: Pick<RecordedCase, 'context' | 'moment'> & Partial<RecordedCase>) => {
      const key = nextCaseKey(build.sheet!)
      const { by, at } = hand()
      const value: RecordedCase = { opened: at, by, from: 'hand', readings: [], observations: {}, ...of }
      return change(
        [
          build.sheet!.cases
            ? { op: 'add', path: `/cases/${key}`, value }
            : { op: 'add', path: '/cases', value: { [key]: value } },
        ],
        t('trace.openACase'),
      )
    },
    observe: (key: Observation, value: string) =>
      change(
        [
          ...(recorded.value?.skipped?.[key] === undefined
            ? []
            : [{ op: 'remove' as const, path: path('skipped', key) }]),
          into('observations', key, { value, ...hand() }),
        ],
        `${checkTitle(key)}: ${valueWords(key, value)}`,
      ),
    takeBack: (key: Observation) =>
      change(
        [{ op: 'remove', path: path(recorded.value?.observations[key] ? 'observations' : 'skipped', key) }],
        checkTitle(key),
      ),
    /** Adds a photo to what was seen. */
    picture: (key: Observation, photo: string) =>
      change(
        [
          recorded.value!.observations[key]!.photos
            ? { op: 'add', path: path('observations', key, 'photos', '-'), value: photo }
            : { op: 'add', path: path('observations', key, 'photos'), value: [photo] },
        ],
        t('trace.photoOf', { check: checkTitle(key) }),
      ),
    leave: (key: Observation, why: string = NOT_KNOWN) => change([into('skipped', key, why)], checkTitle(key)),
    read: (reading: Omit<Read, 'by' | 'at'>) =>
      change(
        [{ op: 'add', path: path('readings', recorded.value!.readings.length), value: { ...reading, ...hand() } }],
        t('trace.gaugeRead'),
      ),
    unread: (i: number) => change([{ op: 'remove', path: path('readings', i) }], t('trace.gaugeRead')),
    found: (cause: string, words?: string) =>
      change(
        [{ op: 'add', path: path('found'), value: { cause, ...(words ? { words } : {}), ...hand() } }],
        t('trace.found'),
      ),
    mended: (words: string) =>
      change([{ op: 'add', path: path('mended'), value: { words, ...hand() } }], t('trace.whatWasDone')),
    prove: (reading: Omit<Read, 'by' | 'at'> | undefined) =>
      change(
        [
          reading
            ? { op: 'add', path: path('proof'), value: { ...reading, ...hand() } }
            : { op: 'remove', path: path('proof') },
        ],
        t('trace.proof'),
      ),
    close: () => change([{ op: 'add', path: path('closed'), value: hand().at }], t('trace.close')),
  }
}
