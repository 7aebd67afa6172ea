import { UNIT_CHOICES } from '../quantity/unitChoices'
import { z } from 'zod'
import { Layout } from '../record/schema'
import { CAUTION_STATIONS, SCHOOLS, USES } from '../record/words'
import { NO_PLAN, ShopPlan } from './plan'
import { RULES } from './rules'

/** What a shop keeps for all of its builds: units, instruments, strip scales, layouts of its own, rules, cautions and its plan. What lies on the shelf is core/shelf's; who works there is core/house/people's. */

const name = z.string().trim().min(1, 'must not be empty').max(80)
const length = z.number().positive().max(1)

export const Instrument = z.strictObject({
  name,
  /** Smallest step that it shows, m. */
  resolution: length,
  /** Standard deviation of the same reading taken again, m. */
  repeatability: z.number().min(0).max(1e-3),
  /** Last time its zero was checked, ISO 8601. */
  zeroedAt: z.iso.datetime({ offset: true }).optional(),
})
export type Instrument = z.infer<typeof Instrument>

export const StripScale = z.strictObject({
  name,
  /** Lines printed on the sleeve, m. */
  lines: z
    .array(z.strictObject({ width: length, clearance: length }))
    .min(2)
    .max(20),
})
export type StripScale = z.infer<typeof StripScale>

const LIMITS = new Map(RULES.map((rule) => [rule.key, rule]))

/** Rules that must stand in order. */
const PAIRS: [least: string, most: string][] = [
  ...USES.map((use): [string, string] => [`clearance.${use}.least`, `clearance.${use}.most`]),
  ['pump.endLeast', 'pump.endWatch'],
  ['pump.endWatch', 'pump.endStop'],
  ['pump.tipWatch', 'pump.tipStop'],
  ['pickup.floorLeast', 'pickup.floorMost'],
  ...['crankingCold', 'idleCold', 'idleHot', 'workingHot'].map((state): [string, string] => [
    `floor.${state}`,
    `ceiling.${state}`,
  ]),
  ...['crankingCold', 'idleCold', 'idleHot', 'workingHot'].map((state): [string, string] => [
    `floor.${state}`,
    `ceiling.${state}.race`,
  ]),
]

/** A rule that the shop has set otherwise, and why. */
const OwnRule = z.strictObject({ value: z.number(), reason: z.string().trim().min(1, 'must say why').max(300) })

/** A caution of the shop's own, beside Uldo's, at its station. */
export const OwnCaution = z.strictObject({
  station: z.enum(CAUTION_STATIONS),
  words: z.string().trim().min(1, 'must not be empty').max(300),
})

export const House = z.strictObject({
  units: z.enum(Object.keys(UNIT_CHOICES) as [string, ...string[]]),
  instruments: z.array(Instrument).max(100),
  strips: z.array(StripScale).max(40),
  layouts: z.array(z.strictObject({ name, layout: Layout })).max(200),
  /** School that governs a build that names none. */
  school: z.enum(SCHOOLS),
  rules: z.record(z.string().max(60), OwnRule).superRefine((rules, context) => {
    for (const [key, { value }] of Object.entries(rules)) {
      const rule = LIMITS.get(key)
      if (!rule) context.addIssue({ code: 'custom', path: [key], message: 'is no house rule' })
      else if (!(value >= rule.range[0] && value <= rule.range[1]))
        context.addIssue({
          code: 'custom',
          path: [key, 'value'],
          message: `must lie between ${rule.range[0]} and ${rule.range[1]} in SI`,
        })
    }
    const at = (key: string) => rules[key]?.value ?? LIMITS.get(key)!.first
    for (const [least, most] of PAIRS) {
      if (at(least) > at(most))
        context.addIssue({
          code: 'custom',
          path: [most in rules ? most : least, 'value'],
          message: `${LIMITS.get(least)!.label} is above ${LIMITS.get(most)!.label.toLowerCase()}`,
        })
    }
  }),
  /** Whether an apprentice's values wait for a builder's sign-off. */
  signOff: z.boolean(),
  cautions: z.array(OwnCaution).max(60),
  /** Who works when, what was promised, what is waited for. */
  plan: ShopPlan.default(NO_PLAN),
})
export type House = z.infer<typeof House>
