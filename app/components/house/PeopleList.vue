<script setup lang="ts">
import { CAUTION_STATIONS } from '#core/build/words'
import { PAGES } from '~/composables/stations'

/** Who works here, and the cautions that this shop adds to Uldo's at a station. */
const shop = useShop()
const person = ref('')
const problem = ref('')
async function addPerson() {
  const name = person.value.trim()
  if (!name) return void (problem.value = 'Give a first name.')
  if (shop.house.people.includes(name)) return void (problem.value = `${name} is there already.`)
  problem.value = ''
  person.value = ''
  await shop.save((house) => house.people.push(name))
}
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
  <div class="columns">
    <section aria-label="People">
      <h2>Who records</h2>
      <div v-for="(name, i) in shop.house.people" :key="name" class="row"><span class="what">{{ name }}</span><button type="button" class="small" :aria-label="`Remove ${name}`" @click="shop.save((next) => next.people.splice(i, 1))">Remove</button></div>
      <form class="adding" @submit.prevent="addPerson"><InputText v-model="person" maxlength="60" aria-label="First name" placeholder="first name" /><Button type="submit" variant="outlined">Add</Button></form>
      <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
      <p class="quiet">Offered in the top bar, and written with every reading.</p>
    </section>
    <section aria-label="Cautions">
      <h2>Cautions of this house</h2>
      <div v-for="(each, i) in shop.house.cautions" :key="each.words" class="row"><span class="what">{{ each.words }}<span class="origin">at {{ titleOf(each.station) }}</span></span><button type="button" class="small" :aria-label="`Remove caution ${i + 1}`" @click="shop.save((next) => next.cautions.splice(i, 1))">Remove</button></div>
      <form class="caution-form" @submit.prevent="addCaution"><ChoiceField label="At station" :value="station" :options="CAUTION_STATIONS.map((each) => ({ value: each, words: titleOf(each) }))" @choose="station = $event" /><InputText v-model="words" maxlength="300" aria-label="Caution" placeholder="short and specific" /><Button type="submit" variant="outlined">Add</Button></form>
      <p class="quiet">Uldo’s own cautions stand at their steps and cannot be taken away.</p>
    </section>
  </div>
</template>

<style scoped>
.small { min-height: 44px; border: 0; background: none; color: var(--petrol); font-weight: 600; cursor: pointer; }
.adding, .caution-form { display: flex; gap: 10px; padding: 12px 0; flex-wrap: wrap; }
.p-inputtext { height: 44px; font-size: 16px; flex: 1; min-width: 140px; }
.wrong { color: var(--stop); }
</style>
