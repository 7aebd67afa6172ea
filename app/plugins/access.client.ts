import { useAccess } from '~/stores/access'

/**
 * Whatever asks the server and is told that nobody is signed in: the sign-in is asked for, over the page as it stands.
 * Each answer names the version that the server is of.
 */
export default defineNuxtPlugin(() => {
  const plain = globalThis.fetch
  globalThis.fetch = async (...asked) => {
    const response = await plain(...asked)
    if (response.status === 401) useAccess().lost = true
    useVersion().heard(response.headers.get('x-uldo-build'))
    return response
  }
})
