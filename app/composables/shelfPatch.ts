import { t } from '~/words/of/frame'
import { benchLog } from '#core/parts/reliefBench'
import type { ValveName } from '#core/parts/reliefReadings'
import type { Operation } from 'fast-json-patch'
import type { Reading, Sheet } from '#core/record/schema'
import type { OilFigures } from '#core/oil/blend'
import { numberOf } from '#core/shelf/fields'
import type { ShelfItem } from '#core/shelf/schema'

/** Patch that writes figures of something taken off the shelf as readings, with what it was; a figure that is not known writes nothing. */
export function shelfPatch(figures: Record<string, number | undefined>, note: string): Operation[] {
  const by = usePerson().who || 'Someone'
  const at = new Date().toISOString()
  return Object.entries(figures).flatMap(([key, value]) =>
    value === undefined
      ? []
      : [
          {
            op: 'add',
            path: `/readings/${key}`,
            value: { value, source: 'measured', by, at, instrument: t('shelfPatch.shelf'), note } satisfies Reading,
          },
        ],
  )
}

/** Patch that takes readings out, where they are. */
export function clearPatch(sheet: Sheet, keys: string[]): Operation[] {
  return keys.filter((key) => key in sheet.readings).map((key) => ({ op: 'remove', path: `/readings/${key}` }))
}

/** Patch that marks a valve's bench tests as of a spring that is no longer behind the plug. */
export function unfitPatch(sheet: Sheet, valve: ValveName): Operation[] {
  return benchLog(sheet, valve)
    .filter(({ key, fitted }) => key && fitted)
    .map(({ key }) => ({ op: 'replace', path: `/benches/${key}/fitted`, value: false }))
}

/** Patch that pours another oil in: what the old one was mixed with, thinned by or aged to goes with it. */
export function oilPatch({ oil }: Pick<Sheet, 'oil'>, figures: OilFigures): Operation[] {
  return [
    { op: 'add', path: '/oil/figures', value: figures },
    ...(['blend', 'dilution', 'ageing'] as const)
      .filter((key) => oil[key] !== undefined)
      .map((key): Operation => ({ op: 'remove', path: `/oil/${key}` })),
  ]
}

/** What was measured of a valve's spring and plug, and says nothing of another one. */
export const SPRING_FIELDS = [
  'benchPressure',
  'benchShims',
  'benchInstalled',
  'height1',
  'load1',
  'height2',
  'load2',
  'wire',
  'coilDiameter',
  'coils',
  'solidLength',
]

/** Figures of a spring, of a whole valve and of a pump that a record has a place for. */
const OF_SPRING = ['springRate', 'freeLength', 'solidLength', 'wire', 'coilDiameter']
const OF_VALVE = ['plungerDiameter', 'springRate', 'freeLength', 'installedLength', 'reach', 'thread']
const OF_PUMP = ['displacement', 'rotorDiameter', 'rotorLength', 'endClearance', 'tipClearance', 'driveLength']

const figuresPatch = (part: string, { properties, label }: ShelfItem, fields: string[]) =>
  shelfPatch(Object.fromEntries(fields.map((field) => [`${part}.${field}`, numberOf(properties, field)])), label)
const withoutOld = (sheet: Sheet, valve: ValveName, fields: string[]) => [
  ...clearPatch(
    sheet,
    fields.map((field) => `${valve}.${field}`),
  ),
  ...unfitPatch(sheet, valve),
]

/** Patch that puts another spring behind a plug: what the bench and the wire said of the old one goes. */
export const springPatch = (sheet: Sheet, valve: ValveName, item: ShelfItem): Operation[] => [
  ...withoutOld(sheet, valve, SPRING_FIELDS),
  ...figuresPatch(valve, item, OF_SPRING),
]
/** Patch that fits another whole valve: what was measured of the one before goes, its shims too. */
export const valvePatch = (sheet: Sheet, valve: ValveName, item: ShelfItem): Operation[] => [
  ...withoutOld(sheet, valve, [...SPRING_FIELDS, 'shims']),
  ...figuresPatch(valve, item, OF_VALVE),
]
/** Patch that fits another pump: what the old one's displacement was computed from goes. */
export const pumpPatch = (sheet: Sheet, item: ShelfItem): Operation[] => [
  ...clearPatch(sheet, ['pump.centres', 'pump.lobes', 'pump.eccentricity', 'pump.toothCentres', 'pump.toothRadius']),
  ...figuresPatch('pump', item, OF_PUMP),
]
