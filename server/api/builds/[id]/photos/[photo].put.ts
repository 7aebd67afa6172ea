import { z } from 'zod'
import { insertPhoto, mediaTypeOf, PHOTO_LIMIT } from '../../../../data/photos'

/** Keeps a photo of a build under an id of the browser's own, so that it can be sent again. */
export default defineEventHandler(async (event) => {
  const { id: buildId } = await requireBuild(event)
  const id = requireValid(z.uuid(), getRouterParam(event, 'photo'), 'Photo id')
  const who = requireValid(z.string().trim().min(1).max(60), getQuery(event).who ?? 'Someone', 'who')
  const bytes = await requireBytes(event, PHOTO_LIMIT, 'Photo')
  const mediaType = mediaTypeOf(bytes)
  if (!mediaType) throw refusal(415, 'not-a-picture', 'Photo: the file is no JPEG, PNG or WebP picture.', { problems: [{ path: '', message: 'is no picture' }] })
  await insertPhoto(requireDatabase(), { id, buildId, mediaType, bytes, who })
  setResponseStatus(event, 201)
  return { id, mediaType, size: bytes.length }
})
