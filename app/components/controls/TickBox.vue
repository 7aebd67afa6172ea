<script setup lang="ts">
/** Something that is so or not so, with its words beside it. */
const { value, disabled = false } = defineProps<{ value: boolean; disabled?: boolean }>()
const emit = defineEmits<{ tick: [value: boolean] }>()
const shown = useShown(() => value)
function take(ticked: boolean) {
  emit('tick', ticked)
  shown.again()
}
const id = useId()
</script>

<template>
  <span class="tick"
    ><Checkbox v-model="shown.value" binary :input-id="id" :disabled="disabled" @update:model-value="take" /><label
      :for="id"
      ><slot /></label
  ></span>
</template>

<style scoped>
.tick {
  display: inline-flex;
  align-items: center;
  gap: 8px;
}
.tick label {
  min-height: 44px;
  display: inline-flex;
  align-items: center;
  gap: 6px;
  cursor: pointer;
}
</style>
