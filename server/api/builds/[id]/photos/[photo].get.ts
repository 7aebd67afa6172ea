import { z } from 'zod'
import { getPhoto } from '../../../../data/photos'

/** A photo of a build, as it was sent. */
export default defineEventHandler(async (event) => {
  const buildId = requireBuildId(event)
  const id = requireValid(z.uuid(), getRouterParam(event, 'photo'), 'Photo id')
  const photo = await getPhoto(requireDatabase(), buildId, id)
  if (!photo) throw refusal(404, 'unknown-photo', 'There is no such photo.', { problems: [{ path: 'photo', message: 'names no photo of this build' }] })
  setResponseHeader(event, 'content-type', photo.mediaType)
  setResponseHeader(event, 'x-content-type-options', 'nosniff')
  setResponseHeader(event, 'cache-control', 'private, max-age=31536000, immutable')
  return Buffer.from(photo.bytes)
})
