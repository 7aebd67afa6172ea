<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/prime'
import type { Operation } from 'fast-json-patch'
import { LIFTER_FINDINGS, liftersOf, rowOutcome, rowWords } from '#core/parts/lifterLook'

/** Each lifter or lash adjuster on the drawing with what it shows; the first touch says oil, and what else it may be stands below. */
const { row } = defineProps<{ row: ReturnType<typeof liftersOf>[number] }>()
const emit = defineEmits<{ seen: [key: string, label: string] }>()
const build = useBuild()
const person = usePerson()
const chosen = ref<number>()
const findingOf = (key: string) => build.sheet!.inspections[key]?.finding
const WIDTH = 44
const banks = computed(() => (['v', 'flat', 'opposed'].includes(build.sheet!.layout.kind) ? 2 : 1))
const perBank = computed(() => Math.ceil(row.keys.length / banks.value))
const places = computed(() =>
  row.keys.map((key, i) => ({
    key,
    number: i + 1,
    x: 26 + (i % perBank.value) * WIDTH,
    y: 22 + Math.floor(i / perBank.value) * 48,
    finding: findingOf(key),
  })),
)
const words = (finding?: string) =>
  LIFTER_FINDINGS.find(({ value }) => value === finding)?.words ?? t('lifterRow.notLookedAtYet')
const MARK: Record<string, string> = { fountain: '↑', dry: '·', down: '↓' }
/** A finding and, with it, whether the row is in order or at fault as a whole. */
function write(numbers: number[], finding: string | undefined) {
  const sheet = build.sheet!
  const at = new Date().toISOString()
  const by = person.who || 'Someone'
  const keys = numbers.map((number) => row.keys[number - 1]!)
  const inspections = { ...sheet.inspections }
  for (const key of keys)
    if (finding) inspections[key] = { finding, by, at }
    else delete inspections[key]
  const outcome = rowOutcome({ inspections }, row.keys)
  const path = `/checks/${row.check}`
  const standing = sheet.checks[row.check]
  const changes: Operation[] = keys.flatMap((key): Operation[] =>
    finding
      ? [{ op: 'add', path: `/inspections/${key}`, value: inspections[key] }]
      : key in sheet.inspections
        ? [{ op: 'remove', path: `/inspections/${key}` }]
        : [],
  )
  if (outcome && outcome.state !== standing?.state)
    changes.push({ op: 'add', path, value: { state: outcome.state, by, at } })
  else if (!outcome && standing) changes.push({ op: 'remove', path })
  void build.change(changes, numbers.length > 1 ? `${row.label}s` : `${row.label} ${numbers[0]}`, words(finding))
  if (outcome?.state === 'done') emit('seen', row.check, `${row.label}s`)
}
function touch(number: number) {
  chosen.value = number
  if (!findingOf(row.keys[number - 1]!)) write([number], 'oil')
}
const left = computed(() => row.keys.flatMap((key, i) => (findingOf(key) ? [] : [i + 1])))
const wrong = computed(() => rowWords(build.sheet!, row.keys))
</script>

<template>
  <div class="lifters" :data-row="row.check">
    <div class="head-line">
      <b>{{ t('lifterRow.s', { row: named(row.label) }) }}</b><span class="quiet">{{
        left.length === 0
          ? t('lifterRow.eachLookedAt')
          : t('lifterRow.ofLookedAt', { count: row.keys.length - left.length, count2: row.keys.length })
      }}</span
      ><Button v-if="left.length > 0" type="button" variant="outlined" @click="write(left, 'oil')">{{
        t('lifterRow.theRestShowOil')
      }}</Button>
    </div>
    <div class="drawing-scroll">
      <svg
        :viewBox="`0 0 ${perBank * WIDTH + 8} ${banks * 48}`"
        :style="{ width: `${perBank * WIDTH + 8}px` }"
        role="group"
        :aria-label="t('lifterRow.sFrontOnTheLeft', { row: named(row.label) })"
      >
        <g
          v-for="each in places"
          :key="each.key"
          class="lifter"
          :class="[each.finding, { chosen: chosen === each.number }]"
          role="button"
          tabindex="0"
          :aria-label="`${named(row.label)} ${each.number}: ${words(each.finding)}`"
          @click="touch(each.number)"
          @keydown.enter.prevent="touch(each.number)"
          @keydown.space.prevent="touch(each.number)"
        >
          <rect class="target" :x="each.x - 22" :y="each.y - 22" width="44" height="46" />
          <circle :cx="each.x" :cy="each.y" r="18" />
          <text :x="each.x" :y="each.y + 5" text-anchor="middle">
            {{ MARK[named(each.finding) ?? ''] ?? each.number }}
          </text>
        </g>
      </svg>
    </div>
    <div v-if="chosen" class="one">
      <span class="what">{{ named(row.label) }} {{ chosen }}</span
      ><SegmentChoice
        :label="`${named(row.label)} ${chosen}`"
        :value="findingOf(row.keys[chosen - 1]!)"
        :options="LIFTER_FINDINGS"
        @choose="write([chosen], $event)"
      />
    </div>
    <JudgementLine v-if="wrong" :verdict="rowOutcome(build.sheet!, row.keys)?.verdict ?? 'watch'"
      ><b>{{ t('lifterRow.s2', { row: named(row.label), wrong }) }}</b>
      {{
        LIFTER_FINDINGS.filter(({ value }) => row.keys.some((key) => findingOf(key) === value))
          .map(({ action }) => action)
          .filter(Boolean)
          .join(' ')
      }}</JudgementLine
    >
  </div>
</template>

<style scoped>
.lifters {
  padding: 8px 0;
  border-top: 1px solid var(--rule);
}
.head-line,
.one {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  min-height: 44px;
}
.head-line .quiet {
  flex: 1;
}
svg {
  display: block;
  max-width: none;
}
.lifter {
  cursor: pointer;
}
.target {
  fill: transparent;
}
.lifter circle {
  fill: var(--sheet);
  stroke: var(--field);
  stroke-width: 2;
  stroke-dasharray: 4 3;
}
.lifter text {
  font-family: var(--mono);
  font-size: 15px;
  fill: var(--ink);
  pointer-events: none;
}
.lifter.oil circle {
  fill: var(--oil);
  stroke: var(--oil);
  stroke-dasharray: none;
}
.lifter.oil text {
  fill: var(--sheet);
}
.lifter.fountain circle {
  fill: var(--stop-wash);
  stroke: var(--stop);
  stroke-dasharray: none;
}
.lifter.dry circle,
.lifter.down circle {
  stroke: var(--watch);
  stroke-dasharray: none;
}
.lifter.chosen circle {
  stroke: var(--petrol);
  stroke-width: 3;
  stroke-dasharray: none;
}
.lifter:focus-visible {
  outline: none;
}
.lifter:focus-visible circle {
  stroke: var(--petrol);
  stroke-width: 4;
}
</style>
