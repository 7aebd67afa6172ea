import { checksOf } from './checks'
import { checkSheet } from './checkSheet'
import { findingOf, inspectionsOf } from './inspections'
import { valveFit } from '../parts/reliefFit'
import { airTestVerdict } from '../parts/pickupRecord'
import type { Station } from './quantities'
import type { Problem, Sheet } from '../record/schema'
import { catalogueOf, heldValue } from './values'

/** Something that cannot be computed with, so that nothing may be said of the gauge until it is mended. */
export interface Void extends Problem {
  /** What it is about, in a few words: "main 3 bore". */
  about: string
  station?: Station
}

/** What voids a sheet's prediction, and what in it nothing can be made of but which moves nothing either. */
export interface Usable {
  /** The sheet without the readings that cannot be used: what a model can be made from. */
  sheet: Sheet
  voids: Void[]
  /** Recorded and not used: a key that this layout has no place for. */
  unused: Problem[]
}

const FALLBACK_GRADE = '10W-40'

const judged = new WeakMap<Sheet, Usable>()

/**
 * Parts a sheet into what a model can be made from and what voids its prediction: a value that no engine can have (kept from before the
 * door was as narrow), two values that cannot stand beside each other, and a fault recorded where the circuit has no law for it. A fault that the circuit
 * can compute, such as a plug left out, is not among them.
 */
export function usableSheet(sheet: Sheet): Usable {
  const before = judged.get(sheet)
  if (before) return before
  const quantities = catalogueOf(sheet.layout)
  const labelled = ({ path, message }: Problem): Void => {
    const quantity = quantities.get(path.split('/')[1])
    return {
      path,
      message,
      about: (quantity?.label ?? path.replace('/', ' ')).toLowerCase(),
      station: quantity?.station,
    }
  }
  const refused = checkSheet(sheet)
  const ofValues = refused.filter(
    ({ path }) => (path.startsWith('readings/') && quantities.has(path.split('/')[1])) || path === 'oil/grade',
  )
  const readings = withoutKeys(sheet.readings, ofValues)
  const first: Sheet = {
    ...sheet,
    readings,
    oil: ofValues.some(({ path }) => path === 'oil/grade') ? { ...sheet.oil, grade: FALLBACK_GRADE } : sheet.oil,
  }
  const beside = contradictions(first)
  const usable: Sheet =
    beside.length + ofValues.length === 0 ? sheet : { ...first, readings: withoutKeys(readings, beside) }
  const found: Usable = {
    sheet: usable,
    voids: [...[...ofValues, ...beside].map(labelled), ...faultVoids(usable)],
    unused: refused.filter((each) => !ofValues.includes(each)),
  }
  judged.set(sheet, found)
  // What was left out stays said when the usable sheet is asked again.
  if (usable !== sheet) judged.set(usable, found)
  return found
}

function withoutKeys(readings: Sheet['readings'], problems: Problem[]): Sheet['readings'] {
  const gone = new Set(problems.map(({ path }) => path.split('/')[1]))
  return Object.fromEntries(Object.entries(readings).filter(([key]) => !gone.has(key)))
}

/** Pairs of recorded values that no engine has together, each named at both. */
function contradictions(sheet: Sheet): Problem[] {
  const problems: Problem[] = []
  const of = (key: string) => heldValue(sheet, key)?.value
  const both = (keys: string[], message: string) => {
    for (const key of keys)
      if (key in sheet.readings && !problems.some(({ path }) => path === `readings/${key}`))
        problems.push({ path: `readings/${key}`, message })
  }
  for (const [set, count] of [
    ['main', sheet.layout.mains],
    ['rod', sheet.layout.feed.length],
  ] as const) {
    for (let i = 1; i <= count; i++) {
      const at = (field: string) => sheet.readings[`${set}.${i}.${field}`]?.value
      const [journal, housing, wall] = [at('journal'), at('housing'), at('wall')]
      const bore = at('bore') ?? (housing !== undefined && wall !== undefined ? housing - 2 * wall : undefined)
      if (bore !== undefined && bore <= 0)
        both([`${set}.${i}.housing`, `${set}.${i}.wall`], 'two walls are thicker than the housing is wide')
      else if (journal !== undefined && bore !== undefined && bore <= journal)
        both(
          at('bore') === undefined
            ? [`${set}.${i}.housing`, `${set}.${i}.wall`, `${set}.${i}.journal`]
            : [`${set}.${i}.bore`, `${set}.${i}.journal`],
          'the bore is not larger than the journal: check both',
        )
      for (const place of ['rear', 'left', 'right', 'rearLeft', 'rearRight']) {
        const [own, across] = [at(`bore.${place}`), at(`journal.${place}`)]
        if (own !== undefined && across !== undefined && own <= across)
          both(
            [`${set}.${i}.bore.${place}`, `${set}.${i}.journal.${place}`],
            'the bore is not larger than the journal: check both',
          )
      }
    }
  }
  const [land, shell] = [of('size.mainLand'), of('size.mainLength')]
  if (land !== undefined && shell !== undefined && 2 * land >= shell)
    both(
      ['size.mainLand', 'size.mainLength'],
      'two lands are as long as the whole shell: no groove is left between them',
    )
  for (const valve of sheet.layout.galleryRelief ? ['relief', 'relief2'] : ['relief']) {
    const [free, fitted, shims, solid] = ['freeLength', 'installedLength', 'shims', 'solidLength'].map((field) =>
      of(`${valve}.${field}`),
    )
    const keys = (...fields: string[]) => fields.map((field) => `${valve}.${field}`)
    if (free !== undefined && fitted !== undefined && fitted - (shims ?? 0) >= free)
      both(
        keys('freeLength', 'installedLength'),
        'the spring is as long fitted as free: nothing holds the plunger shut',
      )
    else if (free !== undefined && solid !== undefined && solid >= free)
      both(keys('freeLength', 'solidLength'), 'the spring is as long solid as free')
    else if (fitted !== undefined && solid !== undefined && fitted - (shims ?? 0) <= solid)
      both(
        keys('installedLength', 'shims', 'solidLength'),
        'the spring is solid as it is fitted: the plunger cannot lift',
      )
    const [h1, f1, h2, f2] = ['height1', 'load1', 'height2', 'load2'].map(
      (field) => sheet.readings[`${valve}.${field}`]?.value,
    )
    if (h1 !== undefined && f1 !== undefined && h2 !== undefined && f2 !== undefined && !((f2 - f1) * (h1 - h2) > 0))
      both(keys('height1', 'load1', 'height2', 'load2'), 'the load does not rise as the spring is pressed')
    const [wire, coil] = ['wire', 'coilDiameter'].map((field) => sheet.readings[`${valve}.${field}`]?.value)
    if (wire !== undefined && coil !== undefined && wire >= coil)
      both(keys('wire', 'coilDiameter'), 'the wire is as thick as the coil is wide')
  }
  const [outside, centres] = [of('pump.rotorDiameter'), sheet.readings['pump.centres']?.value]
  if (outside !== undefined && centres !== undefined && (centres >= outside || centres <= 0.5 * outside))
    both(['pump.centres', 'pump.rotorDiameter'], 'gears of this diameter cannot mesh at this distance')
  if (!sheet.layout.drySump && 'pickup.sumpDepth' in sheet.readings && 'pickup.protrusion' in sheet.readings) {
    const [depth, down, gasket] = ['pickup.sumpDepth', 'pickup.protrusion', 'pickup.gasket'].map((key) => of(key) ?? 0)
    if (depth + gasket - down <= 0)
      both(['pickup.sumpDepth', 'pickup.protrusion'], 'the pickup goes through the floor of the sump')
  }
  return problems
}

/** Checks whose fault no law of the circuit describes. */
const FAULTS = [
  'bearings.turns',
  'pump.turns',
  'relief.falls',
  'relief2.falls',
  'pickup.seal',
  'pickup.tight',
  'pickup.screen',
]

/** Faults on record that the circuit cannot compute. */
function faultVoids(sheet: Sheet): Void[] {
  const found: Void[] = []
  for (const check of checksOf(sheet.layout)) {
    if (!FAULTS.includes(check.key) || sheet.checks[check.key]?.state !== 'fault') continue
    found.push({
      path: `checks/${check.key}`,
      message: `recorded as faulty: ${check.fault ?? check.label}`,
      about: `${check.label.toLowerCase()}: fault`,
      station: check.station,
    })
  }
  const airTest = inspectionsOf(sheet.layout).find(({ key }) => key === 'pickup.airTest')
  const leaks = airTest && findingOf(sheet, airTest)
  if (leaks?.verdict === 'stop')
    found.push({
      path: 'inspections/pickup.airTest',
      message: leaks.action,
      about: `air test of the pickup ${leaks.words}`,
      station: 'pickup',
    })
  if (airTestVerdict(sheet) === 'stop')
    found.push({
      path: 'readings/pickup.vacuumAfter',
      message: 'vacuum on the pickup does not hold: the pump draws air',
      about: 'vacuum on the pickup does not hold',
      station: 'pickup',
    })
  for (const valve of sheet.layout.galleryRelief ? (['relief', 'relief2'] as const) : (['relief'] as const)) {
    for (const { about, means } of valveFit(sheet, valve))
      found.push({ path: `readings/${valve}.reach`, message: means, about, station: 'relief' })
  }
  return found
}
