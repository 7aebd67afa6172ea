<script setup lang="ts">
/** What goes on beside every page, fetched once its first screen stands: calls of the plan, a voice, a foot switch. */
</script>

<template>
  <WaitCalls />
  <HandsFree />
</template>
