import { phasesOf, pinsOf, rodsByBay } from '#core/parts/throws'
import type { Layout } from '#core/record/schema'

export interface CrankPart {
  set: 'main' | 'rod'
  number: number
  x: number
  width: number
  /** What a finger hits: the part with half of the webs beside it. */
  reach: { x: number; width: number }
  /** How far above the axis the pin stands in the drawing, −1 to 1. */
  throw: number
}

/** Width of a main in rods' widths, and of a web. */
const MAIN = 0.85
const WEB = 0.24
/** What a finger needs, px, and what the page gives the drawing. */
const FINGER = 44
const PAGE = 730

/** Rods' widths that a crank takes, and its webs. */
function length(layout: Layout) {
  const shared = layout.kind === 'v'
  const webs = rodsByBay(layout).reduce((sum, count) => sum + (shared ? 2 : count + 1), 0)
  return layout.mains * MAIN + layout.feed.length + webs * WEB
}

/** The width at which every journal, half of the webs beside it counted, is as wide as a finger; the page's at the least. */
export function crankWidth(layout: Layout): number {
  return Math.max(PAGE, Math.ceil((FINGER / (MAIN + 0.5 * WEB)) * length(layout)) + 8)
}

/** Mains and rods side by side from the front, in a width: each bay between two mains carries its share of the rods. */
export function crankParts(layout: Layout, width: number): { parts: CrankPart[]; web: number } {
  const bays = Math.max(1, layout.mains - 1)
  const perBay = rodsByBay(layout)
  const shared = layout.kind === 'v'
  const pins = pinsOf(layout)
  const angles = phasesOf(layout)
  const unit = Math.min(60, width / length(layout))
  const web = WEB * unit
  const parts: CrankPart[] = []
  let x = Math.max(0, 0.5 * (width - unit * length(layout)))
  let rod = 0
  for (let main = 1; main <= layout.mains; main++) {
    parts.push({ set: 'main', number: main, x, width: MAIN * unit, reach: { x, width: MAIN * unit }, throw: 0 })
    x += MAIN * unit
    if (main > bays || (layout.mains === 1 && main === 1)) continue
    x += web
    for (let i = 0; i < perBay[main - 1]; i++) {
      parts.push({
        set: 'rod',
        number: ++rod,
        x,
        width: unit,
        reach: { x, width: unit },
        throw: lift(angles[pins[rod - 1]]),
      })
      x += unit
      if (!shared) x += web
    }
    if (shared) x += web
  }
  parts.forEach((part, i) => {
    const [before, after] = [parts[i - 1], parts[i + 1]]
    const left = before ? 0.5 * (part.x - (before.x + before.width)) : 0.5 * web
    const right = after ? 0.5 * (after.x - (part.x + part.width)) : 0.5 * web
    part.reach = { x: part.x - left, width: left + part.width + right }
  })
  return { parts, web }
}

/** Pins that stand level with the axis are drawn a little off it, so that they can be seen. */
function lift(angle: number): number {
  const height = Math.cos((angle * Math.PI) / 180)
  return Math.abs(height) < 0.3 ? (angle < 180 ? 0.3 : -0.3) : height
}
