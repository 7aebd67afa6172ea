import type { CircuitState } from '#core/outlook/circuitState'

/** Where everything of a circuit is drawn, in the drawing's own units. */
export interface CircuitLayout {
  width: number
  height: number
  nodes: Map<string, { x: number; y: number }>
  /** Path of each element, and where its flow is written. */
  elements: Map<
    string,
    {
      d: string
      label?: { x: number; y: number; anchor: 'start' | 'middle' | 'end' }
      name?: { x: number; y: number; words: string; anchor: 'start' | 'middle' | 'end' }
    }
  >
  /** Where each pressure is written. */
  pressures: { node: string; x: number; y: number; anchor: 'start' | 'middle' | 'end' }[]
}

export const ROW = { top: 44, cam: 108, gallery: 168, main: 236, rod: 312, sump: 382 }
export const STAGE = 88
/** Width of an outlet's column, of a rod's, of a cam bearing's. */
export const OUTLET = 76
export const ROD = 44
export const CAM = 42

type Element = CircuitState['elements'][number]
type Drawn = NonNullable<ReturnType<CircuitLayout['elements']['get']>>

/** A circuit with what is drawn of it so far. */
export interface CircuitPen {
  state: CircuitState
  nodes: CircuitLayout['nodes']
  elements: CircuitLayout['elements']
  pressures: CircuitLayout['pressures']
  /** An element by its name. */
  of: (id: string) => Element | undefined
  put: (id: string, x: number, y: number) => void
  at: (id: string) => { x: number; y: number }
  write: (node: string, x: number, y: number, anchor?: 'start' | 'middle' | 'end') => void
  line: (id: string, points: [number, number][], more?: Omit<Drawn, 'd'>) => void
}

export function circuitPen(state: CircuitState): CircuitPen {
  const nodes: CircuitLayout['nodes'] = new Map()
  const elements: CircuitLayout['elements'] = new Map()
  const pressures: CircuitLayout['pressures'] = []
  return {
    state,
    nodes,
    elements,
    pressures,
    of: (id) => state.elements.find((element) => element.id === id),
    put: (id, x, y) => nodes.set(id, { x, y }),
    at: (id) => nodes.get(id)!,
    write: (node, x, y, anchor = 'middle') => pressures.push({ node, x, y, anchor }),
    line: (id, points, more = {}) =>
      elements.set(id, { d: points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'} ${x} ${y}`).join(' '), ...more }),
  }
}
