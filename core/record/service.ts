import { z } from 'zod'
import { SheetOil } from './sheetOil'

/**
 * A line of an engine's service log: what its gauge read at hot idle, and what was done to it, once it has left the first start behind. SI, °C. Where its
 * oil was changed, the gauge was read before.
 */
export const ServiceLine = z
  .strictObject({
    /** When, ISO 8601. */
    at: z.iso.datetime({ offset: true }),
    by: z.string().max(60).optional(),
    /** The machine's meters as they stood, s and m. */
    hours: z.number().min(0).max(4e8).optional(),
    distance: z.number().min(0).max(1e10).optional(),
    /** What the gauge read at hot idle, Pa, and where the engine stood then, rev/s and °C; as hot idle has them where they are left out. */
    pressure: z.number().min(0).max(1e8).optional(),
    speed: z.number().min(0).max(500).optional(),
    temperature: z.number().min(-60).max(250).optional(),
    instrument: z.string().max(80).optional(),
    /** What was filled in, where the oil was changed. */
    oil: SheetOil.optional(),
    filter: z.boolean().optional(),
    /** Oil that was topped up since the line before, m³. */
    topUp: z.number().positive().max(0.2).optional(),
    note: z.string().trim().max(500).optional(),
    photos: z.array(z.uuid()).max(30).optional(),
  })
  .refine(
    ({ pressure, oil, filter, topUp, note, photos }) =>
      pressure !== undefined || oil || filter || topUp || note || (photos && photos.length > 0),
    { path: ['pressure'], message: 'a line says what was read, changed, topped up or noted' },
  )
export type ServiceLine = z.infer<typeof ServiceLine>
