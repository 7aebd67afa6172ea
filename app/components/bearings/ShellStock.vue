<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/bearings'
import type { BearingSet } from '#core/parts/bearingReadings'
import { useShellStock, wallWords } from '~/composables/useShellStock'

/** What lies in the drawers of one set, by its walls; counted anew in its cell, and added to. */
const { set } = defineProps<{ set: BearingSet }>()
const build = useBuild()
const units = useUnits()
const shelf = useShelf()
const stock = useShellStock(() => set)
const problem = ref('')
const gradeWords = (wall: number) => wallWords(wall, (value) => units.say(value, 'clearance'))

const grades = computed(() =>
  [...new Set(stock.value.map((each) => each.wall))]
    .sort((a, b) => a - b)
    .map((wall) => ({
      wall,
      upper: stock.value.find((each) => each.wall === wall && each.half === 'upper'),
      lower: stock.value.find((each) => each.wall === wall && each.half === 'lower'),
    })),
)

type Half = 'upper' | 'lower'
const draft = reactive({ half: 'upper' as Half, wall: '0', count: '1' })
const HALVES: { value: Half; words: string }[] = [
  { value: 'upper', words: t('shellStock.upper') },
  { value: 'lower', words: t('shellStock.lower') },
]
function recount(id: string, text: string) {
  const count = text === '' ? NaN : Number(text)
  if (!Number.isInteger(count) || count < 0 || count > 999) return void (problem.value = t('shellStock.enter0To999'))
  problem.value = ''
  const known = stock.value.find((each) => each.id === id)
  if (known) void shelf.write(known.item, { count })
}
function addShell() {
  const thousandths = Number(draft.wall.replace(',', '.').replace('−', '-'))
  const count = Number(draft.count)
  if (!Number.isFinite(thousandths) || Math.abs(thousandths) > 2 || !Number.isInteger(count) || count < 0)
    return void (problem.value = t('shellStock.wallOverStandardInMmSuch'))
  problem.value = ''
  const { engine } = build.sheet!
  const id =
    `${engine} ${set} ${draft.half} ${thousandths === 0 ? 'standard' : `${thousandths > 0 ? '+' : '−'}${Math.abs(thousandths)}`}`.slice(
      0,
      80,
    )
  const known = stock.value.find((each) => each.id === id)
  void (known
    ? shelf.write(known.item, { count })
    : shelf.add({
        kind: 'shell',
        label: id,
        engine,
        count,
        place: '',
        note: '',
        properties: { set: set, half: draft.half, wall: thousandths / 1000 },
      }))
}
</script>

<template>
  <div>
    <ResultTable v-if="grades.length > 0" :rows="grades" :label="t('shellStock.shellsInStock')">
      <Column :header="t('shellStock.wall')"
        ><template #body="{ data }">{{ gradeWords(data.wall) }}</template></Column
      ><Column
        v-for="half in ['upper', 'lower'] as const"
        :key="half"
        :header="t('shellStock.halves', { half: named(half) })"
        ><template #body="{ data }"
          ><DraftInput
            v-if="data[half]"
            class="count mono"
            inputmode="numeric"
            :value="data[half].free"
            :aria-label="t('shellStock.inStock', { id: data[half].id })"
            @write="recount(data[half].id, $event)"
          /><span v-else class="quiet">{{ t('shellStock.none') }}</span></template
        ></Column
      >
    </ResultTable>
    <p v-else class="quiet">
      {{ t('shellStock.noShellsForOnTheShelf', { set, engine: build.sheet!.engine }) }}
    </p>
    <div class="adding">
      <ChoiceField
        :label="t('shellStock.half')"
        :value="draft.half"
        :options="HALVES"
        @choose="draft.half = $event"
      /><label
        >{{ t('shellStock.wallOverStandard') }}
        <InputText v-model="draft.wall" :aria-label="t('shellStock.wallOverStandardMm')" />
        {{ t('shellStock.mm') }}</label
      ><label
        >{{ t('shellStock.count') }}
        <InputText v-model="draft.count" :aria-label="t('shellStock.count2')" inputmode="numeric" /></label
      ><Button type="button" variant="outlined" @click="addShell">{{ t('shellStock.putOnTheShelf') }}</Button>
    </div>
    <p v-if="problem || shelf.problem" class="wrong" role="alert">{{ problem || shelf.problem }}</p>
  </div>
</template>

<style scoped>
.count {
  width: 74px;
  height: 44px;
  text-align: right;
  border: 1px solid transparent;
  border-bottom: 1px dashed var(--field);
  background: none;
  font-size: 18px;
  padding: 0 8px;
}
.adding {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 16px;
  align-items: center;
}
.adding .p-inputtext {
  width: 92px;
  height: 44px;
  font-size: 18px;
  text-align: right;
  font-family: var(--mono);
}
.wrong {
  color: var(--stop);
  padding-top: 6px;
}
</style>
