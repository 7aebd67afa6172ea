import type { Component } from 'vue'

/**
 * A component that comes by itself, beside the work: it is fetched once it is wanted, and again when it is wanted anew, since the network may be gone
 * meanwhile; nothing that is on the screen fails of it.
 *
 * @param wanted what it is wanted for: fetched whenever that is another and not false, until it is there
 * @returns the component, undefined until it has come
 */
export function useComponentBeside(wanted: () => unknown, fetched: () => Promise<{ default: Component }>) {
  const version = useVersion()
  const found = shallowRef<Component>()
  watch(
    wanted,
    (now) => {
      if (now && !found.value)
        void version
          .beside(fetched())
          .then((module) => (found.value = module.default))
          // Asked for again with the next.
          .catch(() => undefined)
    },
    { immediate: true },
  )
  return found
}
