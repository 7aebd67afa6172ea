<script setup lang="ts">
import type { ValveName } from '#core/parts/reliefReadings'
import { checksOf } from '#core/engine/catalogue'

/** The plug's label: what is behind it, and a code that opens this build. */
const { valve } = defineProps<{ valve: ValveName }>()
const build = useBuild()
const address = (form: 'svg' | 'pdf') =>
  `/api/builds/${build.id}/label?valve=${valve}&form=${form}&at=${build.revision}`
const marked = computed(() => checksOf(build.sheet!.layout).find(({ key }) => key === 'relief.marked')!)
const unsent = computed(() => build.saving !== 'saved')
</script>

<template>
  <div class="columns">
    <section>
      <h2>As it prints, 90 by 38 mm</h2>
      <img
        v-if="!unsent"
        :src="address('svg')"
        alt="Label of the relief plug, with a code that opens this build"
        class="label"
        width="340"
        height="144"
      />
      <p v-else class="quiet">Made as soon as everything is saved.</p>
    </section>
    <section>
      <h2>Make it</h2>
      <p class="quiet words">
        Mark the plug from outside with what is behind it: the next person cannot see the shims. The code opens this
        build on this network.
      </p>
      <div class="actions">
        <a class="p-button" :href="address('pdf')" target="_blank">Open as PDF</a
        ><a class="p-button p-button-outlined" :href="address('svg')" download="plug-label.svg">Save as SVG</a>
      </div>
      <CheckRow v-if="valve === 'relief'" :item="marked" class="marked" />
    </section>
  </div>
</template>

<style scoped>
.label {
  max-width: 100%;
  height: auto;
  background: #fff;
}
.words {
  padding-bottom: 12px;
  max-width: 52ch;
}
.actions a {
  text-decoration: none;
  display: inline-flex;
  align-items: center;
}
.p-button {
  background: var(--petrol);
  color: var(--on-petrol);
  border: 1px solid var(--petrol);
  border-radius: 3px;
}
.p-button-outlined {
  background: none;
  color: var(--petrol);
}
.marked {
  margin-top: 14px;
}
</style>
