/**
 * Oil grades after SAE J300 (2021): the windows are the standard's; the typical values inside them are middle-of-the-road
 * figures for an assumed oil of that grade. A data sheet's own figures are always better.
 */
export interface OilGrade {
  /** Grade as written on the can. */
  name: string
  /** Typical kinematic viscosity at 40 and 100 °C, mm²/s. */
  kv40: number
  kv100: number
  /** Window of the grade for kinematic viscosity at 100 °C, mm²/s (SAE J300). */
  kv100Window: [number, number]
  /** Least viscosity at 150 °C and 10⁶ /s, Pa·s (SAE J300). */
  highShear150: number
  /** Typical density at 15 °C, kg/m³. */
  density15: number
  /** Lowest temperature at which the grade must still pump, °C (SAE J300 winter grades; a cautious figure for single grades). */
  pumpingLimit: number
}

export const OIL_GRADES: OilGrade[] = [
  {
    name: '0W-20',
    kv40: 44,
    kv100: 8.4,
    kv100Window: [6.9, 9.3],
    highShear150: 2.6e-3,
    density15: 845,
    pumpingLimit: -40,
  },
  {
    name: '5W-30',
    kv40: 64,
    kv100: 10.8,
    kv100Window: [9.3, 12.5],
    highShear150: 2.9e-3,
    density15: 853,
    pumpingLimit: -35,
  },
  {
    name: '10W-30',
    kv40: 70,
    kv100: 10.7,
    kv100Window: [9.3, 12.5],
    highShear150: 2.9e-3,
    density15: 868,
    pumpingLimit: -30,
  },
  {
    name: '5W-40',
    kv40: 84,
    kv100: 14.0,
    kv100Window: [12.5, 16.3],
    highShear150: 3.5e-3,
    density15: 854,
    pumpingLimit: -35,
  },
  {
    name: '10W-40',
    kv40: 96,
    kv100: 14.4,
    kv100Window: [12.5, 16.3],
    highShear150: 3.5e-3,
    density15: 868,
    pumpingLimit: -30,
  },
  {
    name: '15W-40',
    kv40: 108,
    kv100: 14.6,
    kv100Window: [12.5, 16.3],
    highShear150: 3.7e-3,
    density15: 880,
    pumpingLimit: -25,
  },
  {
    name: '20W-50',
    kv40: 165,
    kv100: 18.7,
    kv100Window: [16.3, 21.9],
    highShear150: 3.7e-3,
    density15: 887,
    pumpingLimit: -20,
  },
  {
    name: '30',
    kv40: 93,
    kv100: 10.9,
    kv100Window: [9.3, 12.5],
    highShear150: 2.9e-3,
    density15: 885,
    pumpingLimit: -10,
  },
  {
    name: '40',
    kv40: 139,
    kv100: 14.3,
    kv100Window: [12.5, 16.3],
    highShear150: 3.7e-3,
    density15: 890,
    pumpingLimit: -5,
  },
  {
    name: '50',
    kv40: 212,
    kv100: 19.3,
    kv100Window: [16.3, 21.9],
    highShear150: 3.7e-3,
    density15: 893,
    pumpingLimit: 0,
  },
]

/** The grade of that name, or undefined. */
export function oilGrade(name: string): OilGrade | undefined {
  return OIL_GRADES.find((grade) => grade.name === name)
}
