import type { ModelInput } from '../engine/inputs'
import type { Model } from './model'

/** What moves no node by more than this a standard uncertainty is left out, Pa. */
const LEAST = 30

/**
 * Where the solution of a drawn engine is begun: at the best engine's pressures, moved along a straight line by what was drawn of each input. Newton doubles
 * figures, so that a start that is right to a percent spares it half of its rounds.
 *
 * @param solve solves the circuit of the values as they stand; the best engine's has just been solved
 * @returns sets the pressures to begin sample s from, by the deviates of all samples (by sample, then input)
 */
export function prepareStarts(
  { engine: { circuit }, values }: Model,
  uncertain: ModelInput[],
  solve: () => void,
): (deviates: Float64Array, s: number) => void {
  const { pressures } = circuit
  const nodes = pressures.length
  const best = pressures.slice()
  /** Which inputs move anything, and by how much each node's pressure. */
  const moving: number[] = []
  const lines: Float64Array[] = []
  uncertain.forEach((input, i) => {
    input.put(values, input.value + input.sigma)
    solve()
    const line = pressures.map((pressure, n) => pressure - best[n])
    if (line.some((moved) => Math.abs(moved) > LEAST)) {
      moving.push(i)
      lines.push(line)
    }
    input.put(values, input.value)
    pressures.set(best)
  })
  return (deviates, s) => {
    pressures.set(best)
    for (let m = 0; m < lines.length; m++) {
      const drawn = deviates[s * uncertain.length + moving[m]]
      const line = lines[m]
      for (let n = 0; n < nodes; n++) pressures[n] += drawn * line[n]
    }
  }
}
