<script setup lang="ts">
import { inSentence, named } from '~/words/speak'
import { t } from '~/words/of/house'
import { zodResolver } from '@primevue/forms/resolvers/zod'
import { sameValue } from '~/sync/patches'
import { SCHOOLS } from '#core/record/words'
import { RULES, type Rule } from '#core/house/rules'
import { House } from '#core/house/schema'

/** Limits with their reasons; a change is looked at with every build on the floor before it is written. */
const shop = useShop()
const units = useUnits()
type Own = House['rules']
const copy = (rules: Own) => JSON.parse(JSON.stringify(rules)) as Own
const draft = ref<Own>(copy(shop.house.rules))
const school = ref(shop.house.school)
const changed = computed(() => !sameValue(draft.value, shop.house.rules) || school.value !== shop.house.school)
watch(
  () => shop.house,
  (now, before) => {
    // What somebody else wrote is taken up where nothing is being changed here.
    if (sameValue(draft.value, before.rules)) draft.value = copy(now.rules)
    if (school.value === before.school) school.value = now.school
  },
)
const groups = computed(() =>
  [...new Set(RULES.map(({ group }) => group))].map((group) => ({
    group,
    rules: RULES.filter((rule) => rule.group === group),
  })),
)
const valueOf = (rule: Rule) => draft.value[rule.key]?.value ?? rule.first
function write(rule: Rule, value: number | undefined) {
  const next = { ...draft.value }
  if (value === undefined || Math.abs(value - rule.first) <= 1e-9 * Math.max(1, Math.abs(rule.first)))
    delete next[rule.key]
  else next[rule.key] = { value, reason: next[rule.key]?.reason ?? '' }
  draft.value = next
}
function because(rule: Rule, event: Event) {
  draft.value = {
    ...draft.value,
    [rule.key]: { ...draft.value[rule.key], reason: (event.target as HTMLInputElement).value.trim() },
  }
}
const unsaid = computed(() => RULES.filter(({ key }) => draft.value[key] && !draft.value[key].reason))

const { moved, problem, looking, preview } = useRulePreview(() => (changed.value ? draft.value : undefined), school)
/** Judged as a whole by the house's own schema: ranges, order of pairs, a reason for each. */
const byHouse = zodResolver(House.pick({ rules: true, school: true }))
const resolver = () => byHouse({ values: { rules: copy(draft.value), school: school.value }, names: [] } as never)
async function save({ valid, errors }: { valid: boolean; errors?: unknown }) {
  const first = Object.values((errors ?? {}) as Record<string, { message: string }[]>)[0]?.[0]
  if (first) return void (problem.value = `${first.message.replace(/^./, (letter) => letter.toUpperCase())}.`)
  if (!valid) return
  const [rules, governs] = [copy(draft.value), school.value]
  await shop.save((next) => {
    next.rules = rules
    next.school = governs
  })
  void preview()
}
function leave() {
  draft.value = copy(shop.house.rules)
  school.value = shop.house.school
  problem.value = ''
}
const SCHOOL_WORDS = {
  auto: t('ruleList.makerElseTheHighest'),
  maker: t('ruleList.makersLimits'),
  'per-thousand': t('ruleList.tenPsiPerThousandRpm'),
  'rod-feed': t('ruleList.rodFeed'),
  own: t('ruleList.yourOwnNumbers'),
} as const
</script>

<template>
  <Form class="split" :resolver="resolver" @submit="save">
    <div>
      <section>
        <h2>{{ t('ruleList.targetRule') }}</h2>
        <div class="row">
          <span class="what"
            >{{ t('ruleList.defaultTargetRule')
            }}<span class="origin">{{ t('ruleList.sheetsShowAllSchoolsSideBy') }}</span></span
          ><ChoiceField
            :label="t('ruleList.defaultTargetRule')"
            :value="school"
            :options="SCHOOLS.map((each) => ({ value: each, words: SCHOOL_WORDS[each] }))"
            @choose="school = $event"
          />
        </div>
      </section>
      <section v-for="each in groups" :key="each.group" class="block">
        <h2>{{ named(each.group) }}</h2>
        <div v-for="rule in each.rules" :key="rule.key" class="row rule" :data-rule="rule.key">
          <span class="what"
            >{{ named(rule.label) }}<span class="origin reason">{{ named(rule.reason) }}</span>
            <label v-if="draft[rule.key]" class="why"
              >{{ t('ruleList.whyHere')
              }}<InputText
                :model-value="draft[rule.key].reason"
                maxlength="300"
                :aria-label="t('ruleList.reasonFor', { rule: named(rule.label) })"
                :placeholder="t('ruleList.sayWhyItDiffers')"
                @change="because(rule, $event)"
                @keydown.enter.prevent="because(rule, $event)" /></label
          ></span>
          <span class="tools"
            ><QuantityField
              :value="valueOf(rule)"
              :dimension="rule.dimension"
              :range="rule.range"
              :label="named(rule.label)"
              @write="write(rule, $event)"
            />
            <Button
              type="button"
              variant="text"
              class="reset"
              :class="{ hidden: !draft[rule.key] }"
              :aria-label="
                t('ruleList.backTo', { rule: named(rule.label), first: units.say(rule.first, rule.dimension) })
              "
              :tabindex="draft[rule.key] ? 0 : -1"
              @click="write(rule, undefined)"
              >{{ t('ruleList.backTo2', { first: units.show(rule.first, rule.dimension) }) }}</Button
            ></span
          >
        </div>
      </section>
    </div>
    <aside :aria-label="t('ruleList.whatWouldMove')">
      <h2>{{ t('ruleList.beforeItIsWritten') }}</h2>
      <p v-if="!changed" class="quiet">
        {{ t('ruleList.changeALimitAndTheBuilds') }}
      </p>
      <template v-else>
        <p v-if="looking" class="quiet" role="status">{{ looking }}</p>
        <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
        <p v-else-if="!moved" class="quiet">{{ t('ruleList.judgingEveryBuildAnew') }}</p>
        <p v-else-if="moved.length === 0" data-testid="moves">
          <b>{{ t('ruleList.noBuildsVerdictMoves') }}</b>
        </p>
        <RuleMoves v-else :moved="moved" />
        <p v-if="unsaid.length > 0" class="quiet">
          {{ t('ruleList.sayWhy', { unsaid: unsaid.map(({ label }) => inSentence(label)).join('; ') }) }}
        </p>
        <div class="actions">
          <Button type="submit" :disabled="unsaid.length > 0 || !!problem">{{
            t('ruleList.writeTheRules')
          }}</Button><Button type="button" variant="outlined" @click="leave">{{
            t('ruleList.leaveAsTheyWere')
          }}</Button>
        </div>
      </template>
    </aside>
  </Form>
</template>

<style scoped>
.split {
  display: grid;
  grid-template-columns: minmax(0, 7fr) minmax(290px, 4fr);
  gap: 40px;
  align-items: start;
}
aside {
  position: sticky;
  top: 0;
  border-left: 1px solid var(--rule);
  padding-left: 24px;
}
.actions {
  margin-top: 12px;
}
.reason {
  white-space: normal !important;
}
.tools {
  display: grid;
  justify-items: end;
}
.reset {
  min-height: 36px;
  padding: 0 28px 0 6px;
}
.hidden {
  visibility: hidden;
  height: 0;
  min-height: 0;
}
.why {
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 4px 0;
  color: var(--petrol);
  font-weight: 600;
}
.why input {
  flex: 1;
  height: 44px;
}
.wrong {
  color: var(--stop);
}
@media (max-width: 900px) {
  .split {
    grid-template-columns: 1fr;
    gap: 18px;
  }
  aside {
    position: static;
    grid-row: 1;
    border-left: 0;
    padding-left: 0;
    border-bottom: 1px solid var(--rule);
    padding-bottom: 14px;
  }
}
</style>
