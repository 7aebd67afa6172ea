import type { PumpGaps } from '#core/pump/slip'
import { numberOf } from '#core/shelf/fields'
import type { ShelfItem } from '#core/shelf/schema'

/** Displacement, rotors and gaps of a pump on the shelf: what a model needs of it, SI. */
export function shelfPump({ properties }: ShelfItem): PumpGaps & { displacement: number } {
  const figure = (field: string) => numberOf(properties, field)!
  return {
    displacement: figure('displacement'),
    rotorDiameter: figure('rotorDiameter'),
    rotorLength: figure('rotorLength'),
    endClearance: figure('endClearance'),
    tipClearance: figure('tipClearance'),
  }
}
