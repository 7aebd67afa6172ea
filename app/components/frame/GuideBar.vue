<script setup lang="ts">
import { t } from '~/words/of/frame'
import { GUIDE, GUIDE_PAGES, type GuidePage, guideDone, guideNext } from '#core/guide/guide'
import { quantityAt } from '#core/engine/values'
import { goToReading } from '~/composables/goToReading'
import { PAGES, stationPath } from '~/composables/stations'
import { GUIDE_WORDS } from '~/words/guide'
import { ask, refusedWords } from '~/sync/ask'

/** The guided build: what to do at this station, what to see of it, and the way to the next; nothing of it stays once it is ended. */
const build = useBuild()
const route = useRoute()
const router = useRouter()
const opened = ref(new Set<string>())
watch(
  () => route.query.view,
  (view) => view && opened.value.add(String(view)),
  { immediate: true },
)
const page = computed(() => GUIDE_PAGES.find((each) => route.path.endsWith(`/${each}`)) ?? 'brief')
const wanted = computed(() => GUIDE[page.value])
const done = (each: GuidePage) => guideDone(build.sheet!, each, opened.value)
const next = computed(() => guideNext(build.sheet!, opened.value))
const titleOf = (each: GuidePage) => PAGES.find(({ page: own }) => own === each)!.title
const go = (each: GuidePage) => router.push(stationPath(build.id!, each))
function show() {
  const { value } = wanted
  if (value.kind === 'reading') return void goToReading(router, build.id!, quantityAt(build.sheet!, value.key))
  if (value.kind === 'inspection') return void router.push({ query: { at: value.key.slice('passage.'.length) } })
  if (value.kind === 'view') return void router.push({ query: { view: value.view } })
  const row = document.querySelector<HTMLElement>(`main [data-check="${value.key}"]`)
  row?.scrollIntoView({ block: 'center' })
  row?.querySelector<HTMLElement>('input, button')?.focus()
}
const problem = ref('')
const ending = ref(false)
async function end() {
  ending.value = true
  problem.value = ''
  try {
    await ask('DELETE /api/builds/sandbox/:build', { at: { build: build.id! } })
    await navigateTo('/')
  } catch (error) {
    problem.value = refusedWords(error, t('guideBar.theServerDoesNotAnswerTry'))
    ending.value = false
  }
}
</script>

<template>
  <section class="guide" :aria-label="t('guideBar.guidedBuild')">
    <Stepper :value="page" class="steps" @update:value="go($event as GuidePage)">
      <StepList>
        <Step v-for="each in GUIDE_PAGES" :key="each" v-slot="{ activateCallback, a11yAttrs }" as-child :value="each">
          <Button
            type="button"
            variant="text"
            class="step"
            :class="{ here: each === page, done: done(each) }"
            :aria-label="`${titleOf(each)}, ${done(each) ? t('guideBar.done') : t('guideBar.toDo')}`"
            v-bind="a11yAttrs.header"
            @click="activateCallback"
            ><span v-if="done(each)" aria-hidden="true">✓</span
            ><span v-else class="mono">{{ GUIDE_PAGES.indexOf(each) + 1 }}</span></Button
          >
        </Step>
      </StepList>
    </Stepper>
    <div class="words" role="status">
      <p>
        <b
          >{{ GUIDE_WORDS[page].does
          }}<template v-if="wanted.kind === 'reading'"
            >{{ ' ' }}<kbd>{{ wanted.typed }}</kbd
            >{{ t('guideBar.enter') }}</template
          ></b
        >
      </p>
      <p v-if="done(page)" data-testid="guide-sees">{{ GUIDE_WORDS[page].sees }}</p>
      <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
    </div>
    <span class="actions"
      ><Button v-if="!done(page)" type="button" @click="show">{{ t('guideBar.showMeWhere') }}</Button
      ><Button v-else-if="next" type="button" @click="go(next)">{{
        t('guideBar.onTo', { titleOf: titleOf(next) })
      }}</Button
      ><b v-else>{{ t('guideBar.thatWasAllNine') }}</b
      ><Button type="button" :variant="next ? 'text' : undefined" :disabled="ending" @click="end">{{
        t('guideBar.endTheGuide')
      }}</Button></span
    >
  </section>
</template>

<style scoped>
.guide {
  border: 1px solid var(--rule);
  border-left: 6px solid var(--petrol);
  padding: 4px 14px 10px;
  margin-bottom: 16px;
  /* It stays in view while the hand is on the reading that it asks for. */
  position: sticky;
  top: -18px;
  z-index: 3;
  background: var(--sheet);
  display: grid;
  gap: 4px 16px;
  grid-template-columns: 1fr auto;
  align-items: center;
}
.steps {
  grid-column: 1 / -1;
}
.step {
  min-width: 44px;
  min-height: 44px;
  border-radius: 50%;
  color: var(--quiet);
  font-weight: 600;
}
.step.done {
  color: var(--pass);
}
.step.here {
  outline: 2px solid var(--petrol);
  outline-offset: -6px;
  color: var(--petrol);
}
.words {
  max-width: 62ch;
}
.words p {
  margin: 0;
}
kbd {
  font-family: var(--mono);
  font-size: 16px;
  border: 1px solid var(--field);
  border-radius: 3px;
  padding: 1px 6px;
  white-space: nowrap;
}
.actions {
  display: inline-flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  justify-content: flex-end;
}
.wrong {
  color: var(--stop);
}
@media (max-width: 760px) {
  .guide {
    grid-template-columns: 1fr;
    padding-inline: 8px;
  }
  /* The rail says as much; room is for the reading. */
  .steps {
    display: none;
  }
  .actions {
    justify-content: flex-start;
  }
}
@media print {
  .guide {
    display: none;
  }
}
</style>
