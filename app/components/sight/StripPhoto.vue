<script setup lang="ts">
import { t } from '~/words/of/sight'
import { vTip } from '~/composables/tip'
import { useSightWorker } from '~/composables/useEngineModel'
import { shrinkPhoto } from '~/composables/photo'
import { remember, rememberedJson } from '~/sync/browserStorage'
import { stripClearance } from '#core/bearing/strip'
import type { StripScale } from '#core/house/schema'
import { parseQuantity } from '#core/quantity/parse'
import type { StripMeasured } from '#core/sight/strip'
import type { NotMeasured, Point } from '#core/sight/types'

/** A flattened strip measured in a photo: two marks on its printed scale, one on the strip; confirmed by the builder before it is a reading. */
const { reading, label, scale } = defineProps<{ reading: string; label: string; scale: StripScale }>()
const build = useBuild()
const units = useUnits()
const person = usePerson()
const file = shallowRef<File>()
const address = ref('')
const size = ref<{ width: number; height: number }>()
const problem = ref('')
const found = shallowRef<StripMeasured>()
const busy = ref(false)
const keepsPhoto = ref(true)
/** The scale's divisions, as this gauge has them. */
const print = reactive(
  rememberedJson<{ divisions: number; division: string }>('uldo.strip', { divisions: 20, division: '1 mm' }),
)
watch(print, (now) => remember('uldo.strip', JSON.stringify(now)))
type Key = 'first' | 'last' | 'strip'
const at = reactive<Record<Key, Point>>({ first: { x: 0, y: 0 }, last: { x: 0, y: 0 }, strip: { x: 0, y: 0 } })
const marks = computed(() => [
  { key: 'first', words: t('strip.firstLine'), at: at.first },
  { key: 'last', words: t('strip.lastLine'), at: at.last },
  { key: 'strip', words: t('strip.theStrip'), at: at.strip },
])
const WHY: Record<NotMeasured, string> = {
  blurred: t('strip.blurred'),
  glare: t('strip.glare'),
  slanted: t('strip.slanted'),
  'scale-unread': t('strip.scaleUnread'),
  'too-small': t('strip.tooSmall'),
  'strip-unread': t('strip.stripUnread'),
  uncertain: t('strip.uncertain'),
}
async function take(taken: File) {
  forget()
  try {
    size.value = await useSightWorker().open(taken)
  } catch {
    problem.value = t('strip.noPicture', { name: taken.name })
    return
  }
  const { width, height } = size.value
  file.value = taken
  address.value = URL.createObjectURL(taken)
  at.first = { x: 0.2 * width, y: 0.7 * height }
  at.last = { x: 0.8 * width, y: 0.7 * height }
  at.strip = { x: 0.5 * width, y: 0.35 * height }
}
function forget() {
  if (address.value) URL.revokeObjectURL(address.value)
  address.value = ''
  file.value = size.value = found.value = undefined
  problem.value = ''
}
onBeforeUnmount(forget)
function move(key: string, to: Point) {
  at[key as Key] = to
  found.value = undefined
  problem.value = ''
}
async function measure() {
  const division = parseQuantity(print.division, 'length', units.unit('length'))
  if (!division.ok || !(division.value > 0)) return void (problem.value = t('strip.sayDivision'))
  busy.value = true
  try {
    const answer = await useSightWorker().strip({
      scale: [{ ...at.first }, { ...at.last }],
      strip: { ...at.strip },
      divisions: print.divisions,
      division: division.value,
    })
    if ('refused' in answer) {
      problem.value = WHY[answer.refused]
      found.value = undefined
    } else {
      problem.value = ''
      found.value = answer
    }
  } catch (error) {
    problem.value = (error as Error).message
  } finally {
    busy.value = false
  }
}
/** What the width says of the gap, by this gauge's own scale; with the uncertainty of the width beside that of the scale. */
const clearance = computed(() => {
  if (!found.value) return undefined
  const { width, sigma, ends } = found.value
  try {
    const gap = (w: number) => stripClearance(w, scale.lines)
    const { value, sigma: ofScale } = gap(width)
    const near = (w: number) => {
      try {
        return gap(w).value
      } catch {
        return value
      }
    }
    return {
      value,
      sigma: Math.hypot(ofScale, (near(width - sigma) - near(width + sigma)) / 2),
      taper: Math.abs(near(ends[0]) - near(ends[1])),
    }
  } catch {
    return undefined
  }
})
const mm = (value: number) => units.show(value, 'length')
const gap = (value: number) => units.say(value, 'clearance')
async function keep() {
  const { width, sigma } = found.value!
  const { value, sigma: uncertainty } = clearance.value!
  let photos: string[] = []
  if (keepsPhoto.value && build.id) {
    const kept = await shrinkPhoto(file.value!, build.id, person.who)
    if ('problem' in kept) return void (problem.value = kept.problem)
    photos = [kept.id]
  }
  const before = build.sheet?.readings[`${reading}.clearance`]?.photos ?? []
  await build.record(
    `${reading}.clearance`,
    {
      value,
      source: 'measured',
      uncertainty,
      instrument: scale.name,
      typed: t('strip.typed', { width: mm(width), sigma: mm(2 * sigma) }).slice(0, 40),
      ...(photos.length + before.length > 0 ? { photos: [...before, ...photos].slice(-30) } : {}),
    },
    t('strip.recorded', { label }),
  )
  forget()
}
</script>

<template>
  <section class="strip-photo" :aria-label="t('strip.byPhoto')" data-testid="strip-photo">
    <div class="actions">
      <FilePick accept="image/*" :words="address ? t('strip.another') : t('strip.byPhoto')" outlined @pick="take" />
      <CameraShot v-if="!address" @shot="take" />
      <Button v-if="address" type="button" variant="text" @click="forget">{{ t('strip.leaveIt') }}</Button>
      <span v-if="!address" class="quiet">{{ t('strip.how') }}</span>
    </div>
    <template v-if="address && size">
      <p>{{ t('strip.setMarks') }}</p>
      <PhotoMarks :picture="address" :size="size" :marks="marks" :edges="found?.edges" @move="move" />
      <div class="actions">
        <label
          >{{ t('strip.divisions') }}
          <InputNumber
            v-model="print.divisions"
            :min="4"
            :max="60"
            :use-grouping="false"
            :aria-label="t('strip.divisions')"
            @update:model-value="found = undefined" /></label
        ><label
          >{{ t('strip.division') }}
          <InputText v-model="print.division" class="short" :aria-label="t('strip.division')" maxlength="12" /></label
        ><Button type="button" :disabled="busy" @click="measure">{{ t('strip.measure') }}</Button>
      </div>
    </template>
    <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
    <div v-if="found" class="found" role="status" data-testid="strip-found">
      <b>{{
        t('strip.width', { width: mm(found.width), sigma: mm(2 * found.sigma), unit: units.unit('length').symbol })
      }}</b>
      <span v-tip="t('strip.whatTaperIs')">{{
        t('strip.ends', { one: mm(found.ends[0]), other: mm(found.ends[1]), unit: units.unit('length').symbol })
      }}</span>
      <template v-if="clearance"
        ><b>{{
          t('strip.clearance', { gap: gap(clearance.value), sigma: gap(2 * clearance.sigma), name: scale.name })
        }}</b
        ><span>{{ t('strip.taper', { taper: gap(clearance.taper) }) }}</span
        ><span class="actions"
          ><TickBox :value="keepsPhoto" @tick="keepsPhoto = $event">{{ t('strip.keepPhoto') }}</TickBox
          ><Button type="button" @click="keep">{{ t('strip.keep') }}</Button></span
        ></template
      >
      <p v-else class="wrong">{{ t('strip.outside', { name: scale.name }) }}</p>
    </div>
  </section>
</template>

<style scoped>
.strip-photo {
  display: grid;
  gap: 10px;
  padding: 8px 0;
}
.actions {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 16px;
  align-items: center;
}
.short {
  width: 92px;
  height: 44px;
  font-size: 18px;
  text-align: right;
}
.actions :deep(.p-inputnumber-input) {
  width: 76px;
  height: 44px;
  font-size: 18px;
}
.found {
  display: grid;
  gap: 4px;
  border-top: 3px solid var(--petrol);
  padding-top: 8px;
}
.found b {
  font-size: 20px;
}
.wrong {
  color: var(--stop);
  margin: 0;
}
</style>
