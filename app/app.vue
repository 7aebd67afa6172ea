<script setup lang="ts">
const access = useAccess()
void access.load()
/** Where a sign-in is asked for from the start there is no page yet; where it ran out, the page stands on below, with what was typed. */
const shown = ref(false)
watchEffect(() => access.known && (!access.needed || access.person) && (shown.value = true))
</script>

<template>
  <div class="page" :inert="access.asks"><NuxtPage v-if="shown" /></div>
  <SignIn v-if="access.asks" />
  <AlarmOverlay v-if="shown" />
</template>

<style>
.page {
  display: contents;
}
</style>
