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
  'no-oil': 'faults.noOilInIt',
  'lamp-only': 'faults.lampItsSwitchOrWiring',
  'air-lock': 'faults.airBeforeAFullFilter',
  'filter-wrong': 'faults.filterWrongOrStoppedUp',
  'wrong-way': 'faults.pumpTurnedTheWrongWay',
  'screen-blocked': 'faults.pickupScreenBlocked',
  'cover-leak': 'faults.pumpCoverLeaks',
  'relief-sticks': 'faults.reliefHangsALittleOpen',
  'relief-weak': 'faults.reliefSpringTooWeak',
  'bypass-wrong': 'faults.wrongBypassValve',
  'lifter-open': 'faults.lifterWithoutMetering',
  'restrictor-out': 'faults.restrictorLeftOut',
  'oil-thin': 'faults.oilTooThin',
  'oil-thick': 'faults.oilTooThick',
  'pump-worn': 'faults.pumpWorn',
  'shell-hole': 'faults.shellHoleNotOverTheFeed',
  'gallery-blocked': 'faults.galleryBlocked',
}) satisfies Record<FaultKey, string>
