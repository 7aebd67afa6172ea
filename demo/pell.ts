import { newSheet } from '../core/record/layouts'
import type { Sheet } from '../core/record/schema'
import { brief, recordBearings, recorder } from './hand'

/** Three-cylinder diesel out of an irrigation barge: two relief valves, relief planning under way. */
export function pell(): Sheet {
  const sheet = newSheet('inline3', 'Barge pump', 'Pell 3D', 'Irrigation barge, river end')
  sheet.layout.galleryRelief = true
  sheet.layout.coolerPlugged = true
  sheet.layout.followers = 'roller'
  sheet.layout.lifters = 'solid'
  sheet.use = 'farm'
  sheet.oil.grade = '15W-40'
  const hand = brief(sheet, 'Oda', 0, [800, 1000, 1800, 2400, 150], 2, 92, [95, 110])
  hand.read(
    '',
    'mm',
    { 'limit.mainLeast': 0.045, 'limit.mainMost': 0.09, 'limit.rodLeast': 0.04, 'limit.rodMost': 0.08 },
    'maker',
  )
  const bench = recorder(sheet, 'Oda', 7)
  recordBearings(bench, 'main', { journal: 67.97, clearances: [0.066, 0.068, 0.065, 0.067] }, 'Micrometer 50 to 75', 31)
  recordBearings(bench, 'rod', { journal: 57.98, clearances: [0.06, 0.061, 0.059] }, 'Micrometer 50 to 75', 32)
  bench.check(['bearings.turns'])
  bench.read('Caliper', 'mm', { 'pump.rotorDiameter': 38.1, 'pump.centres': 31.9, 'pump.rotorLength': 18 })
  bench.read('Feeler gauge', 'mm', { 'pump.endClearance': 0.06, 'pump.tipClearance': 0.08 })
  bench.read('', '', { 'pump.driveRatio': 0.5 }, 'maker')
  bench.read('Caliper', 'mm', {
    'relief.plungerDiameter': 12,
    'relief.freeLength': 46.2,
    'relief.installedLength': 38.4,
  })
  bench.read('Spring tester', 'N/mm', { 'relief.springRate': 5.6 })
  bench.find({
    'pump.cover': 'catches',
    'pump.bodyFace': 'clean',
    'pump.pocketFloor': 'clean',
    'pump.pocket': 'seen',
    'pump.rotors': 'seen',
    'pump.shaft': 'clean',
  })
  bench.check(['pump.turns', 'pump.washed'])
  return sheet
}
