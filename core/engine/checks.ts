import { passagesOf } from '../parts/passage'
import { recheckList } from '../start/breakIn'
import type { Layout, Sheet } from '../record/schema'
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
  /** Ways of priming that ask for it; all where none is named. */
  methods?: ('drill' | 'tank' | 'starter' | 'hand')[]
  group?: 'step' | 'outlet' | 'preflight' | 'crank' | 'walk' | 'breakIn' | 'recheck'
}

const BREAK_IN: Record<string, string> = {
  breakInOil: 'Break-in oil in',
  breakInRun: 'Run in',
  breakInCool: 'Cooled and looked over',
  breakInLoad: 'Loaded in pulls',
}

/** The checks of a layout, in the order of the work. */
export function checksOf(layout: Layout): CheckItem[] {
  const item = (
    station: Station,
    key: string,
    label: string,
    group?: CheckItem['group'],
    fault?: string,
    wanted = true,
  ): CheckItem => ({ key, station, label, group, fault, wanted })
  const list: CheckItem[] = [
    item(
      'bearings',
      'bearings.turns',
      'Crank turns freely after every cap',
      undefined,
      'Something is behind a shell or under a cap, or a cap is swapped. Take the shells out and look at their backs. Do not start it.',
    ),
    item(
      'pump',
      'pump.turns',
      'Turns by hand with the cover on',
      undefined,
      'Rotors that bind score their pocket at once. Look for too little end clearance, sealer inside, a burr.',
    ),
    item(
      'pump',
      'pump.washed',
      'Washed out, every chip gone',
      undefined,
      'Chips end in the bearings. Wash it again, brushes through every passage.',
    ),
    item(
      'relief',
      'relief.falls',
      'Plunger falls through an oiled bore by its own weight',
      undefined,
      'A plunger that hangs can stay open: no pressure, or shut: a burst filter.',
    ),
    item(
      'relief',
      'relief.seals',
      'Seals and washers new',
      undefined,
      'Seals are renewed each time: an old one weeps, or lets the valve stand off its seat.',
    ),
    item(
      'relief',
      'relief.byHand',
      'Turns all the way in by hand',
      undefined,
      'What binds by hand is cross-threaded, or its housing stands askew: align it by the maker’s tool.',
    ),
    item(
      'relief',
      'relief.torque',
      'Plug at the maker’s torque',
      undefined,
      'A loose plug weeps and backs out; an overtightened one strips its housing.',
      false,
    ),
    item(
      'relief',
      'relief.marked',
      'Plug marked with what is behind it',
      undefined,
      'The next person cannot know what is behind it.',
      false,
    ),
    item(
      'pickup',
      'pickup.seal',
      'Seal new, in place, not pinched',
      undefined,
      'The pump draws air before oil. Fit a new seal before anything else.',
    ),
    item(
      'pickup',
      'pickup.tight',
      'Tube tight in the pump, bracket fitted',
      undefined,
      'A tube that moves draws air. Refit it and stake or tack it as the maker says.',
    ),
    item(
      'pickup',
      'pickup.screen',
      'Screen clean, tube free of cracks',
      undefined,
      'A crack draws air, a dirty screen starves the pump.',
    ),
  ]
  if (layout.galleryRelief) {
    list.push(
      item(
        'relief',
        'relief2.falls',
        'Gallery valve: plunger falls by its own weight',
        undefined,
        'A plunger that hangs can stay open: no pressure, or shut.',
      ),
    )
    list.push(
      item(
        'relief',
        'relief2.seals',
        'Gallery valve: seals new',
        undefined,
        'An old seal weeps, or lets the valve stand off its seat.',
      ),
    )
  }
  const prime = (key: string, label: string, methods?: CheckItem['methods']) =>
    list.push({ ...item('prime', `prime.${key}`, label, 'step'), ...(methods ? { methods } : {}) })
  prime('filled', 'Oil in, enough to prime with')
  prime('packed', 'Pump packed with assembly lubricant', ['drill', 'starter', 'hand'])
  prime('gauge', 'Mechanical gauge on the gauge port, or on a tee beside it')
  prime('drill', 'Drill on the pump drive: engaged, direction checked', ['drill'])
  prime('tankPort', 'Tank’s adaptor and thread fit a port that leaves the gauge its own', ['tank'])
  prime('tankSafe', 'Tank’s plate, relief and gauge looked at', ['tank'])
  prime('handPort', 'Filled at its port until it drips, port closed', ['hand'])
  prime('noSpark', 'Ignition and fuel disabled, and tried', ['starter', 'hand'])
  prime('plugsOut', 'Plugs out, a little oil down the bores', ['starter', 'hand'])
  for (const turn of [90, 180, 270, 360, 450, 540, 630, 720])
    list.push(item('prime', `prime.crank${turn}`, `${turn}°`, 'crank'))
  if (layout.rockerFeed)
    for (let i = 1; i <= layout.cylinders; i++)
      list.push(
        item(
          'prime',
          `prime.rocker${i}`,
          `Rockers ${i}`,
          'outlet',
          'No oil there: turn the crank on, then look for a blocked restrictor or a left-out plug.',
        ),
      )
  if (layout.lifters === 'hydraulic')
    list.push(
      item(
        'prime',
        'prime.lifters',
        'Lifter plungers up',
        'outlet',
        'Plungers that stay down get no oil, or bleed down.',
      ),
    )
  if (layout.timingJet)
    list.push(item('prime', 'prime.jet', 'Timing jet', 'outlet', 'A dry jet is blocked or its gallery is.'))
  if (layout.tensioner)
    list.push(
      item(
        'prime',
        'prime.tensioner',
        'Chain tensioner',
        'outlet',
        'A tensioner without oil rattles and lets the chain jump.',
      ),
    )
  if (layout.turbo)
    list.push(
      item(
        'prime',
        'prime.turbo',
        'Turbo',
        'outlet',
        'A dry turbo is gone in seconds. Look at its restrictor and line.',
      ),
    )
  for (const passage of passagesOf(layout))
    if (passage.kind === 'plug' || !passage.inside)
      list.push(
        item(
          'prime',
          `prime.dry.${passage.key.slice('passage.'.length)}`,
          passage.label,
          'walk',
          'A weep at standstill is a leak at work. Reseal it.',
          false,
        ),
      )
  list.push(
    item(
      'prime',
      'prime.weeps',
      'No weeps at plugs and filter',
      'outlet',
      'A weep at standstill is a leak at work. Reseal it.',
    ),
  )
  const preflight = (key: string, label: string) => list.push(item('start', `start.${key}`, label, 'preflight'))
  preflight('oil', 'Oil at the mark, filter fitted')
  preflight('fuel', 'Fuel and ignition in order')
  preflight('gauge', 'Mechanical gauge fitted and seen from the switch')
  preflight('pulley', 'Pulley and balancer checked, guards on')
  preflight('extinguisher', 'Extinguisher at hand, doors open')
  preflight('clear', 'Hands, hair and sleeves clear')
  preflight('switch', 'Someone at the switch')
  for (const step of ['breakInOil', 'breakInRun', 'breakInCool', 'breakInLoad'])
    if (step !== 'breakInOil' || layout.followers === 'sliding')
      list.push(item('start', `start.${step}`, BREAK_IN[step], 'breakIn', undefined, false))
  for (const { key, label } of recheckList(layout)) list.push(item('start', key, label, 'recheck', undefined, false))
  return list
}

/** Checks of one station that stand at fault. */
export function faultsAt(sheet: Sheet, station: Station): CheckItem[] {
  return checksOf(sheet.layout).filter(
    (check) => check.station === station && sheet.checks[check.key]?.state === 'fault',
  )
}
