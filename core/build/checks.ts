import type { Layout, Sheet } from './schema'
import type { Station } from './quantities'

/** Something to look at or do at a station: done, or found at fault. */
export interface CheckItem {
  key: string
  station: Station
  label: string
  /** What a fault there means. */
  fault?: string
  /** Counted as missing until answered. */
  wanted: boolean
  group?: 'step' | 'outlet' | 'preflight' | 'crank'
}

/** The checks of a layout, in the order of the work. */
export function checksOf(layout: Layout): CheckItem[] {
  const item = (station: Station, key: string, label: string, group?: CheckItem['group'], fault?: string, wanted = true): CheckItem => ({ key, station, label, group, fault, wanted })
  const list: CheckItem[] = [
    item('bearings', 'bearings.turns', 'Crank turns freely after every cap', undefined, 'Something is behind a shell or under a cap, or a cap is swapped. Take the shells out and look at their backs. Do not start it.'),
    item('relief', 'relief.falls', 'Plunger falls through an oiled bore by its own weight', undefined, 'A plunger that hangs can stay open: no pressure, or shut: a burst filter.'),
    item('pickup', 'pickup.seal', 'Seal new, in place, not pinched', undefined, 'The pump draws air before oil. Fit a new seal before anything else.'),
    item('pickup', 'pickup.tight', 'Tube tight in the pump, bracket fitted', undefined, 'A tube that moves draws air. Refit it and stake or tack it as the maker says.'),
    item('pickup', 'pickup.screen', 'Screen clean, tube free of cracks', undefined, 'A crack draws air, a dirty screen starves the pump.'),
  ]
  const prime = (key: string, label: string, group: CheckItem['group'], wanted = true) => list.push(item('prime', `prime.${key}`, label, group, undefined, wanted))
  prime('packed', 'Pump packed with assembly lubricant', 'step')
  prime('filled', 'Oil in to the full mark', 'step')
  prime('gauge', 'Mechanical gauge on the gauge port', 'step')
  prime('drill', 'Drill on the pump drive, direction checked', 'step')
  for (const turn of [90, 180, 270, 360, 450, 540, 630, 720]) list.push(item('prime', `prime.crank${turn}`, `${turn}°`, 'crank'))
  if (layout.rockerFeed) for (let i = 1; i <= layout.cylinders; i++) list.push(item('prime', `prime.rocker${i}`, `Rockers ${i}`, 'outlet', 'No oil there: turn the crank on, then look for a blocked restrictor or a left-out plug.'))
  if (layout.lifters === 'hydraulic') list.push(item('prime', 'prime.lifters', 'Lifter plungers up', 'outlet', 'Plungers that stay down get no oil, or bleed down.'))
  if (layout.timingJet) list.push(item('prime', 'prime.jet', 'Timing jet', 'outlet', 'A dry jet is blocked or its gallery is.'))
  list.push(item('prime', 'prime.weeps', 'No weeps at plugs and filter', 'outlet', 'A weep at standstill is a leak at work. Reseal it.'))
  const preflight = (key: string, label: string) => list.push(item('start', `start.${key}`, label, 'preflight'))
  preflight('oil', 'Oil at the mark, filter fitted')
  preflight('fuel', 'Fuel and ignition in order')
  preflight('gauge', 'Mechanical gauge fitted and seen from the switch')
  preflight('pulley', 'Pulley and balancer checked, guards on')
  preflight('extinguisher', 'Extinguisher at hand, doors open')
  preflight('clear', 'Hands, hair and sleeves clear')
  preflight('switch', 'Someone at the switch')
  return list
}

/** Checks of one station that stand at fault. */
export function faultsAt(sheet: Sheet, station: Station): CheckItem[] {
  return checksOf(sheet.layout).filter((check) => check.station === station && sheet.checks[check.key]?.state === 'fault')
}
