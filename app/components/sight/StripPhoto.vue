<script setup lang="ts">
import { t } from '~/words/of/sight'
import { useSightWorker } from '~/composables/useEngineModel'
import { shrinkPhoto } from '~/composables/photo'
import { remember, rememberedJson } from '~/sync/browserStorage'
import type { StripScale } from '#core/house/schema'
import { parseQuantity } from '#core/quantity/parse'
import type { StripMeasured, StripTaps } from '#core/sight/strip'
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
type Beside = NonNullable<StripTaps['beside']>
const BESIDES: { value: Beside; words: string }[] = [
  { value: 'scale', words: t('strip.printedScale') },
  { value: 'edges', words: t('strip.straightEdges') },
  { value: 'coin', words: t('strip.coin') },
]
/** What lies beside the strip, as this shop has it. */
const print = reactive(
  rememberedJson<{ beside: Beside; divisions: number; division: string; size: string }>('uldo.strip', {
    beside: 'scale',
    divisions: 20,
    division: '1 mm',
    size: '12.7 mm',
  }),
)
watch(print, (now) => remember('uldo.strip', JSON.stringify(now)))
type Key = 'first' | 'last' | 'strip'
const at = reactive<Record<Key, Point>>({ first: { x: 0, y: 0 }, last: { x: 0, y: 0 }, strip: { x: 0, y: 0 } })
const marks = computed(() => [
  { key: 'first', words: t(print.beside === 'scale' ? 'strip.firstLine' : 'strip.oneSide'), at: at.first },
  { key: 'last', words: t(print.beside === 'scale' ? 'strip.lastLine' : 'strip.otherSide'), at: at.last },
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
function choose(beside: Beside | undefined) {
  if (beside) print.beside = beside
  found.value = undefined
  problem.value = ''
}
function move(key: string, to: Point) {
  at[key as Key] = to
  found.value = undefined
  problem.value = ''
}
async function measure() {
  const isScale = print.beside === 'scale'
  const division = parseQuantity(isScale ? print.division : print.size, 'length', units.unit('length'))
  if (!division.ok || !(division.value > 0))
    return void (problem.value = t(isScale ? 'strip.sayDivision' : 'strip.saySize'))
  busy.value = true
  try {
    const answer = await useSightWorker().strip({
      scale: [{ ...at.first }, { ...at.last }],
      strip: { ...at.strip },
      beside: print.beside,
      divisions: isScale ? print.divisions : 1,
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
const mm = (value: number) => units.show(value, 'length')
async function keep({ value, sigma: uncertainty }: { value: number; sigma: number }) {
  const { width, sigma } = found.value!
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
      <SegmentChoice :label="t('strip.beside')" :value="print.beside" :options="BESIDES" @choose="choose($event)" />
      <p>{{ t(print.beside === 'scale' ? 'strip.setMarks' : 'strip.setMarksOfThing') }}</p>
      <PhotoMarks :picture="address" :size="size" :marks="marks" :edges="found?.edges" @move="move" />
      <div class="actions">
        <template v-if="print.beside === 'scale'"
          ><label
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
        ></template>
        <label v-else
          >{{ t('strip.size') }}
          <InputText v-model="print.size" class="short" :aria-label="t('strip.size')" maxlength="12" /></label
        ><Button type="button" :disabled="busy" @click="measure">{{ t('strip.measure') }}</Button>
      </div>
    </template>
    <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
    <StripFound
      v-if="found"
      :found="found"
      :scale="scale"
      :keeps-photo="keepsPhoto"
      @keeps="keepsPhoto = $event"
      @keep="keep"
    />
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
.wrong {
  color: var(--stop);
  margin: 0;
}
</style>
