import { t } from '~/words/of/frame'
import type { Outlook } from '#core/outlook/outlook'
import type { Experience } from '#core/record/experience'
import type { StateName } from '#core/targets/targets'
import { oneAtATime } from '~/composables/oneAtATime'

const GHOST = 6000
const SETTLE = 500
/** What stands is called old while its successor is not there after so long, given up after so long, and then asked for again, ms. */
const LATE = 3000
const PATIENCE = 20_000
const AGAIN = 4000

/** Less than half of the finest step that a change is said in, Pa. */
const SHOWN = 500

/** The open build's outlook: quick after every value, in full once hands rest; and what the last value changed. */
export const useOutlook = defineStore('outlook', () => {
  const build = useBuild()
  const now = shallowRef<Outlook>()
  const ghost = shallowRef<Outlook>()
  const failed = ref<string>()
  /** The answer to what is on record now has not come yet: what stands is of before. */
  const late = ref(false)
  /** What stands, if anything, is of the record that is open now. */
  const current = computed(() => now.value !== undefined && failed.value === undefined && !late.value)
  /** What stands was drawn with all samples, and not quickly while hands move. */
  const full = ref(false)
  /** Milliseconds from the last change to its prediction. */
  const took = ref(0)
  let settling: ReturnType<typeof setTimeout> | undefined
  let fading: ReturnType<typeof setTimeout> | undefined
  let asked = 0
  let taught: Experience | undefined

  /** Asks for the sheet as it is; while one answer is on its way only the last of the later ones is asked for. */
  const ask = oneAtATime(answer)

  async function answer() {
    const sheet = build.sheet
    if (!sheet) return
    const turn = ++asked
    const id = build.id
    const started = performance.now()
    clearTimeout(settling)
    const slow = setTimeout(() => (late.value = true), LATE)
    const lost = setTimeout(() => endModel(t('outlook.theModelDoesNotAnswer')), PATIENCE)
    try {
      const found = await useEngineModel().outlook(sheet)
      if (turn !== asked || id !== build.id) return
      // What other engines teach moves it without a hand having written anything.
      const before = sheet.experience === taught ? now.value : undefined
      taught = sheet.experience
      now.value = found
      full.value = false
      failed.value = undefined
      took.value = performance.now() - started
      if (before && moved(before, found)) {
        ghost.value = before
        clearTimeout(fading)
        fading = setTimeout(() => (ghost.value = undefined), GHOST)
      }
      settling = setTimeout(async () => {
        const whole = await useEngineModel()
          .fullOutlook(sheet)
          .catch(() => undefined)
        if (!whole || turn !== asked || id !== build.id) return
        now.value = whole
        full.value = true
      }, SETTLE)
    } catch (error) {
      if (turn !== asked) return
      failed.value = (error as Error).message
      setTimeout(() => turn === asked && void ask(), AGAIN)
    } finally {
      clearTimeout(slow)
      clearTimeout(lost)
      if (turn === asked) late.value = false
    }
  }
  watch(() => build.sheet, ask, { immediate: true })
  watch(
    () => build.id,
    () => {
      now.value = undefined
      ghost.value = undefined
    },
  )

  /** Change of a state's pressure by the last value, Pa; undefined when it did not move by as much as is shown. */
  function change(name: StateName): number | undefined {
    const before = ghost.value?.states.find((state) => state.name === name)
    const after = now.value?.states.find((state) => state.name === name)
    if (!before || !after || Math.abs(after.pressure - before.pressure) < SHOWN) return undefined
    return after.pressure - before.pressure
  }
  return { now, ghost, failed, late, full, current, took, change }
})

function moved(a: Outlook, b: Outlook): boolean {
  return a.states.some((state, i) => Math.abs(state.pressure - b.states[i].pressure) > 200)
}
