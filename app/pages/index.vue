<script setup lang="ts">
import { ask } from '~/sync/ask'
import type { Listed } from '~/sync/routes'

/** Every engine of the shop, how far it is, and what it waits for. */
useHead({ title: 'Floor · Uldo' })
const builds = ref<Listed[]>()
const failed = ref(false)
const route = useRoute()
const adding = ref('new' in route.query)
watch(
  () => route.query,
  (query) => 'new' in query && (adding.value = true),
)
let tries = 0
async function load() {
  try {
    builds.value = await ask('GET /api/builds')
    failed.value = false
    if (builds.value.some(({ standing }) => !standing) && tries++ < 20) setTimeout(load, 1500)
  } catch {
    failed.value = true
    setTimeout(load, 2000)
  }
}
onMounted(load)
</script>

<template>
  <PlaceFrame>
    <header class="station-head">
      <h1>Floor</h1>
      <p>Every engine, how far it is, and what it waits for.</p>
      <div class="tally"><Button type="button" @click="adding = !adding">New build</Button></div>
    </header>

    <NewBuild v-if="adding" />

    <p v-if="failed" role="alert">The server does not answer. Trying again.</p>
    <p v-else-if="builds && builds.length === 0" class="none">
      No engine on the floor yet. <Button type="button" @click="adding = true">Start the first build</Button>
    </p>
    <ul v-if="builds" class="engines">
      <li v-for="each in builds" :key="each.id">
        <EngineRow :build="each" />
      </li>
    </ul>
    <BackupLine v-if="builds && builds.length > 0" />
  </PlaceFrame>
</template>

<style scoped>
.engines {
  list-style: none;
  margin: 0;
  padding: 0;
  border-bottom: 1px solid var(--rule);
}
.none {
  padding: 40px 0;
}
</style>
