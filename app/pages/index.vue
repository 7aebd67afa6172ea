<script setup lang="ts">
import { two } from '#core/units/probe'
</script>
<template><div>{{ two }} <Button>go</Button></div></template>
