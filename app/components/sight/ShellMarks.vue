<script setup lang="ts">
import { t } from '~/words/of/sight'
import { ZONES } from '~/words/oldShell'
import { scoreLength } from '#core/parts/shellLook'
import type { useShellLook } from '~/composables/useShellLook'

/** The photos of an old shell with its zones marked in them, a ruler, and scores as long as it says. */
const { shell, photos } = defineProps<{ shell: ReturnType<typeof useShellLook>; photos: readonly string[] }>()
const build = useBuild()
const units = useUnits()
const at = ref(photos.length - 1)
const photo = computed(() => photos[Math.min(at.value, photos.length - 1)]!)
const address = computed(() => `/api/builds/${build.id}/photos/${photo.value}`)
/** How large the picture is, once it has come. */
const sizes = reactive<Record<string, [number, number]>>({})
const missing = ref(false)
watch(
  address,
  (src) => {
    missing.value = false
    const of = photo.value
    const image = new Image()
    image.onload = () => (sizes[of] = [image.naturalWidth, image.naturalHeight])
    image.onerror = () => (missing.value = true)
    image.src = src
  },
  { immediate: true },
)
const size = computed(() => sizes[photo.value])
const picture = computed(() => shell.pictureOf(photo.value, size.value ?? [1, 1]))
const place = ([x, y]: readonly [number, number]) => ({ x: x * size.value![0], y: y * size.value![1] })
const strokes = computed(() => [
  ...(picture.value.ruler ? [{ key: 'ruler 0', words: t('shell.ruler'), ...picture.value.ruler }] : []),
  ...picture.value.scores.map((each, i) => ({ key: `score ${i}`, words: t('shell.score', { n: i + 1 }), ...each })),
])
const marks = computed(() => [
  ...shell.zonesAt(picture.value).map(({ zone, at: to }) => ({ key: zone, words: ZONES[zone], at: place(to) })),
  ...strokes.value.flatMap(({ key: name, words, from, to }) => [
    { key: `${name} from`, words, at: place(from) },
    { key: `${name} to`, words: '', at: place(to) },
  ]),
])
const lines = computed(() => strokes.value.map(({ from, to }) => ({ left: place(from), right: place(to) })))
const write = (changes: Partial<typeof picture.value>) => shell.mark(photo.value, { ...picture.value, ...changes })
const addRuler = () => write({ ruler: { from: [0.3, 0.94], to: [0.7, 0.94] } })
const addScore = () => write({ scores: [...picture.value.scores, { from: [0.4, 0.4], to: [0.6, 0.4] }] })
const scores = computed(() => picture.value.scores.map((each, i) => ({ i, found: scoreLength(picture.value, each) })))
</script>

<template>
  <div class="shell-marks">
    <ChoiceField
      v-if="photos.length > 1"
      :label="t('shell.photo')"
      :value="String(at)"
      :options="photos.map((_, i) => ({ value: String(i), words: t('shell.nth', { n: i + 1 }) }))"
      @choose="at = Number($event)"
    />
    <PhotoMarks
      v-if="size"
      :key="photo"
      :picture="address"
      :size="{ width: size[0], height: size[1] }"
      :marks="marks"
      :edges="lines"
      @move="(name, to) => shell.move(photo, size!, name, to)"
    />
    <p v-else-if="missing" class="wrong" role="alert">{{ t('shell.photoMissing') }}</p>
    <div class="row">
      <Button v-if="!picture.ruler" type="button" variant="outlined" :disabled="!size" @click="addRuler">{{
        t('shell.layRuler')
      }}</Button>
      <template v-else>
        <span>{{ t('shell.rulerIs') }}</span><QuantityField
          dimension="length"
          :label="t('shell.rulerIs')"
          :value="picture.ruler.length"
          :range="[1e-3, 1]"
          @write="write({ ruler: { ...picture.ruler!, length: $event } })"
        /><Button type="button" variant="text" @click="write({ ruler: undefined })">{{ t('shell.noRuler') }}</Button>
      </template>
      <Button type="button" variant="outlined" :disabled="!size" @click="addScore">{{ t('shell.markScore') }}</Button>
    </div>
    <ul v-if="scores.length > 0" class="scores">
      <li v-for="{ i, found } in scores" :key="i" data-testid="score">
        {{ t('shell.score', { n: i + 1 }) }}:
        <b v-if="found" class="mono"
          >{{ units.say(found.length, 'length', 1) }} ± {{ units.say(2 * found.sigma, 'length', 1) }}</b
        ><span v-else class="quiet">{{ t('shell.noLength') }}</span
        ><Button
          type="button"
          variant="text"
          @click="write({ scores: picture.scores.filter((_, other) => other !== i) })"
          >{{ t('shell.noScore', { n: i + 1 }) }}</Button
        >
      </li>
    </ul>
  </div>
</template>

<style scoped>
.shell-marks {
  display: grid;
  gap: 10px;
  justify-items: start;
  width: 100%;
}
.shell-marks > :deep(.marked) {
  width: 100%;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
}
.scores {
  margin: 0;
  padding: 0;
  list-style: none;
}
.wrong {
  color: var(--stop);
  margin: 0;
}
</style>
