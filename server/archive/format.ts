import { z } from 'zod'

/** First words of an archive: a data package (Frictionless Data Package 1.0) whose `uldo` says what it is of. */
export const HEAD = 'datapackage.json'
export const FORMAT = 'uldo-archive'
export const VERSION = 1

const Resource = z.object({
  name: z.string().max(200),
  path: z.string().max(300),
  format: z.string().max(20),
  mediatype: z.string().max(80),
  bytes: z.number().int().min(0),
  /** `sha256:` and the digest, hexadecimal. */
  hash: z.string().regex(/^sha256:[0-9a-f]{64}$/),
})
export type Resource = z.infer<typeof Resource>

export const Package = z.object({
  profile: z.literal('data-package'),
  name: z.string().max(100),
  title: z.string().max(300),
  created: z.iso.datetime({ offset: true }),
  uldo: z.object({
    format: z.literal(FORMAT),
    version: z.number().int().min(1),
    application: z.string().max(40),
    /** The whole shop, with what it keeps for all builds. */
    shop: z.boolean(),
    builds: z.array(z.object({ id: z.uuid(), name: z.string().max(200), revision: z.number().int().min(0) })).max(5000),
  }),
  resources: z.array(Resource).max(200_000),
})
export type Package = z.infer<typeof Package>

/** An archive that is not taken in: what is wrong with it, in words. */
export class BadArchive extends Error {}

/** Where a build's files stand in an archive. */
export const placesOf = (build: string) => {
  const folder = `builds/${build}`
  return {
    sheet: `${folder}/build.json`,
    head: `${folder}/record.json`,
    measurements: `${folder}/measurements.csv`,
    cases: `${folder}/cases.csv`,
    services: `${folder}/services.csv`,
    history: `${folder}/history.json`,
    proposals: `${folder}/waiting-changes.json`,
    runs: `${folder}/runs.json`,
    events: `${folder}/run-events.json`,
    samples: (run: string) => `${folder}/runs/${run}.csv`,
    photos: `${folder}/photos.json`,
    photo: (photo: string, mediaType: string) => `${folder}/photos/${photo}.${mediaType.replace('image/', '')}`,
  }
}
export const SHOP = { house: 'shop/house.json', shelf: 'shop/shelf.json' }
