<script setup lang="ts">
import { t } from '~/words/of/logbook'
import { zodResolver } from '@primevue/forms/resolvers/zod'
import { nextServiceKey } from '#core/engine/serviceLog'
import { OIL_GRADES } from '#core/oil/grades'
import { ServiceLine } from '#core/record/service'
import { dayField, SERVICE_FIELDS, serviceForm, servicePatch, serviceTyped } from '~/composables/typedService'

/** A line of the service log: what the meter and the gauge said, and what was done; a new one, or one that is mended. */
const { line, mended } = defineProps<{ line?: ServiceLine; mended?: string }>()
const emit = defineEmits<{ close: [] }>()
const build = useBuild()
const units = useUnits()
const person = usePerson()
const now = new Date()
const LABELS = {
  hours: t('years.hourMeter'),
  distance: t('years.distanceMeter'),
  pressure: t('years.gaugeAtHotIdle'),
  speed: t('years.itsSpeed'),
  temperature: t('years.itsOilTemperature'),
  topUp: t('years.toppedUpSince'),
} as const
const fields = SERVICE_FIELDS.map((each) => ({
  ...each,
  label: LABELS[each.field],
  unit: units.unit(each.dimension).symbol,
}))
const initial: Record<string, string> = {
  ...Object.fromEntries([...fields.map(({ field }) => field), 'instrument', 'note'].map((name) => [name, ''])),
  ...(line ? serviceTyped(line, units.show) : { day: dayField(now) }),
}
const NOT = 'not'
const OTHER = 'other'
/** Oils that it may have been filled with: the build's own first. */
const oils = computed(() => [
  { value: NOT, words: t('years.notChanged') },
  ...(line?.oil && line.oil.grade !== build.sheet!.oil.grade ? [{ value: OTHER, words: line.oil.grade }] : []),
  { value: '', words: t('years.runningOil', { grade: build.sheet!.oil.grade }) },
  ...OIL_GRADES.filter(({ name }) => name !== build.sheet!.oil.grade).map(({ name }) => ({ value: name, words: name })),
])
const oil = ref(line?.oil ? (line.oil.grade === build.sheet!.oil.grade ? '' : OTHER) : NOT)
const filter = ref(line?.filter ?? false)
const added = computed<Partial<ServiceLine>>(() => ({
  ...(oil.value === NOT
    ? {}
    : { oil: oil.value === OTHER ? line!.oil : oil.value === '' ? build.sheet!.oil : { grade: oil.value } }),
  ...(filter.value ? { filter: true } : {}),
  ...(line?.photos ? { photos: line.photos } : {}),
  by: line?.by ?? (person.who || 'Someone'),
}))
const resolver = computed(() =>
  zodResolver(serviceForm(units.unit, now, added.value, line && { line, typed: initial })),
)
async function put({ valid, values }: { valid: boolean; values?: unknown }) {
  if (!valid) return
  const written = ServiceLine.parse(values)
  const key = mended ?? nextServiceKey(build.sheet!)
  emit('close')
  await build.change(servicePatch(build.sheet!, key, written), t('lines.service', { number: key.split('.')[1]! }))
}
</script>

<template>
  <Form
    class="service"
    data-testid="service-form"
    :aria-label="t('years.line')"
    :resolver="resolver"
    :initial-values="initial"
    :validate-on-value-update="false"
    @submit="put"
  >
    <FormLine name="day" :label="t('years.day')" type="date" />
    <FormLine
      v-for="{ field, label, unit } in fields"
      :key="field"
      :name="field"
      :label="label"
      :unit="unit"
      inputmode="decimal"
    />
    <FormLine name="instrument" :label="t('years.instrument')" maxlength="80" />
    <span class="line"
      ><span class="quiet">{{ t('years.oilChangedTo') }}</span
      ><ChoiceField :label="t('years.oilChangedTo')" :value="oil" :options="oils" @choose="oil = $event"
    /></span>
    <TickBox :value="filter" class="tick" @tick="filter = $event">{{ t('years.filterChanged') }}</TickBox>
    <FormLine name="note" :label="t('years.note')" maxlength="500" class="wide" />
    <p class="quiet wide">{{ t('years.howItIsRead') }}</p>
    <div class="actions wide">
      <Button type="submit">{{ mended ? t('years.keep') : t('years.write') }}</Button><Button
        type="button"
        variant="outlined"
        @click="emit('close')"
        >{{ t('years.leaveIt') }}</Button
      >
    </div>
  </Form>
</template>

<style scoped>
.service {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(170px, 1fr));
  gap: 10px 16px;
  border-top: 3px solid var(--petrol);
  border-bottom: 1px solid var(--rule);
  padding: 12px 0 16px;
  align-items: start;
}
.line {
  display: grid;
  gap: 3px;
}
.tick {
  align-self: end;
}
.wide {
  grid-column: 1 / -1;
  margin: 0;
}
</style>
