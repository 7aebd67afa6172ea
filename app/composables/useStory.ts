import { type StoryLine, sheetAt, storyOf } from '#core/logbook/story'
import type { Entry } from '#core/record/entry'
import type { Run } from '#core/run/run'
import type { RunEvent } from '#core/run/schema'
import { v4 as uuid } from 'uuid'
import { fetchStory } from '~/sync/story'
import { useSync } from '~/sync/useSync'
import { t } from '~/words/of/logbook'
import { lineWords, runWords } from '~/words/logbook'

/** A line of the story with its words, as the table shows, sorts and searches it. */
export interface StoryRow extends Pick<StoryLine, 'kind' | 'station' | 'revision'> {
  id: string
  /** ms; undefined where nobody knows when. */
  at?: number
  who: string
  signedBy?: string
  what: string
  before: string
  after: string
  instrument: string
  reason: string
  /** Photos that came with it, by id. */
  photos: string[]
  run?: Run
}

const photosOf = (of: unknown) => (of as { photos?: string[] } | undefined)?.photos ?? []

/** The open build's story: what was entered and its runs, fetched anew at each revision. */
export function useStory() {
  const build = useBuild()
  const units = useUnits()
  const entries = shallowRef<Entry[]>()
  const runs = shallowRef<Run[]>([])
  const failed = ref(false)
  /** Whether it is as it was last seen, without the server. */
  const seenBefore = ref(false)
  const load = oneAtATime(async () => {
    const found = await fetchStory(build.id!).catch(() => undefined)
    if (found) {
      entries.value = found.entries
      runs.value = found.runs
    }
    seenBefore.value = found?.fresh === false
    // What was seen before leads back from the build as it was then, and from no later one.
    failed.value = !found || (!found.fresh && found.entries.length !== build.revision)
  })
  watch(() => build.revision, load, { immediate: true })

  /** What stands on the server: entries lead back from there, and not from what is on its way. */
  const recorded = computed(() => {
    const sheet = build.confirmed
    return sheet && entries.value?.length === build.revision ? sheet : undefined
  })
  const lines = computed(() => (recorded.value ? storyOf(recorded.value, entries.value!) : undefined))
  const rows = computed(() => {
    const { layout } = build.sheet!
    const written = (lines.value ?? []).map(
      ({ kind, station, revision, at, who = '', signedBy, reason, ...line }, i): StoryRow => ({
        id: `${revision}.${i}`,
        kind,
        station,
        revision,
        who,
        reason,
        photos: photosOf(line.after).filter((photo) => !photosOf(line.before).includes(photo)),
        ...(at ? { at: Date.parse(at) } : {}),
        ...(signedBy ? { signedBy } : {}),
        ...lineWords({ kind, station, revision, who, reason, ...line }, layout, units.sayReading),
      }),
    )
    const ran = runs.value.map((run): StoryRow => ({
      id: run.id,
      kind: 'run',
      station: run.kind === 'start' ? 'start' : 'prime',
      revision: revisionAt(entries.value ?? [], run.startedAt),
      at: Date.parse(run.startedAt),
      who: run.who,
      reason: '',
      photos: run.events.flatMap(({ data }) => (typeof data.photo === 'string' ? [data.photo] : [])),
      run,
      ...runWords(run),
    }))
    return [...written, ...ran].sort((a, b) => (b.at ?? 0) - (a.at ?? 0))
  })
  return {
    rows,
    entries,
    /** Primes and starts, the newest first. */
    runs: computed(() => [...runs.value].sort((a, b) => b.startedAt.localeCompare(a.startedAt))),
    failed,
    seenBefore,
    /** A photo of a run: one of its events, which the queue brings to the server. */
    photograph: (run: Run, photo: string) => {
      const body: RunEvent = {
        clientKey: uuid(),
        time: 0,
        kind: 'note',
        words: t('milestones.photoOfTheRun'),
        data: { photo },
        who: usePerson().who || 'Someone',
      }
      const added = { ...body, number: Number.MAX_SAFE_INTEGER, at: new Date().toISOString() }
      runs.value = runs.value.map((each) => (each.id === run.id ? { ...each, events: [...each.events, added] } : each))
      return useSync().enter({
        key: body.clientKey,
        kind: 'run',
        document: run.id,
        label: t('milestones.photoOfTheRun'),
        url: `/api/runs/${run.id}/events`,
        body,
      })
    },
    /** The build as it was at a revision. */
    at: (revision: number) => recorded.value && sheetAt(recorded.value, entries.value!, revision),
  }
}

/** The revision that stood at a moment. */
const revisionAt = (entries: readonly Entry[], at: string): number =>
  entries.filter((entry) => Date.parse(entry.at) <= Date.parse(at)).length
