<script setup lang="ts">
definePageMeta({ redirect: (to) => `/build/${String(to.params.id)}/brief` })
</script>

<template><div /></template>
