import type { OilFigures } from '../oil/blend'
import type { PumpGaps } from '../pump/slip'
import { numberOf } from './fields'
import type { ShelfItem } from './schema'

/** Displacement, rotors and gaps of a pump on the shelf: what a model needs of it, SI. */
export function shelfPump({ properties }: Pick<ShelfItem, 'properties'>): PumpGaps & { displacement: number } {
  const figure = (field: string) => numberOf(properties, field)!
  return {
    displacement: figure('displacement'),
    rotorDiameter: figure('rotorDiameter'),
    rotorLength: figure('rotorLength'),
    endClearance: figure('endClearance'),
    tipClearance: figure('tipClearance'),
  }
}

/** Figures of an oil on the shelf, which keeps its high-shear viscosity in mPa·s. */
export function shelfOil({ properties }: Pick<ShelfItem, 'properties'>): OilFigures {
  const figure = (field: string) => numberOf(properties, field)!
  return {
    kv40: figure('kv40'),
    kv100: figure('kv100'),
    density15: figure('density15'),
    highShear150: 1e-3 * figure('highShear150'),
    pumpingLimit: figure('pumpingLimit'),
  }
}
