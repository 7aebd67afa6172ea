import type { ReliefValve } from './valve'

/** A valve for tests: 6 N/mm, 7 mm of preload, 12 mm plunger, a hole of 6 mm; 42 N over 113.1 mm² open it at 3.714 bar. */
export const TEST_VALVE: ReliefValve = {
  plungerDiameter: 0.012,
  springRate: 6000,
  freeLength: 0.047,
  installedLength: 0.04,
  shims: [0],
  solidLength: 0.027,
  port: { shape: 'round', diameter: 0.006 },
}
/** What routes to an opening pressure are asked with, but for the pressure. */
export const TEST_ROUTES = { leastMargin: 1e-3, springs: [], flow: 3e-4, density: 870, viscosity: 0.2, back: 0 }
