import { z } from 'zod'
import { Experience } from './experience'
import { ServiceLine } from './service'
import { OilFigures, SheetOil } from './sheetOil'
import { RecordedCase } from './traceCase'
import { SCHOOLS, USES } from './words'

/** The build file: one plain document in SI units, °C for temperatures. Also what the database holds and patches change. */

export { OilFigures, SheetOil }

const label = z.string().trim().min(1).max(120)
const finite = z.number().refine(Number.isFinite, 'must be a number')

/** One recorded value with where it came from. */
export const Reading = z.strictObject({
  /** SI; °C for temperatures. */
  value: finite,
  /** `planned` is what is meant to be done, and not yet so. */
  source: z.enum(['measured', 'maker', 'planned']),
  by: z.string().max(60).optional(),
  /** ISO 8601. */
  at: z.iso.datetime({ offset: true }).optional(),
  instrument: z.string().max(80).optional(),
  /** Standard uncertainty, SI; by quantity when left out. */
  uncertainty: z.number().positive().optional(),
  /** What was typed, in the builder's own unit. */
  typed: z.string().max(40).optional(),
  /** Outside what is plausible, and confirmed by the builder. */
  confirmed: z.boolean().optional(),
  /** Readings of the same thing, SI, of which `value` is the mean. */
  repeats: z.array(finite).min(2).max(3).optional(),
  note: z.string().max(500).optional(),
  /** The oil that was in the engine, where it is a reading of the running engine. */
  oil: SheetOil.optional(),
  /** Stored photos, by id. */
  photos: z.array(z.uuid()).max(30).optional(),
})
export type Reading = z.infer<typeof Reading>

/** Something looked at or done: no number, but a word, a hand and a time. */
export const Check = z.strictObject({
  state: z.enum(['done', 'fault']),
  by: z.string().max(60).optional(),
  at: z.iso.datetime({ offset: true }).optional(),
  note: z.string().max(500).optional(),
  photos: z.array(z.uuid()).max(30).optional(),
})
export type Check = z.infer<typeof Check>

/** What was found when something was looked at, in one of the trade's words. */
/** A place in a picture, as parts of its width and height from the upper left. */
const Place = z.tuple([z.number().min(0).max(1), z.number().min(0).max(1)])
const Stroke = z.strictObject({ from: Place, to: Place })

/** Where a shell's face is looked at: the middle of its crown, along either edge, and at either joint. */
export const SHELL_ZONES = ['crown', 'front', 'rear', 'left', 'right'] as const
export type ShellZone = (typeof SHELL_ZONES)[number]

/** What was seen of a shell, zone by zone, and what was marked in its pictures. */
export const ShellLook = z.strictObject({
  zones: z.partialRecord(
    z.enum(SHELL_ZONES),
    z.strictObject({
      seen: z.string().max(40),
      /** What a fingernail says, since a colour may be a stain: it catches, or goes over it. */
      felt: z.enum(['catches', 'smooth']).optional(),
    }),
  ),
  pictures: z.record(
    z.uuid(),
    z.strictObject({
      /** Its width and height, pixels. */
      size: z.tuple([z.number().int().min(1).max(20_000), z.number().int().min(1).max(20_000)]),
      zones: z.partialRecord(z.enum(SHELL_ZONES), Place).default({}),
      /** Something of known length beside or on the shell, m. */
      ruler: Stroke.extend({ length: z.number().positive().max(1).optional() }).optional(),
      scores: z.array(Stroke).max(20).default([]),
    }),
  ),
})
export type ShellLook = z.infer<typeof ShellLook>
export type ShellPicture = ShellLook['pictures'][string]

export const Inspection = z.strictObject({
  finding: z.string().min(1).max(40),
  by: z.string().max(60).optional(),
  at: z.iso.datetime({ offset: true }).optional(),
  note: z.string().max(500).optional(),
  photos: z.array(z.uuid()).max(30).optional(),
  /** Of an old shell alone. */
  shell: ShellLook.optional(),
})
export type Inspection = z.infer<typeof Inspection>

/** Shells chosen for a bearing, and what they do to its clearance until its bore is measured anew. */
export const FittedShells = z.strictObject({
  upper: z.string().max(80),
  lower: z.string().max(80),
  /** Both walls together over those that the bore was measured with, m. */
  wall: finite,
  /** The bore reading, by its time, that the choice was made from; a later reading was taken with these shells. */
  boreAt: z.string().max(40),
})
export type FittedShells = z.infer<typeof FittedShells>

/** A relief valve tried on the bench: a line of its log. SI, °C. */
export const BenchTest = z.strictObject({
  method: z.enum(['air', 'dead-head']),
  /** What the gauge said, Pa. */
  reading: z.number().positive().max(1e8),
  /** Standard uncertainty, Pa. */
  uncertainty: z.number().positive().max(1e7).optional(),
  oil: z.string().max(20).optional(),
  temperature: z.number().min(-60).max(200).optional(),
  /** Pump on the fixture, rev/s. */
  speed: z.number().min(0).max(1000).optional(),
  /** Length fitted and shims then, m. */
  installed: z.number().positive().max(1),
  shims: z.number().min(0).max(0.1),
  instrument: z.string().max(80).optional(),
  /** Before or after which change: "before", "after the stiffer spring". */
  note: z.string().max(200).optional(),
  /** Whether the spring stands as it was tried here: this line updates it. */
  fitted: z.boolean(),
  by: z.string().max(60).optional(),
  at: z.iso.datetime({ offset: true }).optional(),
})
export type BenchTest = z.infer<typeof BenchTest>

const count = (least: number, most: number) => z.number().int().min(least).max(most)

export const Layout = z
  .strictObject({
    preset: z.string().max(40),
    kind: z.enum(['inline', 'v', 'flat', 'opposed', 'single', 'rotary']),
    cylinders: count(1, 16),
    mains: count(1, 17),
    /** For each rod, which main feeds it, counted from the front, from 1. */
    feed: z.array(count(1, 17)).min(1).max(16),
    camBearings: count(0, 32),
    lifters: z.enum(['hydraulic', 'solid']),
    followers: z.enum(['sliding', 'roller']),
    lifterCount: count(0, 64),
    pumpKind: z.enum(['gear', 'gerotor']),
    pumpDrive: z.enum(['shaft', 'crank']),
    filter: z.boolean(),
    housing: z.enum(['iron', 'aluminium']),
    /** Groove arc about the crown of the mains whose shells have none recorded, degrees. */
    mainGroove: z.number().min(0).max(360),
    /** A second relief valve at the far end of the gallery. */
    galleryRelief: z.boolean(),
    /** Where the relief valve at the pump lets its oil go: into the sump, or back to the pump's inlet. */
    reliefReturn: z.enum(['sump', 'inlet']).default('sump'),
    /** Restricted feed to rockers or overhead cam. */
    rockerFeed: z.boolean(),
    timingJet: z.boolean(),
    /** Oil cooler with its bypass valve, between pump and filter. */
    cooler: z.boolean().default(false),
    turbo: z.boolean().default(false),
    /** Jets that cool the pistons, each with a valve. */
    pistonJets: count(0, 16).default(0),
    /** Chain tensioner fed from the front of the gallery. */
    tensioner: z.boolean().default(false),
    /** The place of a cooler that is no longer there: its ports are plugged. Never with `cooler`. */
    coolerPlugged: z.boolean().default(false),
    /** Where the cooler's bypass valve leads: round the cooler, or back to the sump. */
    coolerBypass: z.enum(['around', 'sump']).default('around'),
    /** Scavenge stage to a tank, pressure stage from it. */
    drySump: z.boolean().default(false),
    /** Cams over the valves, journals of each, lash adjusters in the head. */
    headCams: count(0, 4).default(0),
    headCamJournals: count(1, 12).default(5),
    lashAdjusters: count(0, 64).default(0),
    /** An external oil line: where it leads, and where it takes its oil. */
    oilLine: z.enum(['none', 'head', 'turbo']).default('none'),
    oilLineFrom: z.enum(['gallery', 'filter']).default('gallery'),
    /** Whether the four pins of a V8 stand in two planes or in one. */
    crankPlane: z.enum(['cross', 'flat']).default('cross'),
    /** Rods drilled to the pin. */
    drilledRods: z.boolean().default(false),
  })
  .superRefine((layout, context) => {
    if (layout.cooler && layout.coolerPlugged)
      context.addIssue({
        code: 'custom',
        path: ['coolerPlugged'],
        message: 'a cooler is fitted: its ports cannot be plugged as well',
      })
    if (layout.oilLine === 'turbo' && !layout.turbo)
      context.addIssue({ code: 'custom', path: ['oilLine'], message: 'leads to a turbo, but none is fitted' })
    if (layout.oilLine === 'head' && !layout.rockerFeed && layout.headCams === 0)
      context.addIssue({
        code: 'custom',
        path: ['oilLine'],
        message: 'leads to a head, but neither rockers nor overhead cams are fed there',
      })
    layout.feed.forEach((main, i) => {
      if (main > layout.mains)
        context.addIssue({
          code: 'custom',
          path: ['feed', i],
          message: `rod ${i + 1} is fed from main ${main}, but there are ${layout.mains}`,
        })
    })
  })
export type Layout = z.infer<typeof Layout>

/** What a shop goes by, where it differs from `core/house/rules.ts`: limits by key, SI, and the school that governs where a build names none. */
export const HouseRules = z.strictObject({ rules: z.record(z.string().max(60), finite), school: z.enum(SCHOOLS) })
export type HouseRules = z.infer<typeof HouseRules>

/** Keys are dotted words: `main.4.journal`. */
const key = z
  .string()
  .regex(/^[a-z][A-Za-z0-9]*(\.[A-Za-z0-9]+)*$/, 'must be dotted words like main.4.journal')
  .max(80)

export const Sheet = z.strictObject({
  format: z.literal('uldo-build'),
  version: z.literal(1),
  /** What the workshop calls this engine. */
  name: label,
  /** Make and model, as far as it has one. */
  engine: label,
  /** What it drives or came out of. */
  work: z.string().trim().max(200),
  layout: Layout,
  use: z.enum(USES),
  /** What it runs on. */
  oil: SheetOil,
  /** What it is primed with and broken in on, where that is another oil. */
  oils: z.strictObject({ prime: SheetOil.optional(), firstFill: SheetOil.optional() }).optional(),
  /** Which of the two is in it now; the first fill, where there is one and nobody has said otherwise. */
  fill: z.enum(['firstFill', 'running']).optional(),
  school: z.enum(SCHOOLS),
  readings: z.record(key, Reading),
  checks: z.record(key, Check),
  inspections: z.record(key, Inspection).default({}),
  /** Decisions by a word: `shell.construction` is `three-layer`. */
  choices: z.record(key, z.string().max(80)).default({}),
  shells: z.record(key, FittedShells).default({}),
  /** Readings of another layout that this one has no place for, by `pumpKind` or `was` before their key: they come back with it. */
  parked: z.record(key, Reading).optional(),
  /** Bench tests of the relief valves, by valve and number: `relief.2`. */
  benches: z.record(key, BenchTest).default({}),
  /** Cases of wrong or missing pressure, by number: `case.2`. */
  cases: z.record(key, RecordedCase).optional(),
  /** What was read and done since the first start, by number: `service.3`. */
  services: z.record(key, ServiceLine).optional(),
  /** House rules that its verdicts go by: put in when a file leaves the shop, so that it is judged the same elsewhere; not kept in the records. */
  house: HouseRules.optional(),
  /** What a shop's earlier starts say of its model: put in by the shop like its rules; kept in a record that came from another shop, until this one knows better. */
  experience: Experience.optional(),
})
export type Sheet = z.infer<typeof Sheet>

export interface Problem {
  path: string
  message: string
}

/** Problems of a document as a build file, worded for a person; none when it is one. */
export function problemsOf(error: z.ZodError): Problem[] {
  return error.issues.map((issue) => ({ path: issue.path.join('/'), message: issue.message }))
}
