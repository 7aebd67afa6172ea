import { z } from 'zod'
import { OIL_GRADES } from '../oil/grades'

/** A data sheet's figures: mm²/s, kg/m³, Pa·s, °C. */
export const OilFigures = z
  .strictObject({
    kv40: z.number().min(3).max(5000),
    kv100: z.number().min(2).max(500),
    density15: z.number().min(700).max(1100),
    highShear150: z.number().min(5e-4).max(2e-2),
    pumpingLimit: z.number().min(-60).max(20),
  })
  .refine((figures) => figures.kv40 > figures.kv100, {
    path: ['kv40'],
    message: 'must be greater than the viscosity at 100 °C',
  })
export type OilFigures = z.infer<typeof OilFigures>

/** An oil: its grade or its data sheet's own figures, what is mixed in, what became of it. */
export const SheetOil = z.strictObject({
  grade: z.string().max(20),
  /** The data sheet's own figures; they stand above the grade's. */
  figures: OilFigures.optional(),
  /** A second grade mixed in, by volume. */
  blend: z
    .strictObject({
      grade: z.enum(OIL_GRADES.map(({ name }) => name) as [string, ...string[]]),
      share: z.number().min(0).max(1),
    })
    .optional(),
  /** Fuel in the oil, share by volume. */
  dilution: z.number().min(0).max(0.5).optional(),
  /** Viscosity of a used oil over a new one's. */
  ageing: z.number().min(0.3).max(4).optional(),
})
export type SheetOil = z.infer<typeof SheetOil>
