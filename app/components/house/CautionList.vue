<script setup lang="ts">
import { CAUTION_STATIONS } from '#core/record/words'
import { PAGES } from '~/composables/stations'

/** The cautions that this shop adds to Uldo's at a station. */
const shop = useShop()
const station = ref<(typeof CAUTION_STATIONS)[number]>('prime')
const words = ref('')
async function addCaution() {
  const said = words.value.trim()
  if (!said) return
  words.value = ''
  await shop.save((house) => house.cautions.push({ station: station.value, words: said }))
}
const titleOf = (each: string) => PAGES.find(({ page }) => page === each)?.title ?? each
</script>

<template>
  <section aria-label="Cautions">
    <h2>Cautions of this house</h2>
    <div v-for="(each, i) in shop.house.cautions" :key="each.words" class="row">
      <span class="what"
        >{{ each.words }}<span class="origin">at {{ titleOf(each.station) }}</span></span
      ><button
        type="button"
        class="small"
        :aria-label="`Remove caution ${i + 1}`"
        @click="shop.save((next) => next.cautions.splice(i, 1))"
      >
        Remove
      </button>
    </div>
    <form class="caution-form" @submit.prevent="addCaution">
      <ChoiceField
        label="At station"
        :value="station"
        :options="CAUTION_STATIONS.map((each) => ({ value: each, words: titleOf(each) }))"
        @choose="station = $event"
      /><InputText v-model="words" maxlength="300" aria-label="Caution" placeholder="short and specific" /><Button
        type="submit"
        variant="outlined"
        >Add</Button
      >
    </form>
    <p class="quiet">Uldo’s own cautions stand at their steps and cannot be taken away.</p>
  </section>
</template>

<style scoped>
.small {
  min-height: 44px;
  border: 0;
  background: none;
  color: var(--petrol);
  font-weight: 600;
  cursor: pointer;
}
.caution-form {
  display: flex;
  gap: 10px;
  padding: 12px 0;
  flex-wrap: wrap;
}
.p-inputtext {
  height: 44px;
  font-size: 16px;
  flex: 1;
  min-width: 140px;
}
</style>
