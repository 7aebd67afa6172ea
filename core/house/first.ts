import { NO_PLAN } from './plan'
import type { House } from './schema'

/** A shop's first day: common instruments and strips, nothing on the shelf. */
export const FIRST_HOUSE: House = {
  units: 'mm, bar',
  instruments: [
    { name: 'Micrometer 50 to 75', resolution: 1e-6, repeatability: 1.5e-6 },
    { name: 'Micrometer 25 to 50', resolution: 1e-6, repeatability: 1.5e-6 },
    { name: 'Bore gauge 50 to 100', resolution: 1e-6, repeatability: 2.5e-6 },
    { name: 'Caliper', resolution: 1e-5, repeatability: 1e-5 },
    { name: 'Feeler gauge', resolution: 1e-5, repeatability: 5e-6 },
    { name: 'Depth gauge', resolution: 2e-5, repeatability: 2e-5 },
  ],
  strips: [
    {
      name: 'Fine, 0.025 to 0.076 mm',
      lines: [
        [1.3e-3, 76e-6],
        [1.65e-3, 63e-6],
        [2.05e-3, 51e-6],
        [2.75e-3, 38e-6],
        [4.2e-3, 25e-6],
      ].map(([width, clearance]) => ({ width, clearance })),
    },
  ],
  layouts: [],
  school: 'auto',
  rules: {},
  signOff: true,
  cautions: [],
  plan: NO_PLAN,
}
