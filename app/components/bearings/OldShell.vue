<script setup lang="ts">
import { OLD_SHELLS, type OldShell } from '#core/bearing/shell'
import { shrinkPhoto } from '~/composables/photo'

/** What the old shell of a journal looked like, what that says, and its photos. */
const { reading, label } = defineProps<{ reading: string; label: string }>()
const build = useBuild()
const person = usePerson()
const GOOD: OldShell = 'even grey'
/** As they are seen, where a sheet's own word is another. */
const SEEN: Partial<Record<OldShell, string>> = {
  'overlay gone': 'brown or coppery',
  discoloured: 'blue or black',
}
const WHAT: Record<OldShell, string> = {
  [GOOD]: 'Worn evenly: nothing against its journal.',
  'overlay gone':
    'Brown or coppery: the overlay is gone. It is worn: find out why, by load, dirt or thin oil, before a new one goes in.',
  scored: 'Dirt went through: wash every gallery and the crank’s drillings, look at filter and bypass.',
  pounded: 'Overloaded: a three-layer shell, and look at what loaded it.',
  'worn on one edge': 'Taper, a bent rod or a housing out of line: measure both planes.',
  'dirt embedded': 'Dirt went through: wash every gallery and the crank’s drillings, look at filter and bypass.',
  discoloured:
    'Blue or black is heat: it ran with too little oil or too little room. Look at its feed and its clearance.',
}
const found = computed(() => build.sheet!.inspections[`${reading}.oldShell`])
function inspect(finding: string) {
  const path = `/inspections/${reading}.oldShell`
  const change = `${label} old shell`
  if (found.value?.finding === finding) return void build.change([{ op: 'remove', path }], change)
  void build.change(
    [{ op: 'add', path, value: { finding, by: person.who || 'Someone', at: new Date().toISOString() } }],
    change,
  )
}

const photoProblem = ref('')
async function photograph(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (!file || !build.id || !found.value) return
  const kept = await shrinkPhoto(file, build.id, person.who)
  photoProblem.value = 'problem' in kept ? kept.problem : ''
  if ('id' in kept)
    void build.change(
      [
        {
          op: 'add',
          path: `/inspections/${reading}.oldShell`,
          value: { ...toRaw(found.value), photos: [...(found.value.photos ?? []), kept.id].slice(-30) },
        },
      ],
      `${label} old shell, photo`,
    )
}
</script>

<template>
  <section>
    <h2>Old shell</h2>
    <div class="conditions" role="group" :aria-label="`Old shell of ${label}`">
      <button
        v-for="condition in OLD_SHELLS"
        :key="condition"
        type="button"
        :aria-pressed="found?.finding === condition"
        :class="{ bad: condition !== GOOD }"
        @click="inspect(condition)"
      >
        {{ SEEN[condition] ?? condition }}
      </button>
    </div>
    <p v-if="found" class="quiet">
      {{ WHAT[found.finding as OldShell] }}
      {{ found.by }}
    </p>
    <div v-if="found" class="photo-row">
      <label class="take"
        >Photograph it<input
          type="file"
          accept="image/*"
          :aria-label="`Photo of the old shell of ${label}`"
          @change="photograph"
      /></label>
      <a
        v-for="photo in found.photos ?? []"
        :key="photo"
        :href="`/api/builds/${build.id}/photos/${photo}`"
        target="_blank"
        ><img
          :src="`/api/builds/${build.id}/photos/${photo}`"
          :alt="`Old shell of ${label}`"
          width="60"
          height="44"
          loading="lazy"
      /></a>
    </div>
    <p v-if="photoProblem" class="wrong" role="alert">{{ photoProblem }}</p>
  </section>
</template>

<style scoped>
.conditions {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 6px 0;
}
.conditions button {
  min-height: 44px;
  padding: 0 14px;
  border: 1px solid var(--field);
  border-radius: 3px;
  background: none;
  cursor: pointer;
}
.conditions button[aria-pressed='true'] {
  background: var(--pass);
  border-color: var(--pass);
  color: var(--sheet);
  font-weight: 650;
}
.conditions button.bad[aria-pressed='true'] {
  background: var(--watch);
  border-color: var(--watch);
}
.photo-row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.photo-row img {
  object-fit: cover;
  display: block;
  border: 1px solid var(--rule);
}
.take {
  position: relative;
  overflow: hidden;
  min-height: 44px;
  display: inline-flex;
  align-items: center;
  color: var(--petrol);
  font-weight: 600;
  cursor: pointer;
}
.take input {
  position: absolute;
  inset: 0;
  opacity: 0;
  cursor: pointer;
}
.take:focus-within {
  outline: 2px solid var(--petrol);
  outline-offset: 2px;
}
.wrong {
  color: var(--stop);
}
</style>
