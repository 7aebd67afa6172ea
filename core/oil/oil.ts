import type { OilFigures } from './blend'
import { kinematicViscosity, oilDensity, waltherLine, type WaltherLine } from './viscosity'

/** An oil ready to be asked for its properties. */
export interface Oil {
  line: WaltherLine
  density15: number
  /** Film viscosity over low-shear viscosity: thickeners give way in the film. 1 for an oil without them. */
  highShearRatio: number
  /** How far that may be out, of itself, and the least that it can be, of itself. */
  highShearSpread: number
  highShearLeast: number
  pumpingLimit: number
}

/** Spread of high-shear viscosity among oils of one grade, and of a data sheet's own figure (repeatability of the test), of itself. */
const SPREAD = { grade: 0.07, sheet: 0.02 }

/** The oil that a grade's typical figures, or a data sheet's own, describe. */
export function oilFrom(figures: OilFigures): Oil {
  const line = waltherLine(figures.kv40, figures.kv100)
  const lowShear150 = kinematicViscosity(line, 150) * 1e-6 * oilDensity(figures.density15, 150)
  // To what a test can tell.
  const newtonian = figures.highShear150 > 0.999 * lowShear150
  return {
    line,
    density15: figures.density15,
    highShearRatio: Math.min(1, figures.highShear150 / lowShear150),
    highShearSpread: newtonian ? 0 : figures.highShearLeast === undefined ? SPREAD.sheet : SPREAD.grade,
    highShearLeast: newtonian ? 1 : Math.min(1, (figures.highShearLeast ?? 0) / figures.highShear150),
    pumpingLimit: figures.pumpingLimit,
  }
}

export interface OilState {
  /** kg/m³ */
  density: number
  /** Low-shear dynamic viscosity, Pa·s: pipes, filter, gaps. */
  viscosity: number
  /** High-shear dynamic viscosity, Pa·s: bearing films. */
  filmViscosity: number
  /** The oil's viscosity over temperature, and the temperature that this state is at, °C. */
  line: WaltherLine
  temperature: number
  /** As the oil is bought, mm²/s: what every film asks for, worked out once. */
  kinematic: number
  /** How fast the logarithm of its viscosity falls over the next degrees, 1/K. */
  thinning: number
  /** False below the grade's pumping limit: the oil may not flow to the pickup at all. */
  pumpable: boolean
}

/** Viscosity so much warmer than a state of the oil, over its own there. */
export function thinned({ line, temperature, kinematic }: OilState, rise: number): number {
  return kinematicViscosity(line, temperature + rise) / kinematic
}

/** Degrees over which a film usually warms its oil, K. */
const NEXT = 20

/** The oil's properties at a temperature, °C. `factor` scales viscosity (1 as bought). */
export function oilAt(oil: Oil, temperature: number, factor = 1): OilState {
  const density = oilDensity(oil.density15, temperature)
  const kinematic = kinematicViscosity(oil.line, temperature)
  const viscosity = factor * kinematic * 1e-6 * density
  return {
    density,
    viscosity,
    filmViscosity: viscosity * oil.highShearRatio,
    line: oil.line,
    temperature,
    kinematic,
    thinning: Math.log(kinematic / kinematicViscosity(oil.line, temperature + NEXT)) / NEXT,
    pumpable: temperature >= oil.pumpingLimit,
  }
}
