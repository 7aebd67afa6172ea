const MICRON = 1e-6
const MM = 1e-3
const DEGREE = Math.PI / 180

/** The journal that clearance rules are written for, m. */
export const RULE_JOURNAL = 50 * MM

const clearance = (use: string, least: number, most: number) => ({
  [`clearance.${use}.least`]: least * MICRON,
  [`clearance.${use}.most`]: most * MICRON,
})
const pressures = (state: string, floor: number, ceiling: number) => ({
  [`floor.${state}`]: floor * 1e5,
  [`ceiling.${state}`]: ceiling * 1e5,
})

/** Every house rule's value on a shop's first day, SI; what they are called and why is `rules.ts`. */
export const FIRST_RULES: Record<string, number> = {
  ...pressures('crankingCold', 0.2, 7),
  ...pressures('idleCold', 1, 7),
  ...pressures('idleHot', 0.7, 5),
  ...pressures('workingHot', 1.5, 6),
  // A racing engine runs higher by choice, on filter and lines that are made for it.
  'ceiling.crankingCold.race': 8e5,
  'ceiling.idleCold.race': 8e5,
  'ceiling.idleHot.race': 6e5,
  'ceiling.workingHot.race': 8e5,
  'ceiling.filter': 8e5,
  'ceiling.cooler': 10e5,
  // Of a 50 mm journal: tight for thin oil and gentle work, loose for speed and heat.
  ...clearance('road', 30, 57.5),
  ...clearance('race', 40, 70),
  ...clearance('marine', 35, 60),
  ...clearance('generator', 30, 57.5),
  ...clearance('farm', 35, 65),
  ...clearance('aircraft', 30, 65),
  'bearing.taper': 13 * MICRON,
  'bearing.outOfRound': 13 * MICRON,
  'float.endLeast': 50 * MICRON,
  'float.sideLeast': 100 * MICRON,
  'pump.endLeast': 25 * MICRON,
  'pump.endWatch': 100 * MICRON,
  'pump.endStop': 150 * MICRON,
  'pump.tipWatch': 150 * MICRON,
  'pump.tipStop': 200 * MICRON,
  'pump.metalLeast': 5 * MM,
  'pump.wallLeast': 3 * MM,
  'cost.hour': 60,
  'relief.bindMargin': 1 * MM,
  'pickup.floorLeast': 6 * MM,
  'pickup.floorMost': 12 * MM,
  'pickup.cover': 10 * MM,
  'pickup.scavenge': 1.3,
  'tilt.road': 35 * DEGREE,
  'tilt.race': 50 * DEGREE,
  'tilt.marine': 20 * DEGREE,
  'tilt.generator': 5 * DEGREE,
  'tilt.farm': 25 * DEGREE,
  'tilt.aircraft': 30 * DEGREE,
  'passage.housingGap': 100 * MICRON,
  'prime.goodFor': 72 * 3600,
  'start.deadline': 5,
  'start.outOfBand': 5,
  'start.falling': 0.25,
}
