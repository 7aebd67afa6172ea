import worklet from '~/workers/ear.worklet?worker&url'
import { type NoCamera, openMicrophone, shutCamera } from '~/composables/camera'
import { useSoundWorker } from '~/composables/useEngineModel'
import { remember, rememberedJson } from '~/sync/browserStorage'
import type { RigAction } from '#core/run/actions'
import { earEngine, type FiresHow } from '#core/sound/firings'
import type { HeardSpeed, Unheard } from '#core/sound/ear'
import { FIRES, throttleSpeeds } from '#core/start/follow'

/** How often it is listened, ms; without a piece of sound for so long the microphone gives none. */
const EVERY = 250
const SILENT = 600
/** So long an engine that was switched off is heard, ms. */
const RUNS_DOWN = 3000

/** Why no speed is heard: what the ear itself says, nothing comes of the microphone, the shop is heard before it fires, or it is only cranked. */
export type NotHeard = Unheard | 'silent' | 'shop' | 'cranking'

/** The engine before this device's microphone: how fast it fires goes to the open run of this tab, where it is sure. */
export const useEar = defineStore('ear', () => {
  const run = useRun()
  const build = useBuild()
  const stream = shallowRef<MediaStream>()
  const no = ref<{ no: NoCamera | 'gone'; message: string }>()
  const heard = shallowRef<HeardSpeed>()
  const not = ref<NotHeard>('silent')
  const how = ref<FiresHow>('four-stroke')
  let context: AudioContext | undefined
  let timer: ReturnType<typeof setInterval> | undefined
  let lastPiece = -Infinity
  let busy = false
  /** What is heard of a microphone that was shut counts for nothing. */
  let turn = 0

  const key = () => `uldo.fires.${build.id}`
  async function open() {
    no.value = undefined
    how.value = rememberedJson<FiresHow>(key(), 'four-stroke')
    const own = ++turn
    const opened = await openMicrophone()
    // Left, or asked for once more, while the browser asked: it is not left open for nobody.
    if (own !== turn) return 'no' in opened ? undefined : shutCamera(opened)
    if ('no' in opened) return void (no.value = opened)
    stream.value = opened
    for (const track of opened.getTracks())
      track.onended = () => {
        close()
        no.value = { no: 'gone', message: '' }
      }
    try {
      await follow(opened, own)
    } catch (error) {
      if (own !== turn) return
      close()
      no.value = { no: 'failed', message: (error as Error).message }
    }
  }
  async function follow(from: MediaStream, own: number) {
    const heardBy = (context = new AudioContext())
    await heardBy.audioWorklet.addModule(worklet)
    const ear = new AudioWorkletNode(heardBy, 'ear')
    ear.port.onmessage = ({ data }: MessageEvent<Float32Array>) => {
      if (own !== turn) return
      lastPiece = performance.now()
      // A worker that broke off is said by the next listening.
      useSoundWorker()
        .take(data)
        .catch(() => undefined)
    }
    heardBy.createMediaStreamSource(from).connect(ear).connect(heardBy.destination)
    await heardBy.resume()
    await begin()
    if (own !== turn) return
    timer = setInterval(() => void listen(own), EVERY)
  }
  async function begin() {
    heard.value = undefined
    if (context && build.sheet) await useSoundWorker().open(context.sampleRate, earEngine(build.sheet, how.value))
  }
  function close() {
    turn++
    clearInterval(timer)
    shutCamera(stream.value)
    stream.value = undefined
    heard.value = undefined
    not.value = 'silent'
    void context?.close()
    context = undefined
  }

  const act = computed(() => run.events.findLast(({ kind }) => kind === 'act'))
  async function listen(own: number) {
    if (busy || own !== turn) return
    busy = true
    try {
      await listenNow(own)
    } catch {
      if (own !== turn) return
      nothing('silent')
      // What listened has broken off: another begins, and has heard nothing of the shop.
      await begin().catch(() => undefined)
    } finally {
      busy = false
    }
  }
  async function listenNow(own: number) {
    if (performance.now() - lastPiece > SILENT) return nothing('silent')
    const action = act.value?.data.action as RigAction | undefined
    if (action === 'crank') return nothing('cranking')
    if (!action || !FIRES.has(action) || run.ended) {
      if (!act.value || 1000 * (run.now() - act.value.time) > RUNS_DOWN) await useSoundWorker().shop()
      return nothing('shop')
    }
    const time = run.now()
    const found = await useSoundWorker().listen(throttleSpeeds(build.sheet!)[action])
    if (own !== turn) return
    if ('unheard' in found) return nothing(found.unheard)
    heard.value = found
    if (run.own) await run.take([{ time, heard: found.speed }])
  }
  function nothing(why: NotHeard) {
    heard.value = undefined
    not.value = why
  }

  function firesAs(now: FiresHow) {
    how.value = now
    remember(key(), JSON.stringify(now))
    void begin()
  }
  return { stream, no, heard, not, how, open, close, firesAs }
})
