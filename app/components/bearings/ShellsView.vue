<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/bearings'
import type { BearingSet } from '#core/parts/bearingReadings'

/** Which shells: construction and groove with reasons, what lies on the shelf, the best set from it. */
void useShelf().load()
const set = ref<BearingSet>('main')
const SETS: { value: BearingSet; words: string }[] = [
  { value: 'main', words: t('shellsView.mains') },
  { value: 'rod', words: t('shellsView.rods') },
]
</script>

<template>
  <div>
    <ShellAdvice />
    <GrooveTable />
    <section class="block">
      <div class="block-head">
        <h2>{{ t('shellsView.fromTheShelf') }}</h2>
        <span class="actions"
          ><Button
            v-for="each in SETS"
            :key="each.value"
            type="button"
            :variant="set === each.value ? undefined : 'outlined'"
            @click="set = each.value"
            >{{ named(each.words) }}</Button
          ></span
        >
      </div>
      <ShellStock :set="set" />
    </section>
    <ShellChoice :set="set" />
  </div>
</template>
