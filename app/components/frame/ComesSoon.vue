<script setup lang="ts">
/** Holds a part of the first screen: it comes in a task of its own; until then what stands in its place. */
const come = useSoon()
</script>

<template><slot v-if="come" /><slot v-else name="meanwhile" /></template>
