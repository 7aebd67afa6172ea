import { hasCycle } from '../engine/modelLimits'
import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { journalPosition, loadNumber } from '../bearing/eccentricity'
import { throwsOf } from '../parts/throws'
import { newSheet, PRESETS } from '../record/layouts'
import { engineOrbits } from '../outlook/orbits'
import { orbit } from './orbit'

const bearing = { diameter: 0.06, length: 0.021, radialClearance: 3e-5, viscosity: 0.01, speed: 50 }
const steady = (force: number) => ({ x: new Float64Array(720), y: new Float64Array(720).fill(-force) })

describe('orbit', () => {
  it('under a steady load ends where the mobility’s balance is: ζ² = (π/4) ξ (1 − ξ), near the short bearing’s place', () => {
    for (const load of [300, 2000, 8000]) {
      const { x, y, film } = orbit({ ...bearing, load: steady(load) })
      const [along, across] = [-y[500], x[500]]
      expect(across ** 2 / (0.25 * Math.PI * along * (1 - along))).toBeCloseTo(1, 2)
      const short = journalPosition(loadNumber({ ...bearing, load }), 0)
      expect(Math.abs(1 - film[500] / 3e-5 - short.eccentricity)).toBeLessThan(0.03)
      // Turning clockwise, the least film lies beyond the load in the direction of turning: to the left under a load that points down.
      expect(x[500]).toBeLessThan(0)
    }
  })
  it('squeezes without turning as (1 − ξ)^−1.5 = 1 + 1.5 K t', () => {
    const omega = 2 * Math.PI * bearing.speed
    const load = steady(40)
    // Seen from a frame that turns with the journal nothing turns; the load is laid into that frame.
    const { y } = orbit({ ...bearing, load, frameRate: new Float64Array(720).fill(omega) })
    const k = (40 * (3e-5 / 0.03) ** 2) / (0.01 * 0.021 * 0.06) / (Math.PI * 0.35 ** 2)
    const wanted = (t: number) => 1 - (1 + 1.5 * k * t) ** (-2 / 3)
    const cycle = 2 / bearing.speed
    // The last cycle begun where the ones before had brought it.
    const cycles = Math.round(((1 - -y[0]) ** -1.5 - 1) / (1.5 * k * cycle))
    for (const degree of [0, 100, 700]) expect(-y[degree]).toBeCloseTo(wanted((cycles + degree / 720) * cycle), 3)
  })
  it('loses its film under a load that turns at half the journal’s speed, and keeps it at full speed', () => {
    const turning = (share: number) => ({
      x: Float64Array.from({ length: 720 }, (_, degree) => 3000 * Math.sin((share * degree * Math.PI) / 180)),
      y: Float64Array.from({ length: 720 }, (_, degree) => 3000 * Math.cos((share * degree * Math.PI) / 180)),
    })
    expect(orbit({ ...bearing, load: turning(0.5) }).least.film).toBeLessThan(
      0.15 * orbit({ ...bearing, load: turning(1) }).least.film,
    )
  })
  it('refuses what has no film', () => {
    expect(() => orbit({ ...bearing, radialClearance: 0, load: steady(1) })).toThrow(/radialClearance/)
  })
})

describe('engine', () => {
  it('every bearing of the demo six closes its orbit inside its clearance; its ends mirror one another', () => {
    const all = [...engineOrbits(DEMO_BUILDS.ottiline(), { speed: 3200 / 60, temperature: 95 })]
    expect(all.map(({ set, number }) => `${set}${number}`)).toEqual([
      'main1',
      'main2',
      'main3',
      'main4',
      'main5',
      'main6',
      'main7',
      'rod1',
      'rod2',
      'rod3',
      'rod4',
      'rod5',
      'rod6',
    ])
    for (const found of all) {
      expect(found.least.film).toBeGreaterThan(0.5e-6)
      expect(found.least.film).toBeLessThan(found.radialClearance)
      expect(found.cycles).toBeLessThan(8)
    }
    expect(all[0].least.film / all[6].least.film).toBeCloseTo(1, 2)
  })
  it('thinner oil leaves less film', () => {
    const least = (temperature: number) =>
      Math.min(...[...engineOrbits(DEMO_BUILDS.ottiline(), { speed: 53, temperature })].map((each) => each.least.film))
    expect(least(120)).toBeLessThan(least(80))
  })
  it.each(['inline3', 'inline4', 'inline6', 'v8', 'v12', 'opposed2'])('%s fires evenly', (preset) => {
    const fires = throwsOf(newSheet(preset, 'a', 'b').layout)
      .map((each) => each.fires)
      .sort((a, b) => a - b)
    fires.forEach((degree, i) =>
      expect((i + 1 < fires.length ? fires[i + 1] : fires[0] + 720) - degree).toBeCloseTo(720 / fires.length, 6),
    )
  })
  it.each(Object.keys(PRESETS).filter((preset) => hasCycle(PRESETS[preset].layout)))(
    '%s: every bearing has an orbit',
    (preset) => {
      const sheet = newSheet(preset, 'a', 'b')
      expect([...engineOrbits(sheet, { speed: 40, temperature: 95 })]).toHaveLength(
        sheet.layout.mains + sheet.layout.feed.length,
      )
    },
  )
})
