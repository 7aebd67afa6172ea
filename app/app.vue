<script setup lang="ts">
import type { Component } from 'vue'

const access = useAccess()
const route = useRoute()
/** Somebody outside the shop, who looks by a link: signs in nowhere, and keeps nothing. */
const guest = computed(() => route.path === '/guest')
/** Where a sign-in is asked for from the start there is no page yet; where it ran out, the page stands on below, with what was typed. */
const shown = ref(false)
/** What the first screen needs comes first: what is kept for a day without the network, after it. */
const FIRST_SCREEN = 6000
/** Fetched beside the work, and again where the server was away. */
const BesideTheWork = shallowRef<Component>()
const AGAIN = 10_000
async function fetchBeside() {
  try {
    BesideTheWork.value = (await useVersion().beside(import('~/components/frame/BesideTheWork.vue'))).default
  } catch {
    setTimeout(fetchBeside, AGAIN)
  }
}
onMounted(() =>
  setTimeout(() => {
    if (guest.value) return
    void fetchBeside()
    void useVersion().keep()
  }, FIRST_SCREEN),
)
watchEffect(() => (guest.value || (access.known && (!access.needed || access.person))) && (shown.value = true))
</script>

<template>
  <SkipLink v-if="shown" />
  <NuxtRouteAnnouncer />
  <div class="page" :inert="access.asks && !guest"><NuxtPage v-if="shown" /></div>
  <SignIn v-if="access.asks && !guest" />
  <AlarmOverlay v-if="shown && !guest" />
  <component :is="BesideTheWork" v-if="BesideTheWork && shown && !guest && !access.asks" />
</template>

<style>
.page {
  display: contents;
}
</style>
