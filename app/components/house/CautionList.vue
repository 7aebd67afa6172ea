<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/house'
import { zodResolver } from '@primevue/forms/resolvers/zod'
import { OwnCaution } from '#core/house/schema'
import { CAUTION_STATIONS } from '#core/record/words'
import { PAGES } from '~/composables/stations'

/** The cautions that this shop adds to Uldo's at a station. */
const shop = useShop()
const station = ref<(typeof CAUTION_STATIONS)[number]>('prime')
const resolver = zodResolver(OwnCaution.pick({ words: true }))
async function addCaution({ valid, values, reset }: { valid: boolean; values?: unknown; reset: () => void }) {
  if (!valid) return
  const caution = OwnCaution.parse({ station: station.value, ...(values as object) })
  reset()
  await shop.save((house) => house.cautions.push(caution))
}
const titleOf = (each: string) => PAGES.find(({ page }) => page === each)?.title ?? each
</script>

<template>
  <section :aria-label="t('cautionList.cautions')">
    <h2>{{ t('cautionList.cautionsOfThisHouse') }}</h2>
    <div v-for="(each, i) in shop.house.cautions" :key="each.words" class="row">
      <span class="what"
        >{{ named(each.words)
        }}<span class="origin">{{ t('cautionList.at', { titleOf: titleOf(each.station) }) }}</span></span
      ><Button
        type="button"
        variant="text"
        :aria-label="t('cautionList.removeCaution', { i: i + 1 })"
        @click="shop.save((next) => next.cautions.splice(i, 1))"
        >{{ t('cautionList.remove') }}</Button
      >
    </div>
    <Form class="caution-form" :resolver="resolver" :initial-values="{ words: '' }" @submit="addCaution">
      <ChoiceField
        :label="t('cautionList.atStation')"
        :value="station"
        :options="CAUTION_STATIONS.map((each) => ({ value: each, words: titleOf(each) }))"
        @choose="station = $event"
      /><FormLine
        name="words"
        :label="t('cautionList.caution')"
        maxlength="300"
        :placeholder="t('cautionList.shortAndSpecific')"
      /><Button type="submit" variant="outlined">{{ t('cautionList.add') }}</Button>
    </Form>
    <p class="quiet">{{ t('cautionList.uldosOwnCautionsStandAtTheir') }}</p>
  </section>
</template>

<style scoped>
.caution-form {
  display: flex;
  gap: 10px;
  padding: 12px 0;
  flex-wrap: wrap;
  align-items: end;
}
.caution-form .form-line {
  flex: 1;
  min-width: 200px;
}
</style>
