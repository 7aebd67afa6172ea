import type { Queries } from './database'

export type MediaType = 'image/jpeg' | 'image/png' | 'image/webp'

/** Largest photo, bytes. */
export const PHOTO_LIMIT = 6_000_000

/** Most that the photos of one build may take together, bytes: a thousand of a tablet's. */
export const PHOTOS_LIMIT = 2e9

/** What the first bytes say a file is, whatever it is called; undefined for anything but a picture. */
export function mediaTypeOf(bytes: Uint8Array): MediaType | undefined {
  const starts = (...signature: number[]) => signature.every((byte, i) => bytes[i] === byte)
  if (starts(0xff, 0xd8, 0xff)) return 'image/jpeg'
  if (starts(0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a)) return 'image/png'
  const word = (from: number) => String.fromCharCode(...bytes.subarray(from, from + 4))
  return word(0) === 'RIFF' && word(8) === 'WEBP' ? 'image/webp' : undefined
}

/** Keeps a photo under its id; sent again under the same id it is kept once. */
export async function insertPhoto(
  db: Queries,
  photo: { id: string; buildId?: string; mediaType: MediaType; bytes: Uint8Array; who: string },
): Promise<void> {
  await db.query(
    'insert into photo (id, build_id, media_type, bytes, who) values ($1, $2, $3, $4, $5) on conflict (id) do nothing',
    [photo.id, photo.buildId ?? null, photo.mediaType, photo.bytes, photo.who],
  )
}

/** How much the photos of a build take, or those of the shelf, bytes. */
export async function photoBytes(db: Queries, buildId: string | undefined): Promise<number> {
  return (
    await db.query<{ bytes: number }>(
      'select coalesce(sum(octet_length(bytes)), 0)::double precision as bytes from photo where build_id is not distinct from $1',
      [buildId ?? null],
    )
  ).rows[0].bytes
}

/** A photo of a build, or, with no build named, of something on the shelf. */
export async function getPhoto(
  db: Queries,
  buildId: string | undefined,
  id: string,
): Promise<{ mediaType: MediaType; bytes: Uint8Array } | undefined> {
  const row = (
    await db.query<{ media_type: MediaType; bytes: Uint8Array }>(
      'select media_type, bytes from photo where build_id is not distinct from $1 and id = $2',
      [buildId ?? null, id],
    )
  ).rows[0]
  return row && { mediaType: row.media_type, bytes: row.bytes }
}
