<script setup lang="ts">
/** Holds what takes long to draw and stands below the first screen: it comes once it is about to be seen or printed, and by itself once the page has rested. */
const RESTED = 10_000
/** How far under the screen counts as about to be seen. */
const AHEAD = '300px'
const place = useTemplateRef('place')
const shown = useOnceShown()
const near = ref(false)
const come = () => void (near.value = true)
let seen: IntersectionObserver | undefined
let rested: ReturnType<typeof setTimeout> | undefined
onMounted(() => {
  rested = setTimeout(come, RESTED)
  addEventListener('beforeprint', come)
  // The sheet scrolls within the page.
  seen = new IntersectionObserver((all) => all.some(({ isIntersecting }) => isIntersecting) && come(), {
    rootMargin: AHEAD,
    scrollMargin: AHEAD,
  } as IntersectionObserverInit)
  seen.observe(place.value!)
})
onBeforeUnmount(() => {
  seen?.disconnect()
  clearTimeout(rested)
  removeEventListener('beforeprint', come)
})
</script>

<template>
  <div ref="place"><slot v-if="shown && near" /></div>
</template>
