<script setup lang="ts">
/** A field of a form: its label, what is typed, and under it what is wrong, which stays until it is mended. */
defineOptions({ inheritAttrs: false })
const { name, label } = defineProps<{
  name: string
  label: string
  /** Unit or the like, beside the label. */
  unit?: string
  /** Said from elsewhere, such as the server. */
  refused?: string
}>()
const id = useId()
const sentence = (words: string) => words.replace(/^./, (letter) => letter.toUpperCase())
</script>

<template>
  <FormField v-slot="field" :name="name" class="form-line">
    <label :for="id"
      >{{ label }}<span v-if="unit" class="quiet">, {{ unit }}</span></label
    ><InputText
      :id="id"
      autocomplete="off"
      v-bind="$attrs"
      :aria-invalid="!!(field.invalid || refused)"
      :aria-describedby="field.invalid || refused ? `${id}-wrong` : undefined"
    /><span v-if="field.invalid || refused" :id="`${id}-wrong`" class="wrong" role="alert">{{
      sentence(field.error?.message ?? refused ?? '')
    }}</span>
  </FormField>
</template>

<style scoped>
.form-line {
  display: grid;
  gap: 3px;
  align-content: start;
}
label {
  color: var(--quiet);
}
.p-inputtext {
  height: 46px;
  width: 100%;
  font-size: 18px;
}
.wrong {
  color: var(--stop);
}
</style>
