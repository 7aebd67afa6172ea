import { recorded } from '../engine/values'
import { type Port, PORTS } from '../parts/primingWords'
import type { Sheet } from '../record/schema'

/** How an engine that is started elsewhere leaves the shop. */
export interface HandOver {
  /** Oil in it, m³, where it was written down. */
  oil?: number
  /** The port that is left for another prime, and what is fitted there. */
  port?: Port
  fitting?: string
  to?: string
}

/** What goes with an engine that is started elsewhere; undefined for one that is started here, whatever was written before that was decided. */
export function handOverOf(sheet: Sheet): HandOver | undefined {
  const chosen = (key: string) => sheet.choices[`start.${key}`]
  if (chosen('elsewhere') !== 'yes') return undefined
  const port = PORTS.find((each) => each === (chosen('portLeft') ?? sheet.choices['prime.port']))
  return {
    oil: recorded(sheet, 'start.oilIn')?.value,
    port,
    fitting: port && chosen('fittingLeft'),
    to: chosen('handedTo'),
  }
}

/** The port through which an engine can be primed again: as it was handed over, else the one that it was primed through here. */
export function portLeftOf(sheet: Sheet): Port | undefined {
  const over = handOverOf(sheet)
  return over ? over.port : PORTS.find((each) => each === sheet.choices['prime.port'])
}
