import { describe, expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { arcsOf } from '../parts/mainGrooves'
import { COMBINED_ROUGHNESS, type FilmMoment, journalFilm, usualLoad } from './journalFilm'
import { gaugePressure, modelOf } from './model'
import { namedStates } from './states'

const sheet = DEMO_BUILDS.ottiline()
const moment: FilmMoment = { load: 8000, speed: 3200 / 60, temperature: 95, feedPressure: 4e5, groove: arcsOf(180) }
const main = (change: Partial<FilmMoment> = {}) => journalFilm(sheet, 'main', 4, { ...moment, ...change })

describe('the film of a journal', () => {
  it('is thinnest in the lower shell, beyond the load in the direction of turning, where its array says', () => {
    const found = main()
    const thinnest = found.film.indexOf(Math.min(...found.film))
    expect((thinnest / found.film.length) * 2 * Math.PI).toBeCloseTo(found.thinnestAngle, 1)
    expect(found.thinnestAngle).toBeGreaterThan(Math.PI)
    expect(found.thinnestAngle).toBeLessThan(1.5 * Math.PI)
    expect(Math.min(...found.film) / found.minimumFilm).toBeCloseTo(1, 1)
    expect(found.roughnessRatio).toBeCloseTo(found.minimumFilm / COMBINED_ROUGHNESS, 9)
  })
  it('holds the load at the peak and feed pressure at the crown', () => {
    const found = main()
    expect(found.pressure[0]).toBeCloseTo(4e5, 0)
    expect(Math.max(...found.pressure) / found.peakPressure).toBeCloseTo(1, 6)
    const peak = (found.pressure.indexOf(Math.max(...found.pressure)) / found.pressure.length) * 2 * Math.PI
    expect(Math.abs(peak - found.loadAngle)).toBeLessThan(0.6)
    expect(found.peakPressure).toBeGreaterThan(20 * found.feedPressure)
  })
  it('thins with load, with hotter oil and with a full groove; a stop where surfaces touch', () => {
    const film = main().minimumFilm
    expect(main({ load: 16000 }).minimumFilm).toBeLessThan(film)
    expect(main({ temperature: 115 }).minimumFilm).toBeLessThan(film)
    const full = main({ groove: arcsOf(360) })
    expect(full.minimumFilm).toBeLessThan(film)
    expect(full.film.indexOf(Math.min(...full.film)) / full.film.length).toBeGreaterThan(0.4)
    expect(main({ load: 60_000, speed: 5, temperature: 130 }).verdict).toBe('stop')
  })
  it('goes by what was read of the shells: a groove in the lower half alone thins it, a wide one more, none at all leaves it whole', () => {
    const put = (readings: Record<string, number>) => {
      const changed = structuredClone(sheet)
      for (const [field, value] of Object.entries(readings))
        changed.readings[`main.4.${field}`] = { value, source: 'measured' }
      return journalFilm(changed, 'main', 4, { ...moment, groove: undefined }).minimumFilm
    }
    const half = put({})
    expect(half).toBeCloseTo(main().minimumFilm, 12)
    expect(put({ grooveUpper: 0, grooveLower: Math.PI })).toBeLessThan(0.5 * half)
    expect(put({ grooveLower: Math.PI, grooveWidth: 14e-3 })).toBeLessThan(0.95 * put({ grooveLower: Math.PI }))
    expect(put({ grooveUpper: 0 })).toBeGreaterThan(0.9 * half)
  })
  it('a rod has one too', () => expect(journalFilm(sheet, 'rod', 1, moment).minimumFilm).toBeGreaterThan(0.3e-6))
  it.each([
    [180, 'idleHot', 0.1],
    [180, 'workingHot', 0.1],
    [360, 'idleHot', 0.15],
    [360, 'workingHot', 0.35],
  ] as const)('with %d° of groove, %s, is the circuit’s own within %d of it', (mainGroove, name, within) => {
    const grooved = { ...sheet, layout: { ...sheet.layout, mainGroove } }
    const model = modelOf(grooved)
    const state = namedStates(grooved).find((each) => each.name === name)!
    gaugePressure(model, state)
    const { circuit, films } = model.engine
    const grid = [1, 3].map(
      (number) =>
        journalFilm(grooved, 'main', number, {
          load: usualLoad(grooved, 'main', state.speed),
          speed: state.speed,
          temperature: state.temperature,
          feedPressure: circuit.pressures[circuit.indexOf(`main ${number}`)],
        }).minimumFilm,
    )
    expect(Math.abs(films.main / Math.min(...grid) - 1)).toBeLessThan(within)
  })
})
