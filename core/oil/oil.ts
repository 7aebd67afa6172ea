import type { OilGrade } from './grades'
import { kinematicViscosity, oilDensity, waltherLine, type WaltherLine } from './viscosity'

/** An oil ready to be asked for its properties. */
export interface Oil {
  line: WaltherLine
  density15: number
  /** Film viscosity over low-shear viscosity: thickeners give way in the film. */
  highShearRatio: number
  pumpingLimit: number
}

/** The oil that a grade's typical figures, or a data sheet's own, describe. */
export function oilFrom(
  figures: Pick<OilGrade, 'kv40' | 'kv100' | 'density15' | 'highShear150' | 'pumpingLimit'>,
): Oil {
  const line = waltherLine(figures.kv40, figures.kv100)
  const lowShear150 = kinematicViscosity(line, 150) * 1e-6 * oilDensity(figures.density15, 150)
  return {
    line,
    density15: figures.density15,
    highShearRatio: Math.min(1, figures.highShear150 / lowShear150),
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
  /** False below the grade's pumping limit: the oil may not flow to the pickup at all. */
  pumpable: boolean
}

/** The oil's properties at a temperature, °C. `factor` scales viscosity (1 as bought). */
export function oilAt(oil: Oil, temperature: number, factor = 1): OilState {
  const density = oilDensity(oil.density15, temperature)
  const viscosity = factor * kinematicViscosity(oil.line, temperature) * 1e-6 * density
  return {
    density,
    viscosity,
    filmViscosity: viscosity * oil.highShearRatio,
    pumpable: temperature >= oil.pumpingLimit,
  }
}
