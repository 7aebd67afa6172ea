import { expose } from 'comlink'
import type { GaugeTaps } from '#core/sight/dial'
import { followGauge, type GaugeFollower, type GaugeRead, type GaugeUnseen } from '#core/sight/gauge'
import { measureStrip, type StripMeasured, type StripTaps } from '#core/sight/strip'
import { type NotMeasured, type Picture, Unmeasured } from '#core/sight/types'

/** What is measured in pictures, apart from everything else: a picture is decoded by the browser, made no larger than it tells, and stays on this device. */

/** Longest side that is looked at, pixels: a strip and its scale fill a good part of it. */
const LONGEST = 2400
let open: Picture | undefined
let gauge: GaugeFollower | undefined
let canvas: OffscreenCanvas | undefined

/** What a bitmap shows; it is used up. */
function pictureOf(bitmap: ImageBitmap): Picture {
  const { width, height } = bitmap
  if (canvas?.width !== width || canvas.height !== height) canvas = new OffscreenCanvas(width, height)
  const context = canvas.getContext('2d', { willReadFrequently: true })!
  context.drawImage(bitmap, 0, 0)
  bitmap.close()
  return context.getImageData(0, 0, width, height)
}

const sight = {
  /** Takes a picture; tells how large it is looked at. Fails where it is none. */
  async open(file: Blob): Promise<{ width: number; height: number }> {
    const bitmap = await createImageBitmap(file)
    const scale = Math.min(1, LONGEST / Math.max(bitmap.width, bitmap.height))
    const [width, height] = [Math.round(bitmap.width * scale), Math.round(bitmap.height * scale)]
    const canvas = new OffscreenCanvas(width, height)
    const context = canvas.getContext('2d', { willReadFrequently: true })!
    context.imageSmoothingQuality = 'high'
    context.drawImage(bitmap, 0, 0, width, height)
    bitmap.close()
    open = context.getImageData(0, 0, width, height)
    return { width, height }
  },
  /** Width of the strip in the open picture, or why it is not measured. */
  strip(taps: StripTaps): StripMeasured | { refused: NotMeasured } {
    try {
      return measureStrip(open!, taps)
    } catch (error) {
      if (error instanceof Unmeasured) return { refused: error.code }
      throw error
    }
  },
  close: () => void (open = undefined),
  /** Begins to follow a gauge by the picture in which its marks were set; tells why its needle is not seen there. */
  gauge(first: ImageBitmap, taps: GaugeTaps): { unseen: GaugeUnseen } | undefined {
    const made = followGauge(pictureOf(first), taps)
    gauge = 'unseen' in made ? undefined : made
    return 'unseen' in made ? made : undefined
  },
  /** What the gauge that is followed shows in a picture. */
  needle(picture: ImageBitmap): GaugeRead | { unseen: GaugeUnseen } {
    const shown = pictureOf(picture)
    return gauge ? gauge.read(shown) : { unseen: 'not-there' }
  },
  /** The needle stands at zero as it was last read. */
  zero: (read: GaugeRead) => gauge?.zero(read),
}
export type SightWorker = typeof sight
expose(sight)
