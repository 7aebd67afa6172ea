import equal from 'fast-deep-equal'
import { oilName } from '#core/engine/experience'
import type { Learnt } from '#core/logbook/habit'
import type { Experience } from '#core/record/experience'
import type { Sheet } from '#core/record/schema'
import { askOrSeen, SEEN_AGAIN } from '~/sync/lastSeen'

/** What is told is waited for so long, ms, before a build is shown without. */
const SOON = 800
/** A change of the record has reached the server after so long, ms. */
const WRITTEN = 1500

/** What of a build decides which other engines teach it, and how much. */
export const taughtBy = (build: string | undefined, sheet: Sheet) => [build, sheet.engine, oilName(sheet)].join('|')

/** What the shop's other engines say of the open build's model: as the server last told it. */
export const useExperience = defineStore('experience', () => {
  const found = shallowRef<{ build: string; learnt: Learnt }>()
  /** The server was asked and did not tell, now or before. */
  const missed = ref(false)
  let wanted = ''
  let told: Promise<void> = Promise.resolve()

  /** Asks the server; without it what it told before stands, and is asked for again. */
  function load(build: string): Promise<void> {
    wanted = build
    told = (async () => {
      const at = { build }
      const answered = await askOrSeen('GET /api/builds/:build/experience', { at }).catch(() => undefined)
      if (wanted !== build) return
      missed.value = !answered
      if (!answered) return
      // The same object while it says the same: nothing is predicted anew.
      const now = { build, learnt: answered.answer }
      if (!equal(found.value, now)) found.value = now
      if (!answered.fresh) setTimeout(() => wanted === build && void load(build), SEEN_AGAIN)
    })()
    return told
  }
  /** Resolves once it is told, or in a moment: a prediction that would be another then is not shown first. */
  const soon = () => Promise.race([told, new Promise<void>((late) => setTimeout(late, SOON))])
  /** Asks again once the engine or its oil is another. */
  function again(now: string | undefined, before: string | undefined) {
    const [build] = (now ?? '').split('|')
    if (build && before?.startsWith(`${build}|`)) setTimeout(() => wanted === build && void load(build), WRITTEN)
  }
  const learntOf = (build: string | undefined): Learnt | undefined =>
    found.value && found.value.build === build ? found.value.learnt : undefined
  const of = (build: string | undefined): Experience | undefined => learntOf(build)?.experience
  return { missed, load, soon, again, learntOf, of }
})
