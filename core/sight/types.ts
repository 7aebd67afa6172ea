/** A picture as a browser's canvas gives it: red, green, blue and opacity, 0 to 255, row by row. */
export interface Picture {
  width: number
  height: number
  data: Uint8ClampedArray | Uint8Array
}

/** A place in a picture, pixels; the middle of its first pixel is (0, 0). */
export interface Point {
  x: number
  y: number
}

/** Why a picture is not measured. What to do about it is said where it is shown. */
export type NotMeasured = 'blurred' | 'glare' | 'slanted' | 'scale-unread' | 'too-small' | 'strip-unread' | 'uncertain'

/** A picture that is not measured, as data. */
export class Unmeasured extends Error {
  constructor(readonly code: NotMeasured) {
    super(code)
  }
}
