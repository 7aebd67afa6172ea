import { phasesOf, pinsOf, rodsByBay } from '#core/parts/throws'
import type { Layout } from '#core/record/schema'

export interface CrankPart {
  set: 'main' | 'rod'
  number: number
  x: number
  width: number
  /** How far above the axis the pin stands in the drawing, −1 to 1. */
  throw: number
}

/** Mains and rods side by side from the front, in a width: each bay between two mains carries its share of the rods. */
export function crankParts(layout: Layout, width: number): { parts: CrankPart[]; web: number } {
  const rods = layout.feed.length
  const bays = Math.max(1, layout.mains - 1)
  const perBay = rodsByBay(layout)
  const shared = layout.kind === 'v'
  const pins = pinsOf(layout)
  const angles = phasesOf(layout)
  const webs = perBay.reduce((sum, count) => sum + (shared ? 2 : count + 1), 0)
  const unit = Math.min(60, width / (layout.mains * 0.85 + rods + webs * 0.24))
  const web = 0.24 * unit
  const parts: CrankPart[] = []
  let x = Math.max(0, 0.5 * (width - unit * (layout.mains * 0.85 + rods + webs * 0.24)))
  let rod = 0
  for (let main = 1; main <= layout.mains; main++) {
    parts.push({ set: 'main', number: main, x, width: 0.85 * unit, throw: 0 })
    x += 0.85 * unit
    if (main > bays || (layout.mains === 1 && main === 1)) continue
    x += web
    for (let i = 0; i < perBay[main - 1]; i++) {
      parts.push({ set: 'rod', number: ++rod, x, width: unit, throw: lift(angles[pins[rod - 1]]) })
      x += unit
      if (!shared) x += web
    }
    if (shared) x += web
  }
  return { parts, web }
}

/** Pins that stand level with the axis are drawn a little off it, so that they can be seen. */
function lift(angle: number): number {
  const height = Math.cos((angle * Math.PI) / 180)
  return Math.abs(height) < 0.3 ? (angle < 180 ? 0.3 : -0.3) : height
}
