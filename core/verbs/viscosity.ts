import { z } from 'zod'
import { kinematicViscosity, oilDensity, waltherLine } from '../oil/viscosity'
import { degrees, named, positive, take } from './take'

export const ViscosityInput = z.object({
  kv40: positive,
  kv100: positive,
  density15: z.number().min(500).max(1500),
  temperatures: z.array(degrees).max(10_000),
})

/** An oil's viscosity and density at temperatures: mm²/s, Pa·s, kg/m³ (ASTM D341). */
export function viscosity(input: z.input<typeof ViscosityInput>) {
  const { kv40, kv100, density15, temperatures } = take(ViscosityInput, input)
  const line = named(() => waltherLine(kv40, kv100))
  return {
    points: temperatures.map((temperature) => {
      const kinematic = kinematicViscosity(line, temperature)
      const density = oilDensity(density15, temperature)
      return { temperature, kinematic, dynamic: kinematic * 1e-6 * density, density }
    }),
  }
}
