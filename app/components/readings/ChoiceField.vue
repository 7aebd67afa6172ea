<script setup lang="ts" generic="T extends string">
/** One choice out of a few words, by the browser's own list: a thumb's width on a tablet, letters and arrows on a keyboard. */
const {
  label,
  value,
  options,
  quiet = false,
} = defineProps<{ label: string; value: T; options: readonly { value: T; words: string }[]; quiet?: boolean }>()
const emit = defineEmits<{ choose: [value: T] }>()
const field = useTemplateRef<HTMLSelectElement>('field')
function take() {
  const chosen = field.value!.value as T
  emit('choose', chosen)
  // Whether it is taken is said by the value that comes back.
  void nextTick(() => {
    if (field.value) field.value.value = value
  })
}
</script>

<template>
  <select ref="field" class="choice" :class="{ quiet }" :value="value" :aria-label="label" @change="take">
    <option v-for="each in options" :key="each.value" :value="each.value">{{ each.words }}</option>
  </select>
</template>

<style scoped>
.choice {
  appearance: none;
  min-height: 44px;
  min-width: 128px;
  max-width: 100%;
  padding: 0 34px 0 12px;
  font-size: 18px;
  border: 1px solid var(--field);
  border-radius: 3px;
  cursor: pointer;
  text-overflow: ellipsis;
  background: url("data:image/svg+xml,%3Csvg xmlns='http://www.w3.org/2000/svg' width='14' height='9' fill='none' stroke='%23808890' stroke-width='2'%3E%3Cpath d='M1 1l6 6 6-6'/%3E%3C/svg%3E")
    no-repeat right 12px center var(--sheet);
}
.choice:hover {
  border-color: var(--quiet);
}
.choice option {
  background: var(--sheet);
  color: var(--ink);
}
.quiet {
  font-size: 15px;
  border-color: transparent;
  background-color: transparent;
  min-width: 0;
  padding: 0 26px 0 6px;
  background-position: right 6px center;
}
.quiet:hover {
  border-color: var(--field);
}
</style>
