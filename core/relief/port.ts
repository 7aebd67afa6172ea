/** The opening that the plunger uncovers, as it is found in the body. */
export type Port =
  /** One round hole, or several alike side by side round the bore. */
  | { shape: 'round'; diameter: number; count?: number; overlap?: number }
  /** A slot of this width round the bore and height along the travel. */
  | { shape: 'slot'; width: number; height: number; count?: number; overlap?: number }

/** Height of the port along the plunger's travel, m. */
export function portHeight(port: Port): number {
  return port.shape === 'round' ? port.diameter : port.height
}

/** Lift at which the port is wholly uncovered, m: the overlap first, then its height. */
export function fullLift(port: Port): number {
  return (port.overlap ?? 0) + portHeight(port)
}

/**
 * Area uncovered at a lift, m²: zero within the overlap, then a circular segment
 * r² acos(1 − x/r) − (r − x) √(2 r x − x²), or width times height.
 */
export function uncoveredArea(port: Port, lift: number): number {
  const x = Math.min(portHeight(port), Math.max(0, lift - (port.overlap ?? 0)))
  const count = port.count ?? 1
  if (port.shape === 'slot') return count * port.width * x
  const r = 0.5 * port.diameter
  return count * (r * r * Math.acos(Math.max(-1, 1 - x / r)) - (r - x) * Math.sqrt(Math.max(0, 2 * r * x - x * x)))
}

/** d(uncoveredArea)/d(lift), m: the port's width at the plunger's edge. */
export function uncoveredWidth(port: Port, lift: number): number {
  const x = lift - (port.overlap ?? 0)
  if (x <= 0 || x >= portHeight(port)) return 0
  const count = port.count ?? 1
  if (port.shape === 'slot') return count * port.width
  return count * 2 * Math.sqrt(Math.max(0, port.diameter * x - x * x))
}
