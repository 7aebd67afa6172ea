/** A part of the page that does not come is said: the network may be gone, or a newer version may stand in its place. */
export default defineNuxtPlugin(() => {
  addEventListener('vite:preloadError', (event) =>
    useVersion().missed((event as Event & { payload?: unknown }).payload),
  )
})
