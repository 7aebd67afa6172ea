import type { Uncertain } from './clearance'

/** One line of the scale printed on a plastic gauge's own sleeve, m. */
export interface ScaleLine {
  width: number
  clearance: number
}

/**
 * Clearance from the width of a flattened strip, by the printed scale of that very gauge: the wider, the less. Between lines in a
 * straight line of 1/width, since the strip keeps its cross-section; standard uncertainty is a quarter of the step between the
 * lines beside it (a rectangular half step, JCGM 100:2008, 4.3.7, rounded up).
 *
 * @throws RangeError when the scale is no scale, or the strip lies outside it
 */
export function stripClearance(width: number, scale: ScaleLine[]): Uncertain {
  const lines = [...scale].sort((a, b) => a.width - b.width)
  if (lines.length < 2) throw new RangeError('scale: needs two lines or more')
  for (let i = 1; i < lines.length; i++) {
    if (!(lines[i].width > lines[i - 1].width && lines[i].clearance < lines[i - 1].clearance))
      throw new RangeError('scale: a wider strip must stand for less clearance')
  }
  if (!(width >= lines[0].width && width <= lines[lines.length - 1].width))
    throw new RangeError('width: lies outside this gauge’s scale; take the next gauge')
  const above = Math.max(
    1,
    lines.findIndex((line) => line.width >= width),
  )
  const [a, b] = [lines[above - 1], lines[above]]
  const part = (1 / width - 1 / a.width) / (1 / b.width - 1 / a.width)
  return { value: a.clearance + part * (b.clearance - a.clearance), sigma: 0.25 * (a.clearance - b.clearance) }
}
