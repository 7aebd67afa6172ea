import { kinematicViscosity, oilDensity, waltherLine } from './viscosity'

/**
 * Oil grades after SAE J300 (2021): the windows and the least high-shear viscosities are the standard's; the typical values inside them are
 * middle-of-the-road figures for an assumed oil of that grade. A data sheet's own figures are always better.
 */
export interface OilGrade {
  /** Grade as written on the can. */
  name: string
  /** Typical kinematic viscosity at 40 and 100 °C, mm²/s. */
  kv40: number
  kv100: number
  /** Window of the grade for kinematic viscosity at 100 °C, mm²/s (SAE J300). */
  kv100Window: [number, number]
  /** Typical viscosity at 150 °C and 10⁶ /s, Pa·s: what the film is computed with. */
  highShear150: number
  /** The least that the standard lets it be, Pa·s (SAE J300): a limit, which no oil of the grade falls under. */
  highShearLeast: number
  /** Typical density at 15 °C, kg/m³. */
  density15: number
  /** Lowest temperature at which the grade must still pump, °C (SAE J300 winter grades; a cautious figure for single grades). */
  pumpingLimit: number
}

/** Windows of the grades by their hot number, mm²/s at 100 °C, and least high-shear viscosity, mPa·s at 150 °C (SAE J300). */
const HOT: Record<string, { window: [number, number]; least: number }> = {
  20: { window: [6.9, 9.3], least: 2.6 },
  30: { window: [9.3, 12.5], least: 2.9 },
  40: { window: [12.5, 16.3], least: 3.7 },
  50: { window: [16.3, 21.9], least: 3.7 },
  60: { window: [21.9, 26.1], least: 3.7 },
}
/** The standard asks less of these forties. */
const LIGHT_FORTY = 3.5
/** Temperature at which each winter grade must still pump, °C. */
const PUMPS: Record<string, number> = { '0W': -40, '5W': -35, '10W': -30, '15W': -25, '20W': -20 }

/** Polymer that thickens a multigrade gives way in the film: typical high-shear viscosity, mPa·s. */
function multigrade(name: string, kv40: number, kv100: number, highShear: number, density15: number): OilGrade {
  const [winter, hot] = name.split('-')
  const { window, least } = HOT[hot]
  const light = hot === '40' && winter !== '15W' && winter !== '20W'
  return {
    name,
    kv40,
    kv100,
    kv100Window: window,
    highShear150: 1e-3 * highShear,
    highShearLeast: 1e-3 * (light ? LIGHT_FORTY : least),
    density15,
    pumpingLimit: PUMPS[winter],
  }
}

/** A single grade has no polymer: it is as thick in the film as in a pipe. */
function singleGrade(name: string, kv40: number, kv100: number, density15: number, pumpingLimit: number): OilGrade {
  const { window, least } = HOT[name]
  const highShear150 = kinematicViscosity(waltherLine(kv40, kv100), 150) * 1e-6 * oilDensity(density15, 150)
  return { name, kv40, kv100, kv100Window: window, highShear150, highShearLeast: 1e-3 * least, density15, pumpingLimit }
}

export const OIL_GRADES: OilGrade[] = [
  multigrade('0W-20', 44, 8.4, 2.7, 845),
  multigrade('5W-20', 48, 8.5, 2.7, 851),
  multigrade('0W-30', 57, 10.8, 3.1, 843),
  multigrade('5W-30', 64, 10.8, 3.2, 853),
  multigrade('10W-30', 70, 10.7, 3.2, 868),
  multigrade('0W-40', 76, 13.8, 3.7, 846),
  multigrade('5W-40', 84, 14.0, 3.8, 854),
  multigrade('10W-40', 96, 14.4, 3.9, 868),
  multigrade('15W-40', 108, 14.6, 4.1, 880),
  multigrade('15W-50', 137, 18.4, 4.6, 879),
  multigrade('20W-50', 165, 18.7, 4.8, 887),
  multigrade('20W-60', 212, 23.6, 5.6, 890),
  singleGrade('20', 66, 8.4, 880, -15),
  singleGrade('30', 93, 10.9, 885, -10),
  singleGrade('40', 139, 14.3, 890, -5),
  singleGrade('50', 212, 19.3, 893, 0),
  singleGrade('60', 300, 24.2, 897, 5),
]

/** The grade of that name, or undefined. */
export function oilGrade(name: string): OilGrade | undefined {
  return OIL_GRADES.find((grade) => grade.name === name)
}
