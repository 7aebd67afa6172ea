import { newSheet } from '../core/record/layouts'
import type { Sheet } from '../core/record/schema'
import { brief, recordBearings, recorder } from './hand'

/** Petrol inline six out of the lake ferry: everything measured, about to be primed. */
export function ottiline(): Sheet {
  const sheet = newSheet('inline6', 'Ottiline', 'Hesper 3.6', 'Lake ferry, out for its winter rebuild')
  sheet.use = 'marine'
  sheet.oil.grade = '15W-40'
  const hand = brief(sheet, 'Maren', 0, [650, 900, 3200, 4200, 180], 8, 95, [88, 98.5])
  hand.read(
    '',
    'mm',
    { 'limit.mainLeast': 0.04, 'limit.mainMost': 0.076, 'limit.rodLeast': 0.035, 'limit.rodMost': 0.07 },
    'maker',
  )
  hand.read('', 'bar', { 'maker.idleHot': 1.4, 'maker.workingHot': 3, 'maker.ceiling': 6 }, 'maker')
  hand.read('Depth gauge', 'mm', {
    'size.mainLength': 24.5,
    'size.mainLand': 8.6,
    'size.rodLength': 21.4,
    'passage.rockerRestrictor': 1.3,
    'passage.timingJet': 0.8,
  })
  const bench = recorder(sheet, 'Maren', 2)
  recordBearings(
    bench,
    'main',
    { journal: 65.98, clearances: [0.056, 0.058, 0.057, 0.06, 0.057, 0.061, 0.056] },
    'Micrometer 50 to 75',
    7,
  )
  recordBearings(
    bench,
    'rod',
    { journal: 53.984, clearances: [0.051, 0.052, 0.058, 0.05, 0.054, 0.052] },
    'Micrometer 50 to 75',
    8,
  )
  bench.read('Plastic gauge', 'mm', { 'cam.clearance': 0.058 })
  bench.check(['bearings.turns'])
  const pump = recorder(sheet, 'Ilse', 4)
  pump.read('Caliper', 'mm', { 'pump.rotorDiameter': 40.02, 'pump.centres': 33.98, 'pump.rotorLength': 20.4 })
  pump.read('Feeler gauge', 'mm', { 'pump.endClearance': 0.07, 'pump.tipClearance': 0.09 })
  pump.read('', '', { 'pump.driveRatio': 0.5 }, 'maker')
  pump.read('Caliper', 'mm', {
    'relief.plungerDiameter': 12.68,
    'relief.freeLength': 48.35,
    'relief.installedLength': 41.2,
    'relief.shims': 1.5,
    'relief.solidLength': 27.4,
    'relief.portDiameter': 7,
    'relief.overlap': 0,
  })
  pump.read('Spring tester', 'N/mm', { 'relief.springRate': 5.92 })
  pump.read('Caliper', 'mm', {
    'relief.wire': 1.8,
    'relief.coilDiameter': 10.6,
    'relief.plugBore': 16,
    'relief.plugHole': 5,
    'pump.coverThickness': 9.8,
    'pump.floorThickness': 11.2,
  })
  pump.find({
    'pump.cover': 'seen',
    'pump.bodyFace': 'clean',
    'pump.pocketFloor': 'clean',
    'pump.pocket': 'clean',
    'pump.rotors': 'seen',
    'pump.shaft': 'clean',
  })
  Object.assign(sheet.choices, {
    'pump.packing': 'assembly-lubricant',
    'pump.coverSeal': 'sealer',
    'pump.drive': 'slot',
    'relief.stack': '1.0 + 0.5',
  })
  pump.check(['pump.turns', 'pump.washed', 'relief.falls', 'relief.seals', 'relief.byHand', 'relief.marked'])
  const sump = recorder(sheet, 'Maren', 5)
  sump.read('Depth gauge', 'mm', {
    'pickup.oilDepth': 74,
    'pickup.offset': 60,
    'pickup.sumpLength': 420,
    'pickup.sumpWidth': 190,
  })
  sump.read('Measuring can', 'L', { 'pickup.capacity': 7.5, 'pickup.filterVolume': 0.8 })
  sump.find({ 'pickup.airTest': 'holds' })
  sump.walk('sealer')
  sump.read('Depth gauge', 'mm', {
    'pickup.sumpDepth': 178,
    'pickup.protrusion': 168.5,
    'pickup.tubeDiameter': 15.9,
    'pickup.tubeLength': 260,
    'pickup.mouthDiameter': 56,
    'pickup.lift': 55,
  })
  sump.check(['pickup.seal', 'pickup.tight', 'pickup.screen'])
  return sheet
}
