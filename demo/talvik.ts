import { newSheet } from '../core/record/layouts'
import type { Sheet } from '../core/record/schema'
import { brief, recordBearings, recorder } from './hand'

/** V four from a snow tractor: bearings half measured, one main out of limit. */
export function talvik(): Sheet {
  const sheet = newSheet('v4', 'Rescue tractor 2', 'Talvik 1.9', 'Mountain-rescue snow tractor')
  sheet.use = 'farm'
  sheet.oil.grade = '5W-40'
  const hand = brief(sheet, 'Tobi', 3, [750, 1100, 2800, 4800, 160], -20, 100, [90, 74])
  hand.read(
    '',
    'mm',
    { 'limit.mainLeast': 0.035, 'limit.mainMost': 0.07, 'limit.rodLeast': 0.03, 'limit.rodMost': 0.065 },
    'maker',
  )
  const bench = recorder(sheet, 'Tobi', 6)
  recordBearings(bench, 'main', { journal: 56.985, clearances: [0.052, 0.088, 0.054] }, 'Micrometer 50 to 75', 11)
  recordBearings(
    bench,
    'rod',
    { journal: 49.988, clearances: [0.048, 0.05, 0.047, 0.05] },
    'Micrometer 25 to 50',
    12,
    [3, 4],
  )
  return sheet
}
