<script setup lang="ts">
const access = useAccess()
void access.load()
</script>

<template>
  <!-- Where a sign-in is asked for from the start there is no page yet; where it ran out, the page stands on below. -->
  <NuxtPage v-if="access.known && (!access.needed || access.person)" />
  <SignIn v-if="access.asks" />
  <AlarmOverlay v-if="!access.asks || access.person" />
</template>
