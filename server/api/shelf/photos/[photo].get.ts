/** A photo of something on the shelf, as it was sent. */
export default defineEventHandler((event) => sendPhoto(event))
