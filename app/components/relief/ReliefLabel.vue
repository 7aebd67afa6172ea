<script setup lang="ts">
import { t } from '~/words/of/relief'
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
      <h2>{{ t('reliefLabel.asItPrints90By38') }}</h2>
      <img
        v-if="!unsent"
        :src="address('svg')"
        :alt="t('reliefLabel.labelOfTheReliefPlugWith')"
        class="label"
        width="340"
        height="144"
      />
      <p v-else class="quiet">{{ t('reliefLabel.madeAsSoonAsEverythingIs') }}</p>
    </section>
    <section>
      <h2>{{ t('reliefLabel.makeIt') }}</h2>
      <p class="quiet words">
        {{ t('reliefLabel.markThePlugFromOutsideWith') }}
      </p>
      <div class="actions">
        <a class="p-button" :href="address('pdf')" target="_blank">{{ t('reliefLabel.openAsPdf') }}</a><a
          class="p-button p-button-outlined"
          :href="address('svg')"
          download="plug-label.svg"
          >{{ t('reliefLabel.saveAsSvg') }}</a
        >
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
