import { useAccess } from '~/stores/access'

/** Whatever asks the server and is told that nobody is signed in: the sign-in is asked for, over the page as it stands. */
export default defineNuxtPlugin(() => {
  const plain = globalThis.fetch
  globalThis.fetch = async (...asked) => {
    const response = await plain(...asked)
    if (response.status === 401) useAccess().lost = true
    return response
  }
})
