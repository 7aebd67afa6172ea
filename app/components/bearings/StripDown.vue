<script setup lang="ts">
import { inSentence } from '~/words/speak'
import { t } from '~/words/of/bearings'
import { checksOf } from '#core/engine/catalogue'
import { METAL_FOUND } from '#core/parts/stripDown'

/** What was found when the engine came apart, and that everything that carries oil was cleaned after it. */
const build = useBuild()
const layout = computed(() => build.sheet!.layout)
const found = computed(() => build.sheet!.inspections['strip.metal']?.finding)
const checks = computed(() => checksOf(layout.value).filter(({ key }) => key.startsWith('strip.')))
const left = computed(() => checks.value.filter(({ key }) => build.sheet!.checks[key]?.state !== 'done'))
const write = (key: string, words: string, label: string) => build.choose(key, words || undefined, label)
</script>

<template>
  <div>
    <div class="columns">
      <section>
        <h2>{{ t('stripDown.whatItCameWith') }}</h2>
        <label class="line"
          ><span class="what">{{ t('stripDown.whyItIsRebuilt') }}</span
          ><DraftInput
            maxlength="80"
            :value="build.sheet!.choices['strip.why'] ?? ''"
            @write="write('strip.why', $event, t('stripDown.whyItIsRebuilt'))"
        /></label>
        <InspectRow :item="METAL_FOUND" />
        <label v-if="found && found !== 'none'" class="line"
          ><span class="what">{{ t('stripDown.whereTheMetalCameFrom') }}</span
          ><DraftInput
            maxlength="80"
            :value="build.sheet!.choices['strip.metalFrom'] ?? ''"
            @write="write('strip.metalFrom', $event, t('stripDown.whereTheMetalCameFrom'))"
        /></label>
      </section>
      <section>
        <h2>{{ t('stripDown.cleanedAfterIt') }}</h2>
        <CheckRow v-for="item in checks" :key="item.key" :item="item" />
      </section>
    </div>
    <section :aria-label="t('stripDown.judgement')" class="block">
      <JudgementLine v-if="found && found !== 'none' && left.length > 0" verdict="watch" data-testid="strip-left"
        ><b>{{ t('stripDown.metalWasFoundAndNotEverything') }}</b>
        {{
          t('stripDown.whatIsLeftInThereEnds', {
            left: left.map(({ label }) => inSentence(label.split(',')[0]!)).join(', '),
          })
        }}</JudgementLine
      >
      <p v-else-if="!found" class="quiet">{{ t('stripDown.nobodyHasWrittenYetWhether') }}</p>
      <p v-else class="quiet">{{ t('stripDown.oldShellsAreLookedAtJournal') }}</p>
    </section>
    <CautionNote>{{ t('stripDown.usedOilHarmsTheSkinGloves') }}</CautionNote>
  </div>
</template>

<style scoped>
.line {
  display: grid;
  gap: 4px;
  padding: 8px 0;
  border-top: 1px solid var(--rule);
}
.line input {
  min-height: 44px;
  font-size: 18px;
  padding: 0 10px;
  border: 1px solid var(--field);
  border-radius: 3px;
  background: none;
  color: inherit;
  width: 100%;
  box-sizing: border-box;
}
</style>
