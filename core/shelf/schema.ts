import { z } from 'zod'
import { propertyFaults } from './faults'
import { SHELF_FIELDS, SHELF_KINDS } from './fields'

/** One line of the shelf as it is written: what it is, how many there are, where it lies. */
export const ShelfEntry = z
  .strictObject({
    kind: z.enum(SHELF_KINDS),
    label: z.string().trim().min(1, 'must not be empty').max(80),
    /** Which engine it is for, as builds name it; empty fits all. */
    engine: z.string().trim().max(120).default(''),
    /** How many lie there, reserved ones among them. */
    count: z.number().int('must be a whole number').min(0, 'must not be negative').max(9999),
    place: z.string().trim().max(80).default(''),
    note: z.string().trim().max(300).default(''),
    /** In the shop's own money. */
    price: z.number().min(0, 'must not be negative').max(1e6).optional(),
    photo: z.uuid().optional(),
    properties: z.record(z.string().max(40), z.union([z.number(), z.string().max(80)])),
  })
  .superRefine(({ kind, properties }, context) => {
    for (const { key, message } of propertyFaults(SHELF_FIELDS[kind], properties))
      context.addIssue({ code: 'custom', path: ['properties', key], message })
  })
export type ShelfEntry = z.infer<typeof ShelfEntry>

/** One line of the shelf as it is kept. */
export interface ShelfItem extends ShelfEntry {
  id: string
  revision: number
  /** Of the count, set aside for builds. */
  reserved: number
}

/** What a build holds of an item. */
export interface Hold {
  item: string
  build: string
  reserved: number
  taken: number
}
