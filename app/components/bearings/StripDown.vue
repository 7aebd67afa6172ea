<script setup lang="ts">
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
        <h2>What it came with</h2>
        <label class="line"
          ><span class="what">Why it is rebuilt</span
          ><DraftInput
            maxlength="80"
            :value="build.sheet!.choices['strip.why'] ?? ''"
            @write="write('strip.why', $event, 'Why it is rebuilt')"
        /></label>
        <InspectRow :item="METAL_FOUND" />
        <label v-if="found && found !== 'none'" class="line"
          ><span class="what">Where the metal came from</span
          ><DraftInput
            maxlength="80"
            :value="build.sheet!.choices['strip.metalFrom'] ?? ''"
            @write="write('strip.metalFrom', $event, 'Where the metal came from')"
        /></label>
      </section>
      <section>
        <h2>Cleaned after it</h2>
        <CheckRow v-for="item in checks" :key="item.key" :item="item" />
      </section>
    </div>
    <section aria-label="Judgement" class="block">
      <JudgementLine v-if="found && found !== 'none' && left.length > 0" verdict="watch" data-testid="strip-left"
        ><b>Metal was found, and not everything is cleaned yet:</b>
        {{ left.map(({ label }) => label.split(',')[0]!.toLowerCase()).join(', ') }}. What is left in there ends in the
        new bearings.</JudgementLine
      >
      <p v-else-if="!found" class="quiet">Nobody has written yet whether there was metal in the sump.</p>
      <p v-else class="quiet">Old shells are looked at journal by journal, in “One journal”.</p>
    </section>
    <CautionNote
      >Used oil harms the skin: gloves on, and it is disposed of by local rules. Solvent and compressed air: eyes
      covered, no flame.</CautionNote
    >
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
