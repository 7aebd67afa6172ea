import type { Throw } from '../cycle/load'
import type { Layout } from '../record/schema'

/**
 * Crank phases by pins, degrees clockwise from upright when the first is up.
 *
 * @param cross whether four pins stand in two planes, a quarter turn apart, as an ordinary V8's do
 */
export function pinPhases(pins: number, cross = false): number[] {
  if (pins === 1) return [0]
  if (pins === 2) return [0, 180]
  if (pins === 3) return [0, 120, 240]
  if (pins === 4) return cross ? [0, 90, 270, 180] : [0, 180, 180, 0]
  if (pins === 5) return [0, 144, 216, 288, 72]
  const half = Array.from({ length: Math.ceil(pins / 2) }, (_, i) => (i * 240) % 360)
  return [...half, ...half.slice(0, Math.floor(pins / 2)).reverse()]
}

/** Phases of a layout's pins. A V8 is cross-plane unless its crank is said to be flat. */
export function phasesOf(layout: Layout): number[] {
  return pinPhases(Math.max(...pinsOf(layout)) + 1, layout.kind === 'v' && layout.crankPlane !== 'flat')
}

/** How many rods stand in each bay between two mains, from the front. */
export function rodsByBay({ mains, feed }: Layout): number[] {
  const bays = Math.max(1, mains - 1)
  return Array.from(
    { length: bays },
    (_, bay) => Math.floor(((bay + 1) * feed.length) / bays) - Math.floor((bay * feed.length) / bays),
  )
}

/** Rods of a V share their bay's pin; all others have their own. */
export function pinsOf(layout: Layout): number[] {
  const shared = layout.kind === 'v'
  return rodsByBay(layout).flatMap((count, bay, bays) => {
    const before = bays.slice(0, bay).reduce((sum, each) => sum + each, 0)
    return Array.from({ length: count }, (_, i) => (shared ? bay : before + i))
  })
}

/** Lean of each cylinder's bank, degrees clockwise. */
function banksOf(layout: Layout): number[] {
  const spread =
    layout.kind === 'v'
      ? layout.cylinders % 6 === 0
        ? 30
        : 45
      : layout.kind === 'flat' || layout.kind === 'opposed'
        ? 90
        : 0
  return layout.feed.map((_, i) => (i % 2 === 0 ? -spread : spread))
}

/**
 * Throws of a layout: when each cylinder fires and how its bank leans. A cylinder may fire on either of two turns; the choice
 * spreads the firings as evenly as the crank allows.
 */
export function throwsOf(layout: Layout): Throw[] {
  const pins = pinsOf(layout)
  const phases = phasesOf(layout)
  const banks = banksOf(layout)
  const count = layout.feed.length
  const taken: number[] = []
  return pins.map((pin, i) => {
    const top = (((banks[i] - phases[pin]) % 360) + 360) % 360
    const [first, second] = [top, top + 360].map((fires) => ({
      fires,
      room: Math.min(720, ...taken.map((other) => apart(fires, other))),
    }))
    const fires = second.room > first.room + 360 / (100 * count) ? second.fires : first.fires
    taken.push(fires)
    return { fires, bank: banks[i] }
  })
}

function apart(a: number, b: number): number {
  const off = Math.abs(a - b) % 720
  return Math.min(off, 720 - off)
}

/** Rods beside each main, counted from 0. */
export function rodsBesideMains(layout: Layout): number[][] {
  let rod = 0
  const bays = rodsByBay(layout).map((count) => Array.from({ length: count }, () => rod++))
  return Array.from({ length: layout.mains }, (_, main) => [...(bays[main - 1] ?? []), ...(bays[main] ?? [])])
}

/** Rods that sit side by side on one pin. */
export function rodsOnPin(layout: Layout): number {
  return layout.kind === 'v' ? Math.max(1, ...rodsByBay(layout)) : 1
}
