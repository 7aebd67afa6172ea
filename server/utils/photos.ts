import type { H3Event } from 'h3'
import { z } from 'zod'
import { getPhoto, insertPhoto, mediaTypeOf, PHOTO_LIMIT, photoBytes, PHOTOS_LIMIT } from '../data/photos'

/** The photo named in the address, of a build or of the shelf, as it was sent. */
export async function sendPhoto(event: H3Event, buildId?: string): Promise<Buffer> {
  const id = requireValid(z.uuid(), getRouterParam(event, 'photo'), 'Photo id')
  const photo = await getPhoto(requireDatabase(), buildId, id)
  if (!photo)
    throw refusal(404, 'unknown-photo', 'There is no such photo.', {
      problems: [{ path: 'photo', message: `names no photo of ${buildId ? 'this build' : 'the shelf'}` }],
    })
  setResponseHeader(event, 'content-type', photo.mediaType)
  setResponseHeader(event, 'x-content-type-options', 'nosniff')
  setResponseHeader(event, 'cache-control', 'private, max-age=31536000, immutable')
  return Buffer.from(photo.bytes)
}

/** Keeps the photo in the body under an id of the browser's own, so that it can be sent again. */
export async function keepPhoto(event: H3Event, buildId?: string) {
  const id = requireValid(z.uuid(), getRouterParam(event, 'photo'), 'Photo id')
  const { name: who } = await requireHand(
    event,
    requireValid(z.string().trim().min(1).max(60).optional(), getQuery(event).who, 'who'),
  )
  const bytes = await requireBytes(event, PHOTO_LIMIT, 'Photo')
  const mediaType = mediaTypeOf(bytes)
  if (!mediaType)
    throw refusal(415, 'not-a-picture', 'Photo: the file is no JPEG, PNG or WebP picture.', {
      problems: [{ path: '', message: 'is no picture' }],
    })
  if ((await photoBytes(requireDatabase(), buildId)) + bytes.length > PHOTOS_LIMIT)
    throw refusal(
      413,
      'too-many-photos',
      `The photos of ${buildId ? 'this engine' : 'the shelf'} take ${PHOTOS_LIMIT / 1e9} GB: no more are kept. Take some out first.`,
    )
  await insertPhoto(requireDatabase(), { id, buildId, mediaType, bytes, who })
  setResponseStatus(event, 201)
  return { id, mediaType, size: bytes.length }
}
