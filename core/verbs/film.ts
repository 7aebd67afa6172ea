import { z } from 'zod'
import { prepareBearing } from '../film/bearing'
import { HEAT_CAPACITY } from '../bearing/warmth'
import { warm } from '../film/heat'
import type { FilmCase } from '../film/types'
import { kinematicViscosity, oilDensity, waltherLine } from '../oil/viscosity'
import { degrees, named, notNegative, positive, Refused, take } from './take'

const RADIAN = Math.PI / 180

export const FilmInput = z.object({
  diameter: positive,
  length: positive,
  radialClearance: positive,
  speed: positive,
  load: positive.optional(),
  eccentricity: z.number().gt(0).lt(1).optional(),
  viscosity: positive.optional(),
  feedPressure: notNegative.default(0),
  /** Angles in degrees; `centre` from the thickest film in the direction of turning, or from the load's direction with `from: "load"`. */
  groove: z
    .object({
      arc: z.number().gt(0).max(360),
      centre: z.number().default(0),
      width: positive,
      from: z.enum(['thickest', 'load']).default('thickest'),
    })
    .optional(),
  inlet: z.literal('axial').optional(),
  thermal: z
    .object({
      inletTemperature: degrees,
      kv40: positive,
      kv100: positive,
      density15: positive.default(870),
      metalShare: z.number().min(0).max(1).default(0.2),
    })
    .optional(),
})

/** One bearing's film by the Reynolds solver: under a load, or at an eccentricity. */
export function film(input: z.input<typeof FilmInput>) {
  const { load, eccentricity, groove, inlet, thermal, ...given } = take(FilmInput, input)
  if ((load === undefined) === (eccentricity === undefined))
    throw new Refused('load', 'give either load or eccentricity')
  if (groove && inlet) throw new Refused('inlet', 'give either groove or inlet')
  const oil = thermal && named(() => waltherLine(thermal.kv40, thermal.kv100))
  const viscosityAt = (temperature: number) =>
    kinematicViscosity(oil!, temperature) * 1e-6 * oilDensity(thermal!.density15, temperature)
  const viscosity = given.viscosity ?? (thermal ? viscosityAt(thermal.inletTemperature) : undefined)
  if (viscosity === undefined) throw new Refused('viscosity', 'is needed, or thermal with an oil')
  return named(() => {
    const bearing: FilmCase = {
      ...given,
      viscosity,
      feed: groove
        ? {
            kind: 'groove',
            arc: groove.arc * RADIAN,
            centre: groove.centre * RADIAN,
            width: groove.width,
            from: groove.from,
          }
        : { kind: 'axial' },
    }
    if (eccentricity !== undefined && groove?.from === 'load')
      throw new Refused('groove.from', 'an eccentricity alone does not say where the load is; use "thickest"')
    const prepared = prepareBearing(bearing)
    const solve = () => (load === undefined ? prepared.at(eccentricity!) : prepared.carry(load))
    const heated =
      thermal &&
      warm(
        bearing,
        prepared,
        {
          inletTemperature: thermal.inletTemperature,
          viscosityAt,
          density: oilDensity(thermal.density15, thermal.inletTemperature),
          heatCapacity: HEAT_CAPACITY,
          metalShare: thermal.metalShare,
        },
        solve,
      )
    const state = heated ?? solve()
    return {
      eccentricity: state.eccentricity,
      attitude: state.attitude / RADIAN,
      load: state.load,
      minimumFilm: state.minimumFilm,
      peakPressure: state.peakPressure,
      sideLeakage: state.sideLeakage,
      inletFlow: state.inletFlow,
      dragPower: state.dragPower,
      sommerfeld: state.sommerfeld,
      ...(heated
        ? { temperatureRise: heated.meanRise, peakTemperature: thermal.inletTemperature + heated.peakRise }
        : {}),
    }
  })
}
