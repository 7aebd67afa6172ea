import { t } from './of/frame'
import { said } from './speak'
import type { FaultKey } from '#core/parts/list'

/** How the bench’s list says each fault of a simulated engine. */
export const FAULT_WORDS = said(t, {
  'dry-pump': 'faults.dryPumpFilterFilled',
  'pickup-air': 'faults.airAtThePickup',
  'relief-open': 'faults.reliefStuckOpen',
  'plug-out': 'faults.galleryPlugLeftOut',
  'sender-low': 'faults.senderReadsLow',
  undriven: 'faults.pumpNotDriven',
  'relief-shut': 'faults.reliefStuckShut',
  uncovered: 'faults.pickupComesOutOfTheOil',
  clearance: 'faults.bearingsFarWider',
}) satisfies Record<FaultKey, string>
