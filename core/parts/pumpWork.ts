import { MICRON, MM, plain, planned } from './drafts'
import { reading } from './reading'

/** A pump's wear, the cuts that are planned to mend it, and the hours that they take. */
export const WORK = [
  reading(
    'pump',
    'pump.coverWear',
    'Track worn into the cover',
    plain('clearance', 5 * MICRON, [0, 1 * MM], { view: 'salvage' }),
  ),
  reading(
    'pump',
    'pump.coverThickness',
    'Cover, thickness',
    plain('length', 0.02 * MM, [1 * MM, 60 * MM], { view: 'salvage' }),
  ),
  reading(
    'pump',
    'pump.floorThickness',
    'Pocket floor, thickness',
    plain('length', 0.05 * MM, [1 * MM, 80 * MM], { view: 'salvage' }),
  ),
  reading(
    'pump',
    'pump.floorWear',
    'Track in the pocket floor',
    plain('clearance', 5 * MICRON, [0, 1 * MM], { view: 'salvage' }),
  ),
  reading('pump', 'pump.coverHours', 'Cover, hours it takes', planned('span', [0, 100 * 3600], { view: 'salvage' })),
  reading(
    'pump',
    'pump.lapHours',
    'Floor lapped, hours it takes',
    planned('span', [0, 100 * 3600], { view: 'salvage' }),
  ),
  reading(
    'pump',
    'pump.machineHours',
    'Face and floor machined, hours it takes',
    planned('span', [0, 100 * 3600], { view: 'salvage' }),
  ),
  reading('pump', 'pump.coverCut', 'Cut the cover by', planned('clearance', [0, 3 * MM], { view: 'salvage' })),
  reading('pump', 'pump.bodyCut', 'Cut the body face by', planned('clearance', [0, 3 * MM], { view: 'salvage' })),
  reading('pump', 'pump.pocketCut', 'Cut the pocket by', planned('clearance', [0, 3 * MM], { view: 'salvage' })),
] as const
