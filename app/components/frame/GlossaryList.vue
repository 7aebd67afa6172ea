<script setup lang="ts">
import { t } from '~/words/of/frame'
import { glossary } from '~/words/glossary'

/** The trade's words, one key away. */
const emit = defineEmits<{ close: [] }>()
const open = ref(true)
const text = ref('')
const found = computed(() => {
  const wanted = text.value.trim().toLowerCase()
  return glossary().filter(({ term, means, also = [] }) =>
    [term, means, ...also].some((words) => words.toLowerCase().includes(wanted)),
  )
})
</script>

<template>
  <Dialog
    v-model:visible="open"
    modal
    dismissable-mask
    :header="t('glossaryList.wordsOfTheTrade')"
    @after-hide="emit('close')"
  >
    <div class="glossary">
      <InputText
        v-model="text"
        type="search"
        :aria-label="t('glossaryList.searchWords')"
        :placeholder="t('glossaryList.search')"
        autofocus
      />
      <dl>
        <div v-for="{ term, means } in found" :key="term">
          <dt>{{ term }}</dt>
          <dd>{{ means }}</dd>
        </div>
      </dl>
      <p v-if="found.length === 0" role="status">{{ t('glossaryList.noWordHereMatches', { text }) }}</p>
    </div>
  </Dialog>
</template>

<style scoped>
.glossary {
  width: min(560px, calc(100vw - 80px));
}
.p-inputtext {
  width: 100%;
  height: 46px;
  font-size: 18px;
}
dl {
  margin: 12px 0 0;
}
dl > div {
  padding: 8px 0;
  border-top: 1px solid var(--rule);
}
dt {
  font-weight: 650;
}
dd {
  margin: 0;
  line-height: 1.35;
}
</style>
