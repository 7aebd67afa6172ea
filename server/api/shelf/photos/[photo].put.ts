/** Keeps a photo of something on the shelf. */
export default defineEventHandler((event) => keepPhoto(event))
