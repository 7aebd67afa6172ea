const KELVIN = 273.15

/** A Walther line: log₁₀ log₁₀(ν + 0.7) = A − B log₁₀ T, ν in mm²/s, T in kelvin. */
export interface WaltherLine {
  a: number
  b: number
}

/**
 * The Walther line through two viscosities.
 *
 * @param kv40 kinematic viscosity at 40 °C, mm²/s, above kv100
 * @param kv100 kinematic viscosity at 100 °C, mm²/s, above 1.5
 * @throws RangeError naming the figure that is out of range
 * Source: ASTM D341, Viscosity-Temperature Charts, in its form for ν above 2 mm²/s.
 */
export function waltherLine(kv40: number, kv100: number): WaltherLine {
  if (!(kv100 > 1.5 && kv100 < 2000)) throw new RangeError('kv100: must lie between 1.5 and 2000 mm²/s')
  if (!(kv40 > kv100 && kv40 < 1e5)) throw new RangeError('kv40: must be greater than kv100, and below 100000 mm²/s')
  const w40 = Math.log10(Math.log10(kv40 + 0.7))
  const w100 = Math.log10(Math.log10(kv100 + 0.7))
  const t40 = Math.log10(40 + KELVIN)
  const t100 = Math.log10(100 + KELVIN)
  const b = (w40 - w100) / (t100 - t40)
  return { a: w40 + b * t40, b }
}

/**
 * Kinematic viscosity at a temperature, mm²/s.
 *
 * @param line from waltherLine
 * @param temperature °C
 * @example kinematicViscosity(waltherLine(108, 14.6), 90) // 18.73
 */
export function kinematicViscosity(line: WaltherLine, temperature: number): number {
  return 10 ** (10 ** (line.a - line.b * Math.log10(temperature + KELVIN))) - 0.7
}

/**
 * Density at a temperature: ρ(T) = ρ₁₅ (1 − α (T − 15)), with α = 7·10⁻⁴ /K, kg/m³.
 * Source: thermal expansion of mineral oils, e.g. Hamrock, Schmid & Jacobson, Fundamentals of Fluid Film Lubrication, ch. 4.
 */
export function oilDensity(density15: number, temperature: number): number {
  return density15 * (1 - 7e-4 * (temperature - 15))
}
