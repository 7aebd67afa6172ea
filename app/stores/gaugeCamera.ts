import { v4 as uuid } from 'uuid'
import { nextPicture, type NoCamera, openCamera, shutCamera } from '~/composables/camera'
import { gaugeRead, SIGHT_LOST } from '~/composables/gaugeSeen'
import { useSightWorker } from '~/composables/useEngineModel'
import { shrinkPhoto } from '~/composables/photo'
import { remember, rememberedJson } from '~/sync/browserStorage'
import type { GaugeTaps } from '#core/sight/dial'
import type { GaugeUnseen } from '#core/sight/gauge'
import type { Point } from '#core/sight/types'

/** Pictures that come sooner than so after the last are not looked at, ms: of thirty a second every other, of ten each. */
const EVERY = 62
/** A video's own word for having a picture (HTMLMediaElement.HAVE_CURRENT_DATA), and how long its first may take, ms. */
const HAVE_PICTURE = 2
const FIRST_PICTURE = 8000
/** How large a gauge is looked at, pixels from its middle to its lines, and how much about it. */
const RADIUS = 110
const ABOUT = 1.45

/** What is kept of a gauge: its marks, as parts of the picture, since the tablet stands where it stood; and what its second line says. */
interface KeptMarks {
  centre: Point
  zero: Point
  mark: Point
  at: number
}
/** What of a picture is looked at, and how much smaller. */
interface Box {
  x: number
  y: number
  size: number
  scale: number
}
type MarkKey = 'centre' | 'zero' | 'mark'

/**
 * A mechanical gauge in view of this device's camera: opened, its marks set in a picture that stands still, and its needle followed in the pictures after; each reading goes to the open run of this tab
 * that is fed by the camera, on whatever page it is looked at.
 */
export const useGaugeCamera = defineStore('gaugeCamera', () => {
  const run = useRun()
  const stream = shallowRef<MediaStream>()
  const no = ref<{ no: NoCamera | 'gone'; message: string }>()
  /** One for the whole visit: what is shown of it moves from page to page. */
  let video: HTMLVideoElement | undefined
  const size = ref<{ width: number; height: number }>()
  /** The picture in which marks are set; its address. */
  const still = ref('')
  let stillBitmap: ImageBitmap | undefined
  const kept = rememberedJson<KeptMarks | undefined>('uldo.gauge', undefined)
  const marks = reactive<Record<MarkKey, Point>>({
    centre: kept?.centre ?? { x: 0.5, y: 0.5 },
    zero: kept?.zero ?? { x: 0.38, y: 0.68 },
    mark: kept?.mark ?? { x: 0.62, y: 0.68 },
  })
  /** Pressure of the second line, Pa. */
  const at = ref<number | undefined>(kept?.at)
  const following = ref(false)
  const read = gaugeRead
  const unseen = ref<GaugeUnseen | 'no-picture'>()
  const keepsPicture = ref(rememberedJson('uldo.gaugePicture', false))
  watch(keepsPicture, (now) => remember('uldo.gaugePicture', JSON.stringify(now)))
  let box: Box | undefined
  let busy = false
  let last = -Infinity
  /** Pictures of what was followed before count for nothing. */
  let turn = 0
  let asked = 0

  async function open() {
    no.value = undefined
    const own = ++asked
    const opened = await openCamera({ width: { ideal: 1280 }, height: { ideal: 960 }, frameRate: { ideal: 30 } })
    // Asked for once more while the browser asked: one is enough.
    if (own !== asked) return 'no' in opened ? undefined : shutCamera(opened)
    if ('no' in opened) return void (no.value = opened)
    stream.value = opened
    video ??= Object.assign(document.createElement('video'), { muted: true, playsInline: true })
    video.srcObject = opened
    await video.play().catch(() => undefined)
    size.value = { width: video.videoWidth, height: video.videoHeight }
    for (const track of opened.getVideoTracks())
      track.onended = () => {
        close()
        no.value = { no: 'gone', message: '' }
      }
    next()
  }
  function close() {
    shutCamera(stream.value)
    stream.value = undefined
    stop()
    forgetStill()
  }
  function stop() {
    turn++
    following.value = false
    read.value = undefined
    unseen.value = undefined
  }
  function forgetStill() {
    if (still.value) URL.revokeObjectURL(still.value)
    still.value = ''
    stillBitmap?.close()
    stillBitmap = undefined
  }

  /** Holds the picture, to set marks in it, once the camera gives one; tells whether it did. */
  async function hold(): Promise<boolean> {
    const from = video
    if (!from) return false
    if (from.readyState < HAVE_PICTURE)
      await Promise.race([
        new Promise((done) => from.addEventListener('loadeddata', done, { once: true })),
        new Promise((over) => setTimeout(over, FIRST_PICTURE)),
      ])
    return holdNow(from).catch(() => false)
  }
  async function holdNow(from: HTMLVideoElement): Promise<boolean> {
    if (from.readyState < HAVE_PICTURE || !from.videoWidth) return false
    const { videoWidth: width, videoHeight: height } = from
    forgetStill()
    size.value = { width, height }
    stillBitmap = await createImageBitmap(from)
    still.value = URL.createObjectURL(await pictureOf(stillBitmap, 'image/png'))
    return true
  }
  async function pictureOf(from: ImageBitmap | HTMLVideoElement, type: string): Promise<Blob> {
    const canvas = new OffscreenCanvas(size.value!.width, size.value!.height)
    canvas.getContext('2d')!.drawImage(from, 0, 0)
    return canvas.convertToBlob({ type })
  }
  /** The marks by what they are parts of, pixels. */
  const placed = computed(() => {
    const { width = 0, height = 0 } = size.value ?? {}
    const of = ({ x, y }: Point) => ({ x: x * width, y: y * height })
    return { centre: of(marks.centre), zero: of(marks.zero), mark: of(marks.mark) }
  })
  function move(key: string, to: Point) {
    const { width, height } = size.value!
    marks[key as MarkKey] = { x: to.x / width, y: to.y / height }
  }

  const cut = (from: ImageBitmap | HTMLVideoElement, { x, y, size: side, scale }: Box) =>
    createImageBitmap(from, x, y, side, side, {
      resizeWidth: Math.round(side * scale),
      resizeHeight: Math.round(side * scale),
      resizeQuality: 'medium',
    })

  /** Follows the needle from the held picture on; says why it is not seen in it. */
  async function follow(): Promise<GaugeUnseen | undefined> {
    const { centre, zero, mark } = placed.value
    const away = (place: Point) => Math.hypot(place.x - centre.x, place.y - centre.y)
    const radius = (away(zero) + away(mark)) / 2
    if (!stillBitmap || at.value === undefined || !(radius > 12)) return 'not-there'
    stop()
    const side = Math.round(2 * ABOUT * radius)
    box = {
      x: Math.round(centre.x - side / 2),
      y: Math.round(centre.y - side / 2),
      size: side,
      scale: Math.min(1, RADIUS / radius),
    }
    const within = ({ x, y }: Point): Point => ({ x: (x - box!.x) * box!.scale, y: (y - box!.y) * box!.scale })
    const taps: GaugeTaps = { centre: within(centre), zero: within(zero), mark: within(mark), at: at.value }
    const refused = await useSightWorker().gauge(await cut(stillBitmap, box), taps)
    if (refused) return refused.unseen
    remember('uldo.gauge', JSON.stringify({ ...marks, at: at.value } satisfies KeptMarks))
    forgetStill()
    following.value = true
    last = -Infinity
    return undefined
  }

  /** Each picture that the camera gives is looked at, if it is time. One that stands still gives none: then nothing is seen. */
  function next() {
    const own = stream.value
    if (!video || !own) return
    nextPicture(video, (now) => {
      // Of a camera that was shut meanwhile it is nobody's.
      if (own !== stream.value) return
      next()
      if (!following.value || busy || now - last < EVERY) return
      last = now
      void look(run.now())
    })
  }
  async function look(time: number) {
    const own = turn
    busy = true
    try {
      const seen = await useSightWorker().needle(await cut(video!, box!))
      if (own !== turn) return
      read.value = 'unseen' in seen ? undefined : seen
      unseen.value = 'unseen' in seen ? seen.unseen : undefined
      if (read.value && feeds.value) await run.take([{ time, gauge: Math.max(-1e5, read.value.value) }])
    } catch {
      if (own !== turn) return
      read.value = undefined
      unseen.value = 'no-picture'
    } finally {
      busy = false
    }
  }
  /** Whether the open run is fed from here. */
  const feeds = computed(() => run.run?.setup.source === 'camera' && run.own && !run.ended)
  /** Pictures that no longer come are seen as none. */
  setInterval(() => {
    if (!following.value || performance.now() - last < 1000 * SIGHT_LOST || last === -Infinity) return
    read.value = undefined
    unseen.value = 'no-picture'
  }, 100)

  /** Where the needle is seen now, in parts of the whole picture. */
  const needle = computed(() => {
    if (!read.value || !box || !size.value) return undefined
    const { x, y, scale } = box
    const { width, height } = size.value
    return read.value.needle.map((place) => ({
      x: (x + place.x / scale) / width,
      y: (y + place.y / scale) / height,
    })) as [Point, Point]
  })
  async function zero() {
    if (read.value) await useSightWorker().zero(read.value)
  }
  /** The picture of now, kept with the build; undefined where it is not wished or cannot be. */
  async function photo(buildId: string, who: string): Promise<string | undefined> {
    if (!keepsPicture.value || !video || !stream.value) return undefined
    const file = new File([await pictureOf(video, 'image/jpeg')], `gauge-${uuid()}.jpg`, { type: 'image/jpeg' })
    const made = await shrinkPhoto(file, buildId, who)
    return 'id' in made ? made.id : undefined
  }
  /** Shows what the camera sees in a place of the page; gives it back when that goes. */
  function show(place: HTMLElement): () => void {
    if (!video) return () => undefined
    place.append(video)
    void video.play().catch(() => undefined)
    return () => void (video?.parentElement === place && video.remove())
  }
  return {
    stream,
    no,
    size,
    still,
    placed,
    at,
    following,
    read,
    unseen,
    needle,
    keepsPicture,
    open,
    close,
    hold,
    forgetStill,
    move,
    follow,
    zero,
    photo,
    show,
  }
})
