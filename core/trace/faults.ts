import type { EngineValues } from '../engine/engine'
import type { Layout } from '../record/schema'
import { passagesOf } from '../parts/passage'
import type { Packing } from '../prime/air'
import type { FilterWay } from '../prime/way'

/** What can be wrong with an engine, its pump's prime or its instruments, as a change to the model. */
export interface Fault {
  key: string
  /** What it is, in the trade's words. */
  words: string
  /** Where to look first. */
  look: string
  /** Changes the engine's numbers in place. */
  change?: (values: EngineValues) => void
  /** Passages left out, by key. */
  leftOut?: string[]
  /** Hole that draws air at the pickup, m. */
  airLeak?: number
  /** How the pump and filter stand before they turn. */
  pump?: { packing: Packing; filter: FilterWay }
  /** The pump does not turn. */
  undriven?: boolean
  /** What the sender shows of the pressure. */
  sender?: number
  /** The pickup comes out of the oil after so many seconds of running. */
  uncoversAfter?: number
}

export const FAULT_KEYS = [
  'dry-pump',
  'pickup-air',
  'relief-open',
  'plug-out',
  'sender-low',
  'undriven',
  'relief-shut',
  'uncovered',
  'clearance',
] as const
export type FaultKey = (typeof FAULT_KEYS)[number]

/**
 * A fault of a layout.
 *
 * @param severity from just felt, 0, to as bad as it comes, 1
 */
export function faultOf(key: FaultKey, layout: Layout, severity = 0.5): Fault {
  const between = (least: number, most: number) => least + severity * (most - least)
  switch (key) {
    case 'dry-pump':
      return {
        key,
        words: 'the pump is dry and cannot draw against a filled filter',
        look: 'Stop. Take the filter off, pack the pump, and prime until oil runs at the pad.',
        pump: { packing: 'dry', filter: 'filled' },
        change: (v) => void ((v.endClearance *= between(1.3, 2)), (v.tipClearance *= between(1.3, 2))),
      }
    case 'pickup-air':
      return {
        key,
        words: 'air comes in at the pickup',
        look: 'Look at the pickup: seal, tube tight in the pump, cracks.',
        airLeak: between(2e-3, 4e-3),
      }
    case 'relief-open':
      return {
        key,
        words: 'the relief valve stands open',
        look: 'Take the relief plug out: a plunger that hangs, dirt on its seat, a broken or missing spring.',
        change: (v) => (v.relief = standingOpen(v.relief, between(0.6, 1))),
      }
    case 'relief-shut':
      return {
        key,
        words: 'the relief valve sticks shut',
        look: 'Ease off and stop before the filter bursts. Take the relief plug out: the plunger must fall by its own weight.',
        change: (v) => void ((v.relief = stuckShut(v.relief)), (v.relief2 &&= stuckShut(v.relief2))),
      }
    case 'plug-out':
      return {
        key,
        words: 'a gallery plug is left out inside',
        look: 'Nothing shows outside. Look at the gallery plugs, front and rear.',
        leftOut: [plugOf(layout, severity)],
      }
    case 'sender-low':
      return {
        key,
        words: 'the sender reads low',
        look: 'Read a mechanical gauge before anything is taken apart.',
        sender: between(0.72, 0.6),
      }
    case 'undriven':
      return {
        key,
        words: 'nothing drives the pump',
        look: 'Look at the pump’s drive: engaged, key and coupling whole, turning the right way.',
        undriven: true,
      }
    case 'uncovered':
      return {
        key,
        words: 'the pickup draws air: oil low or thrown away from it',
        look: 'Stop. Look at the oil level, then at the pickup’s height.',
        uncoversAfter: between(30, 12),
      }
    case 'clearance':
      return {
        key,
        words: 'bearings leak far more than was measured',
        look: 'Look at a shell’s oil hole, a cap swapped, a shell left out.',
        change: (v) => scaleClearances(v, between(1.8, 2.6)),
      }
  }
}

function plugOf(layout: Layout, severity: number): string {
  const plugs = passagesOf(layout).filter(
    ({ kind, absent }) =>
      kind === 'plug' && absent.kind === 'leak' && absent.bore >= 0.01 && absent.node.startsWith('gallery'),
  )
  return plugs[Math.min(plugs.length - 1, Math.floor(severity * plugs.length))].key
}

/** A plunger that hangs with a share of its port open: next to no spring, and a port cut to that share. */
function standingOpen(valve: EngineValues['relief'], share: number): EngineValues['relief'] {
  const port =
    valve.port.shape === 'round'
      ? { ...valve.port, overlap: 0, diameter: valve.port.diameter * Math.sqrt(share) }
      : { ...valve.port, overlap: 0, width: valve.port.width * share }
  return { ...valve, port, springRate: 50, freeLength: valve.installedLength + 1e-4, shims: [] }
}

function stuckShut(valve: EngineValues['relief']): EngineValues['relief'] {
  return { ...valve, springRate: 50 * valve.springRate }
}

/** Widens every main and rod bearing by the same factor. */
export function scaleClearances(values: EngineValues, factor: number): void {
  values.mainClearance = values.mainClearance.map((each) => each * factor)
  values.rodClearance = values.rodClearance.map((each) => each * factor)
}
