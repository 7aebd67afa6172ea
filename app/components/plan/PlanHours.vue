<script setup lang="ts">
import { t } from '~/words/of/plan'
import { wallDay, weekdayOf } from '~/words/dates'
import type { Hours } from '#core/house/plan'
import { hoursFrom, hoursShown } from '#core/plan/typed'
import { dayOf, wallTime } from '#core/plan/present'

/** Who works on engines, and when: hours, days of the week, and the days on which it is otherwise. */
const plan = usePlan()
const access = useAccess()
/** A day's usual hours, for who is added. */
const USUAL: Hours = {
  hours: [
    ['08:00', '12:00'],
    ['13:00', '17:00'],
  ],
  days: [1, 2, 3, 4, 5],
  away: [],
  extra: [],
}
const WEEK = Array.from({ length: 7 }, (_, i) => ({ value: i + 1, words: weekdayOf(i + 1) }))
const hands = computed(() => Object.entries(plan.kept.hands))
const free = computed(() =>
  access.people.filter(({ name }) => !(name in plan.kept.hands)).map(({ name }) => ({ value: name, words: name })),
)
const chosen = ref<string>()
const who = computed(() => free.value.find(({ value }) => value === chosen.value)?.value ?? free.value[0]?.value)
const wrong = ref<Record<string, string>>({})
/** Hours that are none stay as they were typed, to be mended. */
const typed = ref<Record<string, string | undefined>>({})
const write = (name: string, change: (hours: Hours) => void) =>
  plan.change(({ hands: all }) => void (all[name] && change(all[name])))
function hoursOf(name: string, text: string) {
  const hours = hoursFrom(text)
  typed.value = { ...typed.value, [name]: hours ? undefined : text }
  wrong.value = { ...wrong.value, [name]: hours ? '' : t('hours.wrong', { text }) }
  if (hours) void write(name, (own) => void (own.hours = hours))
}
function daysOf(name: string, days: number[]) {
  wrong.value = { ...wrong.value, [name]: days.length > 0 ? '' : t('hours.noDay') }
  if (days.length > 0) void write(name, (own) => void (own.days = [...days].sort()))
}
/** Days that are still to come. */
const coming = (days: string[]) => {
  const today = dayOf(plan.planned?.now ?? 0)
  return days
    .filter((day) => day >= today)
    .sort()
    .map((day) => wallDay(wallTime(`${day}T00:00`)))
    .join(', ')
}
const add = () => who.value && plan.change(({ hands: all }) => void (all[who.value!] = structuredClone(USUAL)))
const remove = (name: string) => plan.change(({ hands: all }) => void Reflect.deleteProperty(all, name))
</script>

<template>
  <div>
    <div v-for="[name, hours] in hands" :key="name" class="hand" :data-hand="name">
      <strong>{{ name }}</strong>
      <span class="hours"
        ><DraftInput
          :value="typed[name] ?? hoursShown(hours.hours)"
          :aria-label="t('hours.hoursOf', { name })"
          :aria-invalid="!!wrong[name]"
          maxlength="80"
          @write="hoursOf(name, $event)"
        /><span v-if="coming(hours.away)" class="quiet">{{ t('hours.away', { days: coming(hours.away) }) }}</span
        ><span v-if="coming(hours.extra)" class="quiet">{{
          t('hours.extra', { days: coming(hours.extra) })
        }}</span></span
      >
      <SelectButton
        :model-value="hours.days"
        multiple
        :options="WEEK"
        option-label="words"
        option-value="value"
        :aria-label="t('hours.daysOf', { name })"
        @update:model-value="daysOf(name, $event as number[])"
      />
      <Button type="button" variant="text" :aria-label="t('hours.removeOf', { name })" @click="remove(name)">{{
        t('hours.remove')
      }}</Button>
      <p v-if="wrong[name]" class="wrong" role="alert">{{ wrong[name] }}</p>
    </div>
    <div v-if="free.length > 0" class="adding">
      <ChoiceField :label="t('hours.addWho')" :value="who!" :options="free" @choose="chosen = $event" /><Button
        type="button"
        variant="outlined"
        @click="add"
        >{{ t('hours.add') }}</Button
      >
    </div>
    <p v-else class="quiet">{{ t('hours.noOneLeft') }}</p>
  </div>
</template>

<style scoped>
.hand {
  display: grid;
  grid-template-columns: 9em minmax(220px, 1fr) auto auto;
  gap: 6px 20px;
  align-items: center;
  padding: 10px 0;
  border-top: 1px solid var(--rule);
}
.hours {
  display: grid;
  gap: 2px;
}
.hand .p-inputtext {
  height: 44px;
  font-size: 18px;
}
.hand :deep(.p-togglebutton) {
  min-width: 52px;
  min-height: 44px;
}
.wrong {
  grid-column: 1 / -1;
  color: var(--stop);
  margin: 0;
}
.adding {
  display: flex;
  gap: 12px;
  padding: 14px 0;
  border-top: 1px solid var(--rule);
}
@media (max-width: 900px) {
  .hand {
    grid-template-columns: minmax(0, 1fr) auto;
  }
  .hours,
  .hand .p-selectbutton {
    grid-column: 1 / -1;
  }
  .hand .p-selectbutton {
    flex-wrap: wrap;
  }
}
</style>
