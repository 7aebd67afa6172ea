<script setup lang="ts">
import { t } from '~/words/of/sight'
import { oldShellWords, SAYS, ZONES } from '~/words/oldShell'
import { OLD_SHELLS, type OldShell } from '#core/bearing/shell'
import { scoreLength, shellSays, zonesThatDiffer } from '#core/bearing/shellLook'
import { SHELL_ZONES, type ShellZone } from '#core/record/schema'

/** An old shell in its photo: five zones beside those of the last set, scores by a ruler in the picture. What is seen is a hand's word; a colour alone is none. */
const { reading, label, photos } = defineProps<{ reading: string; label: string; photos: readonly string[] }>()
const build = useBuild()
const units = useUnits()
const key = () => `${reading}.oldShell`
const shell = useShellLook(key, () => t('shell.change', { label }))
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
const zoneOf = (zone: ShellZone) => shell.look.value.zones[zone]
const SEEN = [
  { value: '' as OldShell | '', words: t('shell.notLookedAt') },
  ...OLD_SHELLS.map((value) => ({ value, words: oldShellWords(value) })),
]
const FELT = [
  { value: '' as const, words: t('shell.notFelt') },
  { value: 'catches' as const, words: t('shell.catches') },
  { value: 'smooth' as const, words: t('shell.smooth') },
]
const says = computed(() => shellSays(shell.look.value))
const last = useLastSet(key)
const differ = computed(() => (last.look.value ? zonesThatDiffer(shell.look.value, last.look.value) : []))
const lastWords = (zone: ShellZone) => {
  const there = last.look.value?.zones[zone]
  if (!there) return t('shell.notLookedAt')
  return [oldShellWords(there.seen as OldShell), there.felt ? t(`shell.${there.felt}`) : ''].filter(Boolean).join(', ')
}
</script>

<template>
  <section class="shell-zones" :aria-label="t('shell.zonesOf', { label })" data-testid="shell-zones">
    <div class="sides">
      <div class="side">
        <h3>{{ t('shell.thisSet') }}</h3>
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
            /><Button type="button" variant="text" @click="write({ ruler: undefined })">{{
              t('shell.noRuler')
            }}</Button>
          </template>
          <Button type="button" variant="outlined" :disabled="!size" @click="addScore">{{
            t('shell.markScore')
          }}</Button>
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
      <div class="side">
        <h3>{{ t('shell.lastSet') }}</h3>
        <ChoiceField
          :label="t('shell.lastSetOf')"
          :value="last.chosen.value"
          :options="last.options.value"
          @choose="last.choose($event)"
        />
        <p v-if="last.problem.value" class="wrong" role="alert">{{ last.problem.value }}</p>
        <p v-else-if="last.chosen.value && last.none.value" class="quiet">{{ t('shell.noneThere') }}</p>
        <div v-for="each in last.pictures.value" :key="each.src" class="still">
          <img :src="each.src" :alt="t('shell.lastSet')" />
          <span
            v-for="{ zone, at: [x, y] } in each.zones"
            :key="zone"
            class="spot"
            :style="{ left: `${100 * x}%`, top: `${100 * y}%` }"
            >{{ ZONES[zone] }}</span
          >
        </div>
      </div>
    </div>
    <table class="zones">
      <thead>
        <tr>
          <th scope="col">{{ t('shell.zone') }}</th>
          <th scope="col">{{ t('shell.seen') }}</th>
          <th scope="col">{{ t('shell.fingernail') }}</th>
          <th v-if="last.look.value" scope="col">{{ t('shell.lastSet') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="zone in SHELL_ZONES" :key="zone" :data-zone="zone">
          <th scope="row">{{ ZONES[zone] }}</th>
          <td>
            <ChoiceField
              :label="t('shell.seenAt', { zone: ZONES[zone] })"
              :value="(zoneOf(zone)?.seen ?? '') as OldShell | ''"
              :options="SEEN"
              @choose="shell.see(zone, $event, zoneOf(zone)?.felt)"
            />
          </td>
          <td>
            <ChoiceField
              v-if="zoneOf(zone)"
              :label="t('shell.feltAt', { zone: ZONES[zone] })"
              :value="zoneOf(zone)!.felt ?? ''"
              :options="FELT"
              @choose="shell.see(zone, zoneOf(zone)!.seen as OldShell, $event)"
            />
          </td>
          <td v-if="last.look.value">
            {{ lastWords(zone) }} <b v-if="differ.includes(zone)">{{ t('shell.differs') }}</b>
          </td>
        </tr>
      </tbody>
    </table>
    <ul class="says" data-testid="shell-says">
      <li v-for="{ code, zones } in says" :key="code">
        <b>{{ zones.map((zone) => ZONES[zone]).join(', ') }}:</b> {{ SAYS[code] }}
      </li>
    </ul>
  </section>
</template>

<style scoped>
.shell-zones,
.side {
  display: grid;
  gap: 10px;
  align-content: start;
  justify-items: start;
}
.side > :deep(.marked) {
  width: 100%;
}
.sides {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 380px), 1fr));
  gap: 20px;
  width: 100%;
}
h3 {
  margin: 0;
  font-size: 17px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
}
.still {
  position: relative;
  width: 100%;
  max-width: 560px;
}
.still img {
  display: block;
  width: 100%;
}
.spot {
  position: absolute;
  transform: translate(-50%, -50%);
  padding: 1px 6px;
  font-size: 15px;
  font-weight: 650;
  color: #fff;
  background: rgb(0 0 0 / 65%);
  white-space: nowrap;
}
.zones {
  border-collapse: collapse;
  width: 100%;
}
.zones :is(th, td) {
  text-align: left;
  padding: 4px 12px 4px 0;
  border-top: 1px solid var(--rule);
}
.scores,
.says {
  margin: 0;
  padding: 0;
  list-style: none;
}
.says li {
  padding: 3px 0;
  max-width: 72ch;
}
.wrong {
  color: var(--stop);
  margin: 0;
}
@media (max-width: 760px) {
  .zones thead {
    display: none;
  }
  .zones tr {
    display: grid;
    padding: 6px 0;
  }
  .zones :is(th, td) {
    border-top: 0;
  }
  .zones tr {
    border-top: 1px solid var(--rule);
  }
}
</style>
