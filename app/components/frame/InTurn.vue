<script setup lang="ts">
/** Holds what stands below the first screen: it comes in its turn. */
const come = useTurn()
</script>

<template><slot v-if="come" /></template>
