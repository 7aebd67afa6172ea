<script setup lang="ts">
import { t } from '~/words/of/bearings'
import type { Operation } from 'fast-json-patch'
import { aroundOf, mainShells } from '#core/parts/mainGrooves'

/** Grooves and holes of one main's shells: what feeds it and its rods, and how much of its film is left whole. */
const { number } = defineProps<{ number: number }>()
const build = useBuild()
const FIELDS = ['grooveUpper', 'grooveLower', 'grooveWidth', 'shellHole', 'shellHoles', 'holePlace'] as const
const keyOf = (main: number, field: string) => `main.${main}.${field}`
const shells = computed(() => mainShells(build.sheet!)[number - 1])
const around = computed(() => Math.round((180 / Math.PI) * aroundOf(shells.value)))
const recorded = computed(() => FIELDS.filter((field) => keyOf(number, field) in build.sheet!.readings))
const others = computed(() =>
  Array.from({ length: build.sheet!.layout.mains }, (_, i) => i + 1).filter((main) => main !== number),
)
/** Shells of an engine come as a set: what was read of one pair is written to all, each with its own instrument, hand and time. */
function forAll() {
  const { readings } = build.sheet!
  void build.change(
    others.value.flatMap((main) =>
      FIELDS.flatMap((field): Operation[] => {
        const value = readings[keyOf(number, field)]
        const path = `/readings/${keyOf(main, field)}`
        if (value) return [{ op: 'add', path, value: { ...value } }]
        return keyOf(main, field) in readings ? [{ op: 'remove', path }] : []
      }),
    ),
    t('mainShells.groovesOfAllMains'),
  )
}
const meaning = computed(() =>
  around.value === 0
    ? t('mainShells.noGrooveOilEntersByThe')
    : shells.value.lower > 0
      ? t('mainShells.togetherWhereTheLowerShellIs', { around: around.value })
      : t('mainShells.togetherTheLoadedHalfIsWhole', { around: around.value }),
)
</script>

<template>
  <section data-testid="main-shells">
    <h2>{{ t('mainShells.shells') }}</h2>
    <ReadingRow v-for="field in FIELDS" :key="field" :name="keyOf(number, field)" run="survey" />
    <div class="row">
      <span class="what quiet">{{ meaning }}</span>
      <Button v-if="recorded.length > 0 && others.length > 0" type="button" variant="outlined" @click="forAll">{{
        t('mainShells.writeToAllMains')
      }}</Button>
    </div>
  </section>
</template>
