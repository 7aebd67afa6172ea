/**
 * The units a builder may type or read, each with the exact factor that brings it to SI.
 * Factors are definitions (BIPM SI brochure, 9th ed.; NIST SP 811, appendix B) and are checked in the tests
 * against an independent unit library.
 */

export type Dimension =
  | 'length'
  | 'diameter'
  | 'clearance'
  | 'pressure'
  | 'temperature'
  | 'speed'
  | 'springRate'
  | 'displacement'
  | 'volume'
  | 'flow'
  | 'power'
  | 'torque'
  | 'mass'
  | 'force'
  | 'angle'
  | 'arc'
  | 'ratio'
  | 'count'
  | 'duration'
  | 'span'
  | 'distance'

export interface Unit {
  /** What is written behind the number. */
  symbol: string
  /** SI value of one unit. */
  factor: number
  /** Added after scaling; only temperatures have one. */
  offset?: number
  /** Other ways of typing it, in lower case. */
  aliases: string[]
  /** Decimals shown when nothing better is known. */
  decimals: number
}

const INCH = 0.0254
const POUND_FORCE = 4.4482216152605

const lengths: Unit[] = [
  { symbol: 'mm', factor: 1e-3, aliases: ['millimetre', 'millimetres', 'millimeter'], decimals: 2 },
  { symbol: 'µm', factor: 1e-6, aliases: ['um', 'μm', 'micron', 'microns'], decimals: 0 },
  { symbol: 'cm', factor: 1e-2, aliases: [], decimals: 1 },
  { symbol: 'm', factor: 1, aliases: ['metre', 'metres'], decimals: 3 },
  { symbol: 'in', factor: INCH, aliases: ['"', '″', '”', "''", 'inch', 'inches'], decimals: 3 },
  { symbol: 'thou', factor: INCH / 1000, aliases: ['mil', 'mils', 'th', 'thous'], decimals: 1 },
  { symbol: 'tenth', factor: INCH / 10_000, aliases: ['tenths'], decimals: 0 },
  { symbol: 'ft', factor: 12 * INCH, aliases: ["'", '′', 'foot', 'feet'], decimals: 2 },
]

/** Every unit that fits a dimension; the first is the shop's metric default. */
export const UNITS: Record<Dimension, Unit[]> = {
  length: lengths,
  clearance: lengths.map((unit) =>
    unit.symbol === 'mm' ? { ...unit, decimals: 3 } : unit.symbol === 'in' ? { ...unit, decimals: 4 } : unit,
  ),
  // Journals and bores: the length's unit, but to the micron.
  diameter: lengths.map((unit) =>
    unit.symbol === 'mm' ? { ...unit, decimals: 3 } : unit.symbol === 'in' ? { ...unit, decimals: 4 } : unit,
  ),
  pressure: [
    { symbol: 'bar', factor: 1e5, aliases: [], decimals: 1 },
    { symbol: 'kPa', factor: 1e3, aliases: ['kpa'], decimals: 0 },
    { symbol: 'psi', factor: POUND_FORCE / (INCH * INCH), aliases: ['lb/in²', 'lbs', 'psig'], decimals: 1 },
    { symbol: 'MPa', factor: 1e6, aliases: ['mpa'], decimals: 2 },
    { symbol: 'Pa', factor: 1, aliases: ['pa'], decimals: 0 },
    { symbol: 'mbar', factor: 100, aliases: ['hpa'], decimals: 0 },
    { symbol: 'kg/cm²', factor: 98_066.5, aliases: ['kgf/cm²', 'kg/cm2', 'kgf/cm2', 'at'], decimals: 1 },
    // Conventional: at 0 °C.
    { symbol: 'inHg', factor: 3386.389, aliases: ['in hg', '"hg', 'inches hg'], decimals: 1 },
  ],
  temperature: [
    { symbol: '°C', factor: 1, aliases: ['c', 'degc', '℃', '°'], decimals: 0 },
    { symbol: '°F', factor: 5 / 9, offset: -160 / 9, aliases: ['f', 'degf', '℉'], decimals: 0 },
  ],
  speed: [
    {
      symbol: 'rpm',
      factor: 1 / 60,
      aliases: ['rev/min', '/min', 'r/min', '1/min', 'min-1', 'min^-1', 'min⁻¹'],
      decimals: 0,
    },
    { symbol: 'rev/s', factor: 1, aliases: ['rps', 'hz'], decimals: 2 },
  ],
  springRate: [
    { symbol: 'N/mm', factor: 1e3, aliases: ['n/mm'], decimals: 2 },
    { symbol: 'lb/in', factor: POUND_FORCE / INCH, aliases: ['lbf/in', 'lbs/in'], decimals: 1 },
    { symbol: 'N/m', factor: 1, aliases: ['n/m'], decimals: 0 },
  ],
  displacement: [
    { symbol: 'cm³/rev', factor: 1e-6, aliases: ['cc', 'cc/rev', 'cm3', 'cm3/rev', 'cm³', 'ml/rev'], decimals: 2 },
    { symbol: 'in³/rev', factor: INCH ** 3, aliases: ['cu in', 'cuin', 'in3', 'in³', 'in3/rev'], decimals: 3 },
  ],
  volume: [
    { symbol: 'L', factor: 1e-3, aliases: ['l', 'litre', 'litres', 'liter'], decimals: 1 },
    { symbol: 'mL', factor: 1e-6, aliases: ['ml', 'cc', 'cm3'], decimals: 0 },
    { symbol: 'gal', factor: 231 * INCH ** 3, aliases: ['gallon', 'gallons', 'us gal'], decimals: 2 },
    { symbol: 'qt', factor: (231 * INCH ** 3) / 4, aliases: ['quart', 'quarts', 'us qt'], decimals: 1 },
  ],
  flow: [
    { symbol: 'L/min', factor: 1e-3 / 60, aliases: ['l/min', 'lpm'], decimals: 1 },
    { symbol: 'gal/min', factor: (231 * INCH ** 3) / 60, aliases: ['gpm', 'us gpm'], decimals: 2 },
  ],
  power: [
    { symbol: 'W', factor: 1, aliases: ['w', 'watt', 'watts'], decimals: 0 },
    { symbol: 'kW', factor: 1000, aliases: ['kilowatt', 'kilowatts'], decimals: 2 },
    { symbol: 'hp', factor: 550 * 12 * INCH * POUND_FORCE, aliases: [], decimals: 2 },
  ],
  torque: [
    { symbol: 'N·m', factor: 1, aliases: ['nm', 'n m', 'n.m', 'newton metre'], decimals: 1 },
    {
      symbol: 'in·lb',
      factor: INCH * POUND_FORCE,
      aliases: [
        'in lb',
        'inlb',
        'in-lb',
        'lb in',
        'lbin',
        'lb-in',
        'in lbs',
        'lbs in',
        'lbf in',
        'in lbf',
        'inch pound',
        'inch pounds',
      ],
      decimals: 1,
    },
    {
      symbol: 'oz·in',
      factor: (INCH * POUND_FORCE) / 16,
      aliases: ['oz in', 'ozin', 'oz-in', 'in oz', 'in-oz', 'ozf in', 'inch ounces', 'ounce inches'],
      decimals: 0,
    },
    {
      symbol: 'ft·lb',
      factor: 12 * INCH * POUND_FORCE,
      aliases: [
        'ft lb',
        'ftlb',
        'ft-lb',
        'lb ft',
        'lbft',
        'lb-ft',
        'ft lbs',
        'lbs ft',
        'lbf ft',
        'ft lbf',
        'foot pounds',
        'pound feet',
      ],
      decimals: 1,
    },
  ],
  mass: [
    { symbol: 'g', factor: 1e-3, aliases: ['gram', 'grams'], decimals: 0 },
    { symbol: 'kg', factor: 1, aliases: ['kilo', 'kilogram'], decimals: 3 },
    { symbol: 'oz', factor: 0.028349523125, aliases: ['ounce', 'ounces'], decimals: 1 },
    { symbol: 'lb', factor: 0.45359237, aliases: ['lbs', 'pound', 'pounds'], decimals: 2 },
  ],
  force: [
    { symbol: 'N', factor: 1, aliases: ['n', 'newton'], decimals: 1 },
    { symbol: 'lbf', factor: POUND_FORCE, aliases: ['lb', 'lbs', 'pound', 'pounds'], decimals: 2 },
    { symbol: 'kgf', factor: 9.80665, aliases: ['kg', 'kp'], decimals: 2 },
  ],
  arc: [{ symbol: '°', factor: Math.PI / 180, aliases: ['deg', 'degrees'], decimals: 0 }],
  angle: [{ symbol: '°', factor: Math.PI / 180, aliases: ['deg', 'degrees'], decimals: 0 }],
  ratio: [
    { symbol: '', factor: 1, aliases: ['x', ':1'], decimals: 2 },
    { symbol: '%', factor: 0.01, aliases: ['percent', 'per cent'], decimals: 0 },
  ],
  count: [{ symbol: '', factor: 1, aliases: [], decimals: 0 }],
  span: [
    { symbol: 'h', factor: 3600, aliases: ['hr', 'hrs', 'hour', 'hours'], decimals: 0 },
    { symbol: 'min', factor: 60, aliases: ['mins', 'minute', 'minutes'], decimals: 0 },
    { symbol: 'd', factor: 86400, aliases: ['day', 'days'], decimals: 1 },
  ],
  distance: [
    { symbol: 'km', factor: 1000, aliases: ['kilometre', 'kilometres'], decimals: 0 },
    { symbol: 'mi', factor: 5280 * 12 * INCH, aliases: ['mile', 'miles'], decimals: 0 },
  ],
  duration: [
    { symbol: 's', factor: 1, aliases: ['sec', 'secs', 'second', 'seconds'], decimals: 0 },
    { symbol: 'min', factor: 60, aliases: ['mins', 'minute', 'minutes'], decimals: 0 },
    { symbol: 'h', factor: 3600, aliases: ['hr', 'hour', 'hours'], decimals: 1 },
  ],
}

/** SI value of `number` in `unit`. */
export function toSI(number: number, unit: Unit): number {
  return number * unit.factor + (unit.offset ?? 0)
}

/** `value` (SI) as a number in `unit`. */
export function fromSI(value: number, unit: Unit): number {
  return (value - (unit.offset ?? 0)) / unit.factor
}
