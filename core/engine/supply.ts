import { type Draft, gap, length, MICRON, MM, plain, planned, speed, temperature, typical } from '../parts/drafts'
import type { Quantity, Station } from '../record/quantity'
import type { Layout } from '../record/schema'

/** Shared by air test and dead-head test: a plain gauge's uncertainty, Pa. */
const GAUGE = 5e3

/** Everything that can be recorded from the pump to the passages, in the order of the work. */
export function supplyQuantities(layout: Layout): Quantity[] {
  const list: Quantity[] = []
  const at = (station: Station) => (key: string, label: string, draft: Draft) =>
    list.push({ key, label, station, ...draft })
  pumpQuantities(layout, at('pump'))
  reliefQuantities('relief', '', at('relief'))
  if (layout.galleryRelief) reliefQuantities('relief2', 'Gallery valve, ', at('relief'))
  pickupQuantities(layout, at('pickup'))
  passageQuantities(layout, at('passages'))
  return list
}

type Add = (key: string, label: string, draft: Draft) => void

function pumpQuantities(layout: Layout, pump: Add): void {
  const size = typical(layout)
  const gear = layout.pumpKind === 'gear'
  pump('pump.driveRatio', 'Drive ratio, pump to crank', {
    dimension: 'ratio',
    fallback: size.driveRatio,
    fallbackSigma: 0,
    sigma: 0.001,
    plausible: [0.2, 3],
    wanted: true,
  })
  pump('pump.displacement', 'Displacement', {
    dimension: 'displacement',
    fallback: size.displacement,
    fallbackSigma: 0.15 * size.displacement,
    sigma: 0.02 * size.displacement,
    plausible: [0.5e-6, 200e-6],
    wanted: true,
  })
  pump(
    'pump.rotorDiameter',
    gear ? 'Gear outside diameter' : 'Outer rotor diameter',
    length(gear ? 38 * MM : 62 * MM, 0.1, [10 * MM, 150 * MM], true),
  )
  if (gear) pump('pump.centres', 'Shaft centre distance', length(undefined, 0, [8 * MM, 140 * MM]))
  pump(
    'pump.rotorLength',
    gear ? 'Gear length' : 'Rotor length',
    length(gear ? 28 * MM : 16 * MM, 0.1, [4 * MM, 120 * MM], true),
  )
  pump('pump.endClearance', 'End clearance', gap(70 * MICRON, 0.3, [10 * MICRON, 500 * MICRON], true))
  pump('pump.tipClearance', 'Tip clearance', gap(75 * MICRON, 0.3, [10 * MICRON, 600 * MICRON], true))
  if (!gear)
    pump('pump.sideClearance', 'Outer rotor to body', gap(120 * MICRON, 0.3, [10 * MICRON, 800 * MICRON], true))
  pump('pump.gasket', 'Cover gasket, pressed, where the gap was taken without it', {
    ...gap(0, 0, [0, 500 * MICRON], false),
    fallbackSigma: 0,
  })
  pump('pump.driveLength', 'Drive shaft, length', plain('length', 0.1 * MM, [10 * MM, 600 * MM]))

  pump('pump.coverWear', 'Track worn into the cover', plain('clearance', 5 * MICRON, [0, 1 * MM]))
  pump('pump.coverThickness', 'Cover, thickness', plain('length', 0.02 * MM, [1 * MM, 60 * MM]))
  pump('pump.floorThickness', 'Pocket floor, thickness', plain('length', 0.05 * MM, [1 * MM, 80 * MM]))
  for (const [part, words] of [
    ['cover', 'Cut the cover by'],
    ['body', 'Cut the body face by'],
    ['pocket', 'Cut the pocket by'],
  ] as const)
    pump(`pump.${part}Cut`, words, planned('clearance', [0, 3 * MM]))

  for (const [port, word] of [
    ['suction', 'Suction'],
    ['outlet', 'Outlet'],
  ] as const) {
    pump(`pump.${port}PortBefore`, `${word} port before`, plain('length', 0.05 * MM, [3 * MM, 60 * MM]))
    pump(`pump.${port}Port`, `${word} port now`, plain('length', 0.05 * MM, [3 * MM, 60 * MM]))
    pump(`pump.${port}PortWall`, `Wall left beside the ${port} port`, plain('length', 0.1 * MM, [0.5 * MM, 30 * MM]))
  }
}

function reliefQuantities(name: string, prefix: string, relief: Add): void {
  const title = (words: string) => (prefix ? `${prefix}${words.charAt(0).toLowerCase()}${words.slice(1)}` : words)
  const add = (field: string, words: string, draft: Draft) => relief(`${name}.${field}`, title(words), draft)
  add('plungerDiameter', 'Plunger diameter', length(12.7 * MM, 0.03, [4 * MM, 40 * MM], true, 5 * MICRON))
  add('springRate', 'Spring rate', {
    dimension: 'springRate',
    fallback: 6000,
    fallbackSigma: 500,
    sigma: 60,
    plausible: [300, 60000],
    wanted: true,
  })
  add('freeLength', 'Spring free length', length(48 * MM, 0.01, [10 * MM, 150 * MM], true, 0.1 * MM))
  add('installedLength', 'Length fitted, no shims', length(41 * MM, 0.01, [8 * MM, 150 * MM], true, 0.1 * MM))
  add('shims', 'Shims, all together', { ...length(0, 0, [0, 12 * MM], false, 0.01 * MM), fallbackSigma: 0 })
  add('solidLength', 'Spring solid length', length(undefined, 0, [5 * MM, 140 * MM], true, 0.1 * MM))
  add('portDiameter', 'Port diameter', length(7 * MM, 0.1, [2 * MM, 25 * MM], true))
  add('overlap', 'Overlap before the port', {
    ...length(0, 0, [0, 10 * MM], false, 0.05 * MM),
    fallbackSigma: 0.1 * MM,
  })

  for (const [n, words] of [
    [1, 'First'],
    [2, 'Second'],
  ] as const) {
    add(`height${n}`, `${words} height`, plain('length', 0.05 * MM, [5 * MM, 150 * MM]))
    add(`load${n}`, `Load at the ${words.toLowerCase()} height`, plain('force', 0.3, [0.5, 2000]))
  }
  add('wire', 'Wire diameter', plain('length', 0.01 * MM, [0.4 * MM, 8 * MM]))
  add('coilDiameter', 'Coil, mean diameter', plain('length', 0.05 * MM, [3 * MM, 60 * MM]))
  add('coils', 'Active coils', plain('count', 0.25, [1, 40]))

  add('plugBore', 'Plug bore', plain('length', 0.02 * MM, [4 * MM, 50 * MM]))
  add('plugHole', 'Hole in the plug', plain('length', 0.05 * MM, [0, 20 * MM]))
  add('plugTravel', 'Plug can go further in by', plain('length', 0.05 * MM, [0, 20 * MM]))
  add('wanted', 'Wanted opening pressure', planned('pressure', [0.3e5, 12e5]))

  add('reach', 'Shoulder to nose of the valve', plain('length', 0.03 * MM, [5 * MM, 150 * MM]))
  add('seatDepth', 'Face to seat of the housing', plain('length', 0.05 * MM, [5 * MM, 150 * MM]))
  add('thread', 'Thread of the valve', plain('length', 0.05 * MM, [2 * MM, 60 * MM]))
  add('tapped', 'Tapped depth of the housing', plain('length', 0.1 * MM, [2 * MM, 80 * MM]))
  add('plugTorque', 'Plug torque, maker’s', plain('torque', 0.5, [2, 200]))

  add('benchPressure', 'Bench reading', plain('pressure', GAUGE, [0.3e5, 20e5]))
  add('benchTemperature', 'Oil on the bench', { ...temperature(20, [0, 60]), wanted: false })
  add('benchSpeed', 'Pump speed on the bench', { ...speed(450, [50, 3000]), wanted: false })
  add('benchInstalled', 'Length fitted on the bench', plain('length', 0.1 * MM, [8 * MM, 150 * MM]))
  add('benchShims', 'Shims on the bench', plain('length', 0.01 * MM, [0, 12 * MM]))
}

function pickupQuantities(layout: Layout, pickup: Add): void {
  const wet = !layout.drySump
  if (wet) {
    pickup('pickup.sumpDepth', 'Sump depth from the rail', length(160 * MM, 0, [40 * MM, 500 * MM], true, 0.5 * MM))
    pickup('pickup.gasket', 'Rail gasket, pressed, where the depth was taken without it', {
      ...length(0, 0, [0, 6 * MM], false, 0.1 * MM),
      fallbackSigma: 0,
    })
    pickup('pickup.protrusion', 'Pickup below the rail', length(150 * MM, 0.015, [20 * MM, 495 * MM], true, 0.5 * MM))
  }
  pickup(
    'pickup.mouthDiameter',
    wet ? 'Pickup mouth diameter' : 'Tank outlet diameter',
    length(50 * MM, 0.1, [10 * MM, 200 * MM]),
  )
  pickup('pickup.screenOpen', 'Screen, open share', {
    dimension: 'ratio',
    fallback: 0.45,
    fallbackSigma: 0.1,
    sigma: 0.03,
    plausible: [0.05, 1],
    wanted: false,
  })
  pickup(
    'pickup.tubeDiameter',
    wet ? 'Tube inside diameter' : 'Line inside diameter',
    length(14 * MM, 0.06, [4 * MM, 50 * MM], true),
  )
  pickup(
    'pickup.tubeLength',
    wet ? 'Tube length' : 'Line length',
    length(220 * MM, 0.1, [20 * MM, wet ? 1500 * MM : 5000 * MM], true, 2 * MM),
  )
  if (wet) pickup('pickup.lift', 'Pump above the oil level', length(60 * MM, 0.2, [-500 * MM, 800 * MM], false, 3 * MM))
  else {
    pickup('pickup.tankHead', 'Oil in the tank above the pump', length(200 * MM, 0.3, [0, 2000 * MM], true, 5 * MM))
    pickup('pickup.scavenge', 'Scavenge stage, displacement', plain('displacement', 0.3e-6, [0.5e-6, 400e-6], true))
    pickup('pickup.tankVolume', 'Tank, to the mark', plain('volume', 0.1e-3, [0.5e-3, 100e-3], true))
  }
  pickup('pickup.oilDepth', 'Oil over the floor, low mark', plain('length', 1 * MM, [5 * MM, 450 * MM]))
  pickup('pickup.offset', 'Pickup from the sump’s middle', plain('length', 2 * MM, [0, 600 * MM]))
  pickup('pickup.sumpLength', 'Sump floor, length', plain('length', 2 * MM, [40 * MM, 2000 * MM]))
  pickup('pickup.sumpWidth', 'Sump floor, width', plain('length', 2 * MM, [40 * MM, 1000 * MM]))
  pickup('pickup.capacity', 'Oil to the full mark', plain('volume', 0.1e-3, [0.3e-3, 200e-3]))
  if (layout.filter) pickup('pickup.filterVolume', 'Of it in the filter', plain('volume', 0.05e-3, [0.05e-3, 10e-3]))
  pickup('pickup.vacuum', 'Vacuum drawn on the tube', plain('pressure', 1e3, [1e3, 95e3]))
  pickup('pickup.vacuumAfter', 'Vacuum a minute later', plain('pressure', 1e3, [0, 95e3]))
}

function passageQuantities(layout: Layout, passage: Add): void {
  if (layout.rockerFeed)
    passage('passage.rockerRestrictor', 'Rocker feed restrictor', length(1.4 * MM, 0.12, [0.3 * MM, 8 * MM]))
  if (layout.timingJet) passage('passage.timingJet', 'Timing jet', length(0.9 * MM, 0.15, [0.3 * MM, 5 * MM]))
  const opening = (bar: number): Draft => ({
    dimension: 'pressure',
    fallback: bar * 1e5,
    fallbackSigma: 0.15 * bar * 1e5,
    sigma: 5e3,
    plausible: [5e3, 1e6],
    wanted: false,
  })
  if (layout.filter) {
    passage('passage.filterLoss', 'Filter loss, hot oil at 20 L/min', {
      dimension: 'pressure',
      fallback: 15e3,
      fallbackSigma: 6e3,
      sigma: 2e3,
      plausible: [2e3, 150e3],
      wanted: false,
    })
    passage('passage.filterBypass', 'Filter bypass opens at', opening(1))
    passage(
      'passage.filterGap',
      'Filter housing, feeler under the straightedge',
      plain('clearance', 10 * MICRON, [0, 3 * MM]),
    )
  }
  if (layout.cooler || layout.coolerPlugged) {
    passage('passage.coolerBypass', 'Cooler bypass opens at', opening(1.5))
    passage(
      'passage.coolerGap',
      'Cooler housing, feeler under the straightedge',
      plain('clearance', 10 * MICRON, [0, 3 * MM]),
    )
  }
  if (layout.turbo) passage('passage.turboFeed', 'Turbo feed restrictor', length(1.2 * MM, 0.15, [0.4 * MM, 6 * MM]))
  if (layout.pistonJets > 0) {
    passage('passage.pistonJet', 'Piston jet', length(1.5 * MM, 0.12, [0.4 * MM, 4 * MM]))
    passage('passage.pistonJetOpening', 'Piston jets open at', opening(1.8))
  }
  if (layout.tensioner) passage('passage.tensioner', 'Tensioner leak hole', length(0.8 * MM, 0.2, [0.2 * MM, 3 * MM]))
}
