<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/bearings'
import { t as tSight } from '~/words/of/sight'
import { shrinkPhoto } from '~/composables/photo'
import { OLD_SHELLS, type OldShell } from '#core/bearing/shell'

/** What the old shell of a journal looked like, what that says, and its photos. */
const { reading, label } = defineProps<{ reading: string; label: string }>()
const build = useBuild()
const GOOD: OldShell = 'even grey'
/** As they are seen, where a sheet's own word is another. */
const SEEN: Partial<Record<OldShell, string>> = {
  'overlay gone': t('oldShell.brownOrCoppery'),
  discoloured: t('oldShell.blueOrBlack'),
}
const WHAT: Record<OldShell, string> = {
  [GOOD]: t('oldShell.wornEvenlyNothingAgainstIts'),
  'overlay gone': t('oldShell.brownOrCopperyTheOverlayIs'),
  scored: t('oldShell.dirtWentThroughWashEvery'),
  pounded: t('oldShell.overloadedAThreeLayerShellAnd'),
  'worn on one edge': t('oldShell.taperABentRodOrA'),
  'dirt embedded': t('oldShell.dirtWentThroughWashEvery'),
  discoloured: t('oldShell.blueOrBlackIsHeatIt'),
}
const found = computed(() => build.sheet!.inspections[`${reading}.oldShell`])
/** Another word keeps the photos and what was marked in them. */
function inspect(finding: string) {
  const change = t('oldShell.oldShell2', { label })
  void build.inspect(`${reading}.oldShell`, found.value?.finding === finding ? undefined : { finding }, change)
}
/** Whether its zones are looked at below. */
const isOpen = defineModel<boolean>('zones', { default: false })

const person = usePerson()
const problem = ref('')
/** A picture by this device's own camera, which a foot can take too. */
async function shot(picture: File) {
  const made = await shrinkPhoto(picture, build.id!, person.who)
  problem.value = 'problem' in made ? made.problem : ''
  if ('id' in made) photographed(made.id)
}
function photographed(id: string) {
  if (!found.value) return
  const value = { ...toRaw(found.value), photos: [...(found.value.photos ?? []), id].slice(-30) }
  void build.change(
    [{ op: 'add', path: `/inspections/${reading}.oldShell`, value }],
    t('oldShell.oldShellPhoto', { label }),
  )
}
</script>

<template>
  <section>
    <h2>{{ t('oldShell.oldShell') }}</h2>
    <div class="conditions" role="group" :aria-label="t('oldShell.oldShellOf', { label })">
      <ToggleButton
        v-for="condition in OLD_SHELLS"
        :key="condition"
        :model-value="found?.finding === condition"
        :class="{ bad: condition !== GOOD }"
        :on-label="SEEN[condition] ?? named(condition)"
        :off-label="SEEN[condition] ?? named(condition)"
        @update:model-value="inspect(condition)"
      />
    </div>
    <p v-if="found" class="quiet">
      {{ WHAT[named(found.finding) as OldShell] }}
      {{ found.by }}
    </p>
    <PhotoRow
      v-if="found"
      :of="t('oldShell.oldShellOf', { label })"
      :photos="found.photos"
      :words="t('oldShell.photographIt')"
      @kept="photographed"
    />
    <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
    <div v-if="found" class="ways">
      <LazyCameraShot @shot="shot" /><Button
        v-if="found.photos?.length"
        type="button"
        variant="outlined"
        :aria-expanded="isOpen"
        @click="isOpen = !isOpen"
        >{{ tSight(isOpen ? 'shell.shut' : 'shell.open') }}</Button
      >
    </div>
  </section>
</template>

<style scoped>
.conditions {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 6px 0;
}
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
.conditions .p-togglebutton {
  min-height: 44px;
}
.conditions .p-togglebutton-checked {
  background: var(--pass);
  border-color: var(--pass);
  color: var(--sheet);
}
.conditions .bad.p-togglebutton-checked {
  background: var(--watch);
  border-color: var(--watch);
}
.wrong {
  color: var(--stop);
}
</style>
