import type { CircuitPlan } from '../engine/plan'
import type { Layout } from '../record/schema'

/** A place where oil must be seen, or be taken as arrived. */
export interface Outlet {
  /** Node of the circuit that feeds it. */
  node: string
  label: string
  /** The check that ticks it; bearings cannot be seen. */
  check?: string
  /** Gauge pressure at which it lets go, Pa. */
  opening?: number
}

/** Every outlet of a layout, from the pad outward: what can be seen has its check. */
export function outletsOf(layout: Layout, plan: Pick<CircuitPlan, 'gauge' | 'galleryEnd'>): Outlet[] {
  const list: Outlet[] = []
  const add = (node: string, label: string, more: Partial<Outlet> = {}) => list.push({ node, label, ...more })
  for (let i = 1; i <= layout.mains; i++) add(`main ${i}`, `Main ${i}`)
  for (let i = 1; i <= layout.feed.length; i++) add(`rod ${i}`, `Rod ${i}`)
  for (let i = 1; i <= layout.camBearings; i++) add(`cam ${i}`, `Cam bearing ${i}`)
  if (layout.lifters === 'hydraulic' && layout.lifterCount > 0)
    add(plan.galleryEnd, 'Lifter plungers up', { check: 'prime.lifters' })
  if (layout.rockerFeed)
    for (let i = 1; i <= layout.cylinders; i++) add('rockers', `Rockers ${i}`, { check: `prime.rocker${i}` })
  if (layout.timingJet) add('gallery 1', 'Timing jet', { check: 'prime.jet' })
  if (layout.tensioner) add('gallery 1', 'Chain tensioner', { check: 'prime.tensioner' })
  if (layout.turbo) add('turbo', 'Turbo', { check: 'prime.turbo' })
  return list
}
