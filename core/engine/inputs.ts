import { boresLeft } from '../parts/passage'
import { type BearingSet, bearingsOf } from '../parts/clearances'
import type { EngineValues } from './engine'
import { bypassFit } from './inspections'
import type { ModelInput } from './input'
import { floorClearance } from '../parts/pickupRecord'
import { endClearance, pumpDisplacement } from '../parts/pumpRecord'
import { reliefInputs, reliefValve } from '../parts/reliefRecord'
import type { Sheet } from '../record/schema'
import { catalogueOf, requireValue } from './values'

/** Loss of a usual full-flow filter with hot oil (10 mPa·s) at 20 L/min, Pa. */
const USUAL_FILTER_LOSS = 15e3

/** Model coefficients nobody measures on the bench, with how well they are known. */
const COEFFICIENTS = {
  discharge: { label: 'Discharge of holes and valve', value: 0.65, sigma: 0.04 },
  leakage: { label: 'Leakage law of the bearings', value: 1, sigma: 0.1 },
  coolerResistance: { label: 'Cooler', value: 1, sigma: 0.4 },
} as const

/** The values and uncertain inputs of a sheet: everything the circuit is made from. */
export function modelInputs(sheet: Sheet): { values: EngineValues; inputs: ModelInput[] } {
  const catalogue = catalogueOf(sheet.layout)
  const inputs: ModelInput[] = []
  const values = blankValues(sheet)

  const one = (key: string, put: ModelInput['put'], held = requireValue(sheet, key)) => {
    const quantity = catalogue.get(key)!
    inputs.push({
      key,
      label: quantity.label,
      station: quantity.station,
      source: held.source,
      value: held.value,
      sigma: held.sigma,
      put,
    })
  }

  for (const set of ['main', 'rod'] as const) clearanceInputs(sheet, set, inputs)
  one('size.mainLength', (v, x) => (v.mainLength = x))
  one('size.mainLand', (v, x) => (v.mainLand = x))
  one('size.rodLength', (v, x) => (v.rodLength = x))
  one('size.cylinderBore', (v, x) => (v.cylinderBore = x))
  one('size.stroke', (v, x) => (v.stroke = x))
  if (sheet.layout.camBearings > 0) one('cam.clearance', (v, x) => (v.camClearance = x))
  one('pump.displacement', (v, x) => (v.displacement = x), pumpDisplacement(sheet))
  one('pump.rotorDiameter', (v, x) => (v.rotorDiameter = x))
  one('pump.rotorLength', (v, x) => (v.rotorLength = x))
  one('pump.endClearance', (v, x) => (v.endClearance = x), endClearance(sheet))
  one('pump.tipClearance', (v, x) => (v.tipClearance = x))
  if (sheet.layout.pumpKind === 'gerotor') one('pump.sideClearance', (v, x) => (v.sideClearance = x))
  if (sheet.readings['pump.suctionPort']) one('pump.suctionPort', (v, x) => (v.suctionPort = x))
  if (sheet.readings['pump.outletPort']) one('pump.outletPort', (v, x) => (v.outletPort = x))
  const valves = sheet.layout.galleryRelief ? (['relief', 'relief2'] as const) : (['relief'] as const)
  for (const name of valves) inputs.push(...reliefInputs(sheet, name))
  one('pickup.tubeDiameter', (v, x) => (v.tubeDiameter = x))
  one('pickup.tubeLength', (v, x) => (v.tubeLength = x))
  one('pickup.mouthDiameter', (v, x) => (v.mouthDiameter = x))
  one('pickup.screenOpen', (v, x) => (v.screenOpen = Math.min(1, x)))
  if (sheet.layout.drySump) one('pickup.tankHead', (v, x) => (v.lift = -x))
  else one('pickup.lift', (v, x) => (v.lift = x))
  if (!sheet.layout.drySump)
    inputs.push({
      key: 'pickup.protrusion',
      label: 'Floor clearance of the pickup',
      station: 'pickup',
      ...floorClearance(sheet),
      put: (v, x) => (v.floorClearance = x),
    })
  if (sheet.layout.rockerFeed) one('passage.rockerRestrictor', (v, x) => (v.rockerRestrictor = x))
  if (sheet.layout.timingJet) one('passage.timingJet', (v, x) => (v.timingJet = x))
  if (sheet.layout.filter) {
    one('passage.filterBypass', (v, x) => (v.filterBypass = x))
    one('passage.filterLoss', (v, x) => (v.filterResistance = x / USUAL_FILTER_LOSS))
  }
  if (sheet.layout.cooler || sheet.layout.coolerPlugged) one('passage.coolerBypass', (v, x) => (v.coolerBypass = x))
  if (sheet.layout.turbo) one('passage.turboFeed', (v, x) => (v.turboFeed = x))
  if (sheet.layout.pistonJets > 0) {
    one('passage.pistonJet', (v, x) => (v.pistonJet = x))
    one('passage.pistonJetOpening', (v, x) => (v.pistonJetOpening = x))
  }
  if (sheet.layout.tensioner) one('passage.tensioner', (v, x) => (v.tensioner = x))
  inputs.push({
    key: 'model.viscosity',
    label: 'Oil viscosity, by grade',
    source: 'layout',
    value: 1,
    sigma: 0.06,
    put: (v, x) => (v.viscosityFactor = x),
  })
  for (const key of Object.keys(COEFFICIENTS) as (keyof typeof COEFFICIENTS)[]) {
    if (key === 'coolerResistance' && !sheet.layout.cooler) continue
    const { label, value, sigma } = COEFFICIENTS[key]
    inputs.push({ key: `model.${key}`, label, source: 'layout', value, sigma, put: (v, x) => (v[key] = x) })
  }
  for (const input of inputs) input.put(values, input.value)
  for (const [key, bore] of boresLeft(sheet.layout, (each) => sheet.inspections[each]?.finding === 'left-out')) {
    const input = inputs.find((each) => each.key === key)!
    Object.assign(input, { value: bore, sigma: 0, source: 'computed' })
    input.put(values, bore)
  }
  values.filterFit = bypassFit(sheet, 'filterBypass')
  values.coolerFit = bypassFit(sheet, 'coolerBypass')
  values.driveRatio = requireValue(sheet, 'pump.driveRatio').value
  values.room = requireValue(sheet, 'bearings.room').value
  return { values, inputs }
}

/** Measured clearances vary each for itself; those assumed together are wrong together. */
function clearanceInputs(sheet: Sheet, set: BearingSet, inputs: ModelInput[]): void {
  const records = bearingsOf(sheet, set)
  const field = set === 'main' ? 'mainClearance' : 'rodClearance'
  const own = (record: (typeof records)[number]) =>
    record.clearance.source === 'measured' || record.chosen !== undefined
  const assumed = records.filter((record) => !own(record))
  for (const record of records) {
    if (!own(record)) continue
    inputs.push({
      key: `${set}.${record.number}.journal`,
      label: `${record.label} clearance`,
      station: 'bearings',
      ...record.clearance,
      put: (v, x) => (v[field][record.number - 1] = x),
    })
  }
  if (assumed.length === 0) return
  const first = assumed[0]
  inputs.push({
    key: `${set}.${first.number}.${first.journal ? 'bore' : 'journal'}`,
    label: groupLabel(
      set,
      assumed.map((record) => record.number),
      records.length,
    ),
    station: 'bearings',
    ...first.clearance,
    put: (v, x) => {
      for (const record of assumed)
        v[field][record.number - 1] = Math.max(2e-6, record.clearance.value + (x - first.clearance.value))
    },
  })
}

function groupLabel(set: BearingSet, numbers: number[], all: number): string {
  const word = set === 'main' ? 'Main' : 'Rod'
  if (numbers.length === all) return `All ${word.toLowerCase()} clearances`
  if (numbers.length === 1) return `${word} ${numbers[0]} clearance`
  return `${word} ${numbers.slice(0, -1).join(', ')} and ${numbers[numbers.length - 1]} clearance`
}

function blankValues(sheet: Sheet): EngineValues {
  return {
    mainDiameter: bearingsOf(sheet, 'main').map((record) => record.diameter),
    mainClearance: [],
    mainLength: 0,
    mainLand: 0,
    rodDiameter: bearingsOf(sheet, 'rod').map((record) => record.diameter),
    rodClearance: [],
    rodLength: 0,
    camClearance: 60e-6,
    room: 20,
    cylinderBore: 0,
    stroke: 0,
    driveRatio: 1,
    displacement: 0,
    rotorDiameter: 0,
    rotorLength: 0,
    endClearance: 0,
    tipClearance: 0,
    relief: reliefValve(sheet),
    relief2: sheet.layout.galleryRelief ? reliefValve(sheet, 'relief2') : undefined,
    floorClearance: 0.1,
    mouthDiameter: 0,
    screenOpen: 0.45,
    tubeDiameter: 0,
    tubeLength: 0,
    lift: 0,
    rockerRestrictor: 0.0014,
    timingJet: 0.0009,
    turboFeed: 0.0012,
    pistonJet: 0.0015,
    pistonJetOpening: 1.8e5,
    tensioner: 0.0008,
    filterBypass: 1e5,
    coolerBypass: 1.5e5,
    filterFit: 'in',
    coolerFit: 'in',
    viscosityFactor: 1,
    discharge: 0.65,
    leakage: 1,
    filterResistance: 1,
    coolerResistance: 1,
  }
}
