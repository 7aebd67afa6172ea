import { t } from '~/words/of/frame'
import { ask, refusedWords } from '~/sync/ask'
import { v4 as uuid } from 'uuid'

/** Longest side of a kept photo, pixels: enough to read a shell's face, small enough for a shop's network. */
const LONGEST = 1600

type Kept = { id: string } | { problem: string }

/** Makes a photo of a build small and sends it under an id of its own; says what is wrong when it cannot be kept. */
export const shrinkPhoto = (file: File, buildId: string, who: string): Promise<Kept> =>
  keepAt(file, (photo, body) =>
    ask('PUT /api/builds/:build/photos/:photo', {
      at: { build: buildId, photo },
      query: { who: who || 'Someone' },
      body,
    }),
  )
/** The same for something on the shelf. */
export const shrinkShelfPhoto = (file: File, who: string): Promise<Kept> =>
  keepAt(file, (photo, body) =>
    ask('PUT /api/shelf/photos/:photo', { at: { photo }, query: { who: who || 'Someone' }, body }),
  )

async function keepAt(file: File, send: (photo: string, picture: Blob) => Promise<unknown>): Promise<Kept> {
  let blob: Blob
  try {
    const picture = await createImageBitmap(file)
    const scale = Math.min(1, LONGEST / Math.max(picture.width, picture.height))
    const canvas = new OffscreenCanvas(Math.round(picture.width * scale), Math.round(picture.height * scale))
    canvas.getContext('2d')!.drawImage(picture, 0, 0, canvas.width, canvas.height)
    blob = await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.85 })
  } catch {
    return { problem: t('photo.isNoPictureThatCanBe', { name: file.name }) }
  }
  const id = uuid()
  try {
    await send(id, blob)
    return { id }
  } catch (error) {
    return {
      problem: refusedWords(error, t('photo.theServerDoesNotAnswerThe')),
    }
  }
}
