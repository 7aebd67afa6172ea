<script setup lang="ts">
import type { CheckItem } from '#core/record/looked'

/** Something to look at: done, or at fault with what that means. */
const { item, faults = true } = defineProps<{ item: CheckItem; faults?: boolean }>()
const build = useBuild()
const check = computed(() => build.sheet!.checks[item.key])
function set(state: 'done' | 'fault') {
  void build.check(item.key, check.value?.state === state ? undefined : state, item.label)
}
</script>

<template>
  <div class="row check">
    <span class="what"
      >{{ item.label }}<span v-if="check" class="origin">{{ check.by }}</span>
      <span v-if="check?.state === 'fault' && item.fault" class="fault-words">{{ item.fault }}</span></span
    >
    <span class="choice">
      <button
        type="button"
        :aria-pressed="check?.state === 'done'"
        :aria-label="`${item.label}: ${faults ? 'in order' : 'done'}`"
        class="done"
        @click="set('done')"
      >
        {{ faults ? 'in order' : 'done' }}
      </button>
      <button
        v-if="faults"
        type="button"
        :aria-pressed="check?.state === 'fault'"
        :aria-label="`${item.label}: fault`"
        class="fault"
        @click="set('fault')"
      >
        fault
      </button>
    </span>
  </div>
</template>

<style scoped>
.choice {
  display: flex;
}
button {
  min-height: 44px;
  min-width: 64px;
  padding: 0 12px;
  border: 1px solid var(--field);
  background: transparent;
  cursor: pointer;
  color: var(--quiet);
}
button + button {
  border-left: 0;
}
button:first-child {
  border-radius: 3px 0 0 3px;
}
button:last-child {
  border-radius: 0 3px 3px 0;
}
button:only-child {
  border-radius: 3px;
}
button[aria-pressed='true'] {
  color: var(--sheet);
  font-weight: 650;
}
.done[aria-pressed='true'] {
  background: var(--pass);
  border-color: var(--pass);
}
.fault[aria-pressed='true'] {
  background: var(--stop);
  border-color: var(--stop);
}
.fault-words {
  display: block;
  color: var(--stop);
  font-size: 15px;
}
</style>
