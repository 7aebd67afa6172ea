import type { Dimension } from '../quantity/units'

/** What lies on a shop's shelf. */
export const SHELF_KINDS = ['spring', 'washer', 'shell', 'oil', 'pump', 'filter', 'relief'] as const
export type ShelfKind = (typeof SHELF_KINDS)[number]
export const KIND_WORDS: Record<ShelfKind, { one: string; many: string }> = {
  spring: { one: 'spring', many: 'Springs' },
  washer: { one: 'washer', many: 'Washers' },
  shell: { one: 'shell half', many: 'Shells' },
  oil: { one: 'oil', many: 'Oils' },
  pump: { one: 'pump', many: 'Pumps' },
  filter: { one: 'filter', many: 'Filters' },
  relief: { one: 'relief valve', many: 'Relief valves' },
}

/** One property of a kind: a measured quantity, a plain number in the trade's own unit, one of some words, or a few words of the shop's own. */
export type ShelfField = { key: string; label: string; required?: boolean } & (
  | { type: 'quantity'; dimension: Dimension; range: [number, number] }
  | { type: 'number'; unit: string; range: [number, number] }
  | { type: 'choice'; options: readonly string[] }
  | { type: 'words' }
)

const MM = 1e-3
const must = { required: true } as const
const length = (
  key: string,
  label: string,
  range: [number, number],
  more: { required?: boolean } = {},
): ShelfField => ({ key, label, type: 'quantity', dimension: 'length', range: [range[0] * MM, range[1] * MM], ...more })
const clearance = (
  key: string,
  label: string,
  range: [number, number],
  more: { required?: boolean } = {},
): ShelfField => ({
  key,
  label,
  type: 'quantity',
  dimension: 'clearance',
  range: [range[0] * MM, range[1] * MM],
  ...more,
})
const rate: ShelfField = {
  key: 'springRate',
  label: 'Rate',
  type: 'quantity',
  dimension: 'springRate',
  range: [100, 2e5],
  ...must,
}
const YES_NO = ['yes', 'no'] as const

/** Measured properties of each kind, in the order of a table's columns and of a CSV file's. */
export const SHELF_FIELDS: Record<ShelfKind, ShelfField[]> = {
  spring: [
    rate,
    length('freeLength', 'Free length', [5, 200], must),
    length('solidLength', 'Solid length', [3, 180]),
    length('wire', 'Wire', [0.3, 10]),
    length('coilDiameter', 'Coil, mean', [2, 80]),
  ],
  washer: [
    length('thickness', 'Thickness', [0.05, 10], must),
    length('outside', 'Outside', [2, 80]),
    length('hole', 'Hole', [0.5, 60]),
    { key: 'stainless', label: 'Stainless', type: 'choice', options: YES_NO },
  ],
  shell: [
    { key: 'set', label: 'For', type: 'choice', options: ['main', 'rod'], ...must },
    { key: 'half', label: 'Half', type: 'choice', options: ['upper', 'lower'], ...must },
    clearance('wall', 'Wall over standard', [-2, 2], must),
  ],
  oil: [
    { key: 'kv40', label: 'At 40 °C', type: 'number', unit: 'mm²/s', range: [3, 5000], ...must },
    { key: 'kv100', label: 'At 100 °C', type: 'number', unit: 'mm²/s', range: [2, 500], ...must },
    { key: 'density15', label: 'Density', type: 'number', unit: 'kg/m³', range: [700, 1100], ...must },
    { key: 'highShear150', label: 'High shear', type: 'number', unit: 'mPa·s', range: [0.5, 20], ...must },
    { key: 'pumpingLimit', label: 'Pumps down to', type: 'number', unit: '°C', range: [-60, 20], ...must },
    { key: 'antiWear', label: 'Anti-wear additive', type: 'choice', options: YES_NO },
    { key: 'breakIn', label: 'Break-in only', type: 'choice', options: YES_NO },
  ],
  pump: [
    {
      key: 'displacement',
      label: 'Displacement',
      type: 'quantity',
      dimension: 'displacement',
      range: [0.5e-6, 400e-6],
      ...must,
    },
    length('rotorDiameter', 'Rotor diameter', [8, 200], must),
    length('rotorLength', 'Rotor length', [3, 150], must),
    clearance('endClearance', 'End clearance', [0.005, 1], must),
    clearance('tipClearance', 'Tip clearance', [0.005, 1], must),
    length('driveLength', 'Drive length', [5, 700]),
    { key: 'drive', label: 'Drive form', type: 'words' },
    { key: 'year', label: 'Year', type: 'words' },
  ],
  filter: [
    { key: 'loss', label: 'Loss at 20 L/min', type: 'quantity', dimension: 'pressure', range: [1e3, 200e3], ...must },
    { key: 'bypass', label: 'Bypass opens', type: 'quantity', dimension: 'pressure', range: [5e3, 1e6] },
    { key: 'antiDrain', label: 'Anti-drain valve', type: 'choice', options: YES_NO },
    { key: 'volume', label: 'Holds', type: 'quantity', dimension: 'volume', range: [0.05e-3, 10e-3] },
  ],
  relief: [
    length('plungerDiameter', 'Plunger', [3, 60], must),
    rate,
    length('freeLength', 'Free length', [5, 200], must),
    length('installedLength', 'Fitted length', [5, 200], must),
    length('reach', 'Shoulder to nose', [3, 200]),
    length('thread', 'Thread length', [2, 80]),
  ],
}

/** Words and figures of an item's properties by field key: SI for quantities, the field's own unit for plain numbers. */
export type Properties = Record<string, number | string>

/** The number under a key, where it is one. */
export function numberOf(properties: Properties, key: string): number | undefined {
  const value = properties[key]
  return typeof value === 'number' ? value : undefined
}
