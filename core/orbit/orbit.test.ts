import { hasCycle } from '../engine/modelLimits'
import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { prepareBearing } from '../film/bearing'
import { throwsOf } from '../parts/throws'
import { newSheet, PRESETS } from '../record/layouts'
import { engineOrbits } from '../outlook/orbits'
import { mobilityOnGrid } from './mobility'
import { orbit } from './orbit'

const bearing = { diameter: 0.06, length: 0.021, radialClearance: 3e-5, viscosity: 0.01, speed: 50 }
const steady = (force: number) => ({ x: new Float64Array(720), y: new Float64Array(720).fill(-force) })

describe('orbit', () => {
  it('under a steady load ends where the grid’s steady film places it, beyond the load in the direction of turning', () => {
    for (const load of [300, 2000, 8000]) {
      const { x, film, pressure } = orbit({ ...bearing, load: steady(load) })
      const grid = prepareBearing({ ...bearing, feedPressure: 0, feed: { kind: 'axial' } }).carry(load)
      expect(Math.abs(film[500] / grid.minimumFilm - 1)).toBeLessThan(0.05)
      expect(Math.abs(pressure[500] / grid.peakPressure - 1)).toBeLessThan(0.05)
      // Turning clockwise: to the left under a load that points down.
      expect(x[500]).toBeLessThan(0)
    }
  })
  it('squeezes without turning as the grid’s squeeze film does', () => {
    const omega = 2 * Math.PI * bearing.speed
    const load = steady(40)
    // Seen from a frame that turns with the journal nothing turns; the load is laid into that frame.
    const { y } = orbit({ ...bearing, load, frameRate: new Float64Array(720).fill(omega) })
    const ratio = bearing.length / bearing.diameter
    const solve = mobilityOnGrid(ratio, { around: 240, across: 6 })
    const rate = (40 * (3e-5 / 0.03) ** 2) / (0.01 * 0.021 * 0.06)
    // The last cycle begun where the ones before had brought it.
    let eccentricity = -y[0]
    const steps = 200
    for (let k = 0; k < steps; k++)
      eccentricity += (rate * solve(eccentricity, 0).along * (2 / bearing.speed) * (719 / 720)) / steps
    expect(-y[719]).toBeCloseTo(eccentricity, 2)
    expect(-y[719]).toBeGreaterThan(-y[0] + 0.005)
  })
  it('takes a groove all round as two bearings a land wide, and one of less only while it lies under the thin film', () => {
    const load = steady(3000)
    const groove = { land: 0.0075, feedPressure: 0 }
    const whole = orbit({ ...bearing, load }).least.film
    const parted = orbit({ ...bearing, load, groove: { ...groove, upper: Math.PI, lower: Math.PI } }).least.film
    expect(parted / orbit({ ...bearing, length: 0.0075, load: steady(1500) }).least.film).toBeCloseTo(1, 2)
    expect(orbit({ ...bearing, load, groove: { ...groove, upper: Math.PI, lower: 0 } }).film[500]).toBeCloseTo(whole, 7)
    const below = orbit({ ...bearing, load, groove: { ...groove, upper: 0, lower: Math.PI } }).film[500]
    expect(below / parted).toBeCloseTo(1, 2)
    // What the feed presses with in the upper half comes on top of the load.
    const fed = orbit({ ...bearing, load, groove: { land: 0.0075, feedPressure: 1e6, upper: Math.PI, lower: 0 } })
    expect(fed.film[500]).toBeCloseTo(orbit({ ...bearing, load: steady(3000 + 1e6 * 0.06 * 0.0135) }).film[500], 8)
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
  it('grooves all round leave the mains of the demo six far less film at the worst moment, and more pressure in it', () => {
    const sheet = DEMO_BUILDS.ottiline()
    const worst = (mainGroove: number) => {
      const of = { ...sheet, layout: { ...sheet.layout, mainGroove } }
      const mains = [...engineOrbits(of, { speed: 53, temperature: 95 })].filter(({ set }) => set === 'main')
      return {
        film: Math.min(...mains.map(({ least }) => least.film)),
        pressure: Math.max(...mains.map(({ peak }) => peak.pressure)),
      }
    }
    const [half, full] = [worst(180), worst(360)]
    expect(full.film / half.film).toBeLessThan(0.6)
    expect(full.pressure / half.pressure).toBeGreaterThan(1.5)
  })
  it('mains feel what feeds their grooves, other behind a shimmed valve, and rods nothing of it', () => {
    const sheet = DEMO_BUILDS.ottiline()
    const least = (shims: number) => {
      sheet.readings['relief.shims'] = { value: shims, source: 'measured' }
      const all = [...engineOrbits(sheet, { speed: 20, temperature: 20 })]
      return (['main', 'rod'] as const).map((set) => all.find((each) => each.set === set)!.least.film)
    }
    const [[main, rod], [pressed, same]] = [least(0), least(2e-3)]
    expect(Math.abs(pressed / main - 1)).toBeGreaterThan(4e-3)
    expect(same).toBe(rod)
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
