import { contours } from 'd3-contour'

/** A field sampled at the corners of a grid, rows from the least of the upright axis. */
export interface Field {
  across: number
  down: number
  values: ArrayLike<number>
}
/** Where the field is drawn, px: its first sample at the lower left corner, its last at the upper right. */
export interface Frame {
  left: number
  top: number
  width: number
  height: number
}

/** Outline of where a field stands at a value or over it, as an SVG path; its edge runs between the samples, not from box to box. */
export function regionOver({ across, down, values }: Field, threshold: number, frame: Frame): string {
  const { coordinates } = contours().size([across, down]).contour(Array.from(values), threshold)
  // The package has a sample in the middle of its box, so that a region goes on half a box beyond the frame, which clips it.
  const x = (at: number) => (frame.left + ((at - 0.5) / (across - 1)) * frame.width).toFixed(1)
  const y = (at: number) => (frame.top + frame.height - ((at - 0.5) / (down - 1)) * frame.height).toFixed(1)
  return coordinates
    .flat()
    .map((ring) => `M ${ring.map(([along, up]) => `${x(along)} ${y(up)}`).join(' L ')} Z`)
    .join(' ')
}

/**
 * How dark each step of a scale is, 0 to 1: half by its value, half by the share of the field that lies under it, so that the
 * range in which most of an engine's readings lie is told apart as well as the rest.
 */
export function shadesOf(steps: readonly number[], values: ArrayLike<number>): number[] {
  const sorted = Array.from(values).sort((a, b) => a - b)
  const [least, most] = [sorted[0], sorted.at(-1)!]
  return steps.map((step) => {
    const under = sorted.filter((value) => value < step).length / sorted.length
    const along = most > least ? Math.min(1, Math.max(0, (step - least) / (most - least))) : 0
    return 0.5 * under + 0.5 * along
  })
}
