<script setup lang="ts">
/** A button that is hit from the other side of the engine. */
</script>

<template>
  <Button type="button" variant="outlined" class="big"><slot /></Button>
</template>

<style scoped>
.big {
  min-height: 68px;
  min-width: 118px;
  padding: 0 22px;
  font-size: 20px;
  font-weight: 650;
  border: 2px solid var(--field);
  border-radius: 3px;
  background: var(--sheet);
  color: var(--ink);
  cursor: pointer;
}
.big[aria-pressed='true'] {
  border-color: var(--petrol);
  background: var(--petrol);
  color: var(--on-petrol);
}
@media (max-width: 760px) {
  .big {
    min-width: 92px;
    min-height: 56px;
    padding: 0 12px;
    font-size: 18px;
  }
}
</style>
