import { newSheet } from '../core/record/layouts'
import type { Sheet } from '../core/record/schema'
import type { RecordedCase } from '../core/record/traceCase'
import { brief, recordBearings, recorder, START } from './hand'

/** V eight that drives a fairground generator: started, hot idle low. */
export function dunmarrow(): Sheet {
  const sheet = newSheet('v8', 'Carousel set', 'Dunmarrow 5.4', 'Fairground generator')
  sheet.use = 'generator'
  sheet.oil.grade = '10W-40'
  const hand = brief(sheet, 'Ilse', 1, [700, 1000, 1500, 3600, 190], 5, 98, [101, 84])
  hand.read('', 'bar', { 'maker.idleHot': 1.2, 'maker.workingHot': 2.5 }, 'maker')
  hand.read('Depth gauge', 'mm', {
    'size.mainLength': 25,
    'size.mainLand': 8.8,
    'size.rodLength': 22,
    'passage.rockerRestrictor': 1.4,
    'passage.timingJet': 0.9,
  })
  const bench = recorder(sheet, 'Ilse', 8)
  recordBearings(
    bench,
    'main',
    { journal: 69.98, clearances: [0.061, 0.063, 0.06, 0.064, 0.062] },
    'Micrometer 50 to 75',
    21,
  )
  recordBearings(
    bench,
    'rod',
    { journal: 54.99, clearances: [0.056, 0.058, 0.055, 0.057, 0.059, 0.056, 0.057, 0.058] },
    'Micrometer 50 to 75',
    22,
  )
  bench.read('Plastic gauge', 'mm', { 'cam.clearance': 0.055 })
  bench.check(['bearings.turns'])
  const pump = recorder(sheet, 'Tobi', 9)
  pump.read('Caliper', 'mm', { 'pump.rotorDiameter': 42, 'pump.centres': 35.6, 'pump.rotorLength': 25.5 })
  pump.read('Feeler gauge', 'mm', { 'pump.endClearance': 0.08, 'pump.tipClearance': 0.09 })
  pump.read('', '', { 'pump.driveRatio': 0.5 }, 'maker')
  pump.read('Caliper', 'mm', {
    'relief.plungerDiameter': 14,
    'relief.freeLength': 52.1,
    'relief.installedLength': 43.6,
    'relief.solidLength': 27.9,
    'relief.portDiameter': 8,
    'relief.overlap': 0,
  })
  pump.read('Spring tester', 'N/mm', { 'relief.springRate': 6.6 })
  pump.find({
    'pump.cover': 'seen',
    'pump.bodyFace': 'clean',
    'pump.pocketFloor': 'clean',
    'pump.pocket': 'seen',
    'pump.rotors': 'clean',
    'pump.shaft': 'clean',
    'pickup.airTest': 'holds',
  })
  Object.assign(sheet.choices, { 'pump.packing': 'assembly-lubricant', 'pump.coverSeal': 'gasket' })
  pump.check(['pump.turns', 'pump.washed', 'relief.falls', 'relief.seals', 'relief.byHand'])
  pump.walk('sealer')
  pump.read('Depth gauge', 'mm', {
    'pickup.sumpDepth': 196,
    'pickup.protrusion': 187,
    'pickup.tubeDiameter': 17,
    'pickup.tubeLength': 240,
    'pickup.mouthDiameter': 60,
  })
  pump.check([
    'pickup.seal',
    'pickup.tight',
    'pickup.screen',
    'prime.packed',
    'prime.filled',
    'prime.gauge',
    'prime.drill',
  ])
  pump.check([90, 180, 270, 360, 450, 540, 630, 720].map((turn) => `prime.crank${turn}`))
  pump.check([
    'prime.rocker1',
    'prime.rocker2',
    'prime.rocker3',
    'prime.rocker4',
    'prime.rocker5',
    'prime.rocker6',
    'prime.rocker7',
    'prime.rocker8',
    'prime.lifters',
    'prime.jet',
    'prime.weeps',
  ])
  pump.read('', 'rpm', { 'prime.drillSpeed': 400 })
  pump.read('Thermometer', '°C', { 'prime.oilTemperature': 14 })
  pump.read('Mechanical gauge', 'bar', { 'prime.pressure': 3.8 })
  const start = recorder(sheet, 'Ilse', 10)
  start.check([
    'start.oil',
    'start.fuel',
    'start.gauge',
    'start.pulley',
    'start.extinguisher',
    'start.clear',
    'start.switch',
  ])
  start.read('Watch', 's', { 'start.firstPressure': 3 })
  start.read('Mechanical gauge', 'bar', {
    'start.idleCold.pressure': 3.7,
    'start.idleHot.pressure': 0.8,
    'start.workingHot.pressure': 2.6,
  })
  start.read('Tachometer', 'rpm', {
    'start.idleCold.speed': 1010,
    'start.idleHot.speed': 690,
    'start.workingHot.speed': 1500,
  })
  start.read('Thermometer', '°C', {
    'start.idleCold.temperature': 14,
    'start.idleHot.temperature': 96,
    'start.workingHot.temperature': 98,
  })
  sheet.cases = { 'case.1': waiting() }
  return sheet
}

/** Its trace, taken up after the first start and left where Oda went home. */
function waiting(): RecordedCase {
  const at = new Date(START + 9 * 86_400_000).toISOString()
  const hand = { by: 'Oda', at }
  return {
    opened: at,
    by: 'Oda',
    from: 'point',
    symptom: 'idles hot well under what Uldo said, and the lamp glows',
    context: 'fresh',
    moment: 'idle-hot',
    readings: [
      { ...hand, moment: 'idle-hot', speed: 11.5, temperature: 96, pressure: 0.8e5, with: 'mechanical' },
      { ...hand, moment: 'working-hot', speed: 25, temperature: 98, pressure: 2.6e5, with: 'mechanical' },
    ],
    observations: {
      'oil-level': { ...hand, value: 'full' },
      'gauge-kind': { ...hand, value: 'mechanical' },
      drive: { ...hand, value: 'turns' },
    },
  }
}
