import { proxy } from 'comlink'
import type { Call, DrillStart } from '#core/practice/drill'
import { scoreDrill, SHOWN, STARTS } from '#core/practice/drill'
import { newSheet } from '#core/record/layouts'
import { keepPractice } from '~/composables/usePractice'

type Phase = 'rest' | 'drawing' | 'ready' | 'running' | 'between' | 'ended'

/** Twenty short starts after one another: each runs in real time until it is stopped or over. */
export function useDrill() {
  const phase = ref<Phase>('rest')
  const share = ref(0)
  const failed = ref('')
  const starts = shallowRef<DrillStart[]>([])
  const calls = ref<Call[]>([])
  const time = ref(0)
  const engine = ref('')
  const start = computed(
    () =>
      starts.value[phase.value === 'between' || phase.value === 'ended' ? calls.value.length - 1 : calls.value.length],
  )
  /** The newest reading at this moment. */
  const sample = computed(() => start.value?.samples.findLast((each) => each.time <= time.value + 1e-9))
  const score = computed(() => (phase.value === 'ended' ? scoreDrill(starts.value, calls.value) : undefined))
  let frame: number | undefined
  let beganAt = 0
  /** Which drawing is waited for: one that was left meanwhile is none. */
  let drawing = 0

  async function draw(preset: string, title: string, seed: number) {
    const own = ++drawing
    phase.value = 'drawing'
    share.value = 0
    failed.value = ''
    calls.value = []
    engine.value = title
    try {
      const drawn = await useSlowWorker().drill(
        newSheet(preset, title, title),
        seed,
        proxy((done: number) => void (share.value = done)),
      )
      if (own !== drawing) return
      starts.value = drawn
      phase.value = 'ready'
    } catch (error) {
      if (own !== drawing) return
      failed.value = (error as Error).message
      phase.value = 'rest'
    }
  }
  function go() {
    beganAt = performance.now()
    time.value = 0
    phase.value = 'running'
    tick()
  }
  function tick() {
    time.value = (performance.now() - beganAt) / 1000
    if (time.value >= SHOWN) return void called(undefined)
    frame = requestAnimationFrame(tick)
  }
  async function called(at: Call) {
    if (frame !== undefined) cancelAnimationFrame(frame)
    calls.value.push(at)
    phase.value = calls.value.length === starts.value.length ? 'ended' : 'between'
    if (phase.value === 'ended')
      await keepPractice({
        kind: 'drill',
        engine: engine.value,
        starts: STARTS,
        ...scoreDrill(starts.value, calls.value),
      })
  }
  const leave = () => {
    if (frame !== undefined) cancelAnimationFrame(frame)
    drawing++
    phase.value = 'rest'
  }
  onScopeDispose(leave)
  return {
    phase,
    share,
    failed,
    start,
    starts,
    calls,
    time,
    sample,
    score,
    draw,
    go,
    leave,
    stop: () => called(time.value),
  }
}
