/** A photo of a build, as it was sent. */
export default defineEventHandler((event) => sendPhoto(event, requireBuildId(event)))
