/** Keeps a photo of a build. */
export default defineEventHandler(async (event) => keepPhoto(event, (await requireBuild(event)).id))
