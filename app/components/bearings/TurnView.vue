<script setup lang="ts">
import { recorded } from '#core/engine/values'
import { checksOf } from '#core/engine/catalogue'
import { turningVerdict } from '#core/parts/main'
import { capOrder, TURNING_CHECKS } from '#core/bearing/turning'
import { endFloatOf } from '#core/parts/crank'

/** The crank turned after every cap, in the order in which they were tightened: a jump names the cap and what to look at, in order. */
const build = useBuild()
const units = useUnits()
const turns = computed(() => checksOf(build.sheet!.layout).find((check) => check.key === 'bearings.turns')!)
const mains = computed(() => build.sheet!.layout.mains)
const order = computed(() => capOrder(mains.value, build.sheet!.choices['crank.capOrder']))
const read = computed(() => order.value.filter((main) => recorded(build.sheet!, `turning.${main}`)))
const judged = computed(() => turningVerdict(build.sheet!))
const named = computed(() =>
  judged.value.among.length > 1
    ? `Main ${judged.value.among.slice(0, -1).join(', ')} or ${judged.value.among.at(-1)}`
    : `Main ${judged.value.main}`,
)
const float = computed(() => endFloatOf(build.sheet!))
const WHOSE = {
  maker: 'by the maker',
  house: 'by house rule; the maker’s figure stands above it',
  both: 'one by the maker, one by house rule',
}
const torque = (value: number) => units.say(value, 'torque')
const problem = ref('')
function writeOrder(text: string) {
  const typed = text.trim()
  if (typed === '') return void build.choose('crank.capOrder', undefined, 'Order of the caps')
  const wanted = typed.split(/[\s,;]+/).join(',')
  if (capOrder(mains.value, wanted).join(',') !== wanted)
    return void (problem.value = `Every main once, by its number, such as ${capOrder(mains.value).join(', ')}.`)
  problem.value = ''
  void build.choose('crank.capOrder', wanted, 'Order of the caps')
}
</script>

<template>
  <div class="columns">
    <section>
      <h2>Torque to turn, after each cap</h2>
      <p class="quiet">Oiled, rods off, in the order in which the caps are tightened. In N·m, ft·lb, in·lb or oz·in.</p>
      <label class="row"
        ><span class="what"
          >Order of the caps<span class="origin">{{
            build.sheet!.choices['crank.capOrder'] ? 'as recorded' : 'assumed: from the middle out'
          }}</span></span
        ><DraftInput
          class="order mono"
          :value="order.join(', ')"
          aria-label="Order of the caps"
          maxlength="80"
          @write="writeOrder"
      /></label>
      <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
      <ReadingRow v-for="main in order" :key="main" :name="`turning.${main}`" run="turning" />
    </section>
    <section>
      <h2>What it says</h2>
      <JudgementLine v-if="judged.main !== undefined" :verdict="judged.verdict" data-testid="turning">
        <b
          >{{ named }} {{ judged.verdict }}: {{ judged.among.length > 1 ? 'their caps' : 'its cap' }} added
          {{ torque(judged.jump) }}, the others {{ torque(judged.usual) }} each.</b
        >
        {{
          judged.verdict === 'stop'
            ? 'Stop. Do not press on and do not start it: take its shells out.'
            : 'Turn on with care and look at it before the next cap.'
        }}
      </JudgementLine>
      <JudgementLine v-else-if="read.length > 1" verdict="pass" data-testid="turning"
        ><b>No cap makes it stiff.</b> Each adds about {{ torque(judged.usual) }}.</JudgementLine
      >
      <p v-else class="quiet">Two caps or more say whether one of them binds.</p>
      <JudgementLine v-if="judged.gaps.length > 0" verdict="unknown" data-testid="turning-gaps"
        ><b>Not read after main {{ judged.gaps.join(', ') }}.</b> What the cap after it added is of both: loosen it and
        read again to tell them apart.</JudgementLine
      >
      <ol v-if="judged.main !== undefined" class="checks">
        <li v-for="check in TURNING_CHECKS" :key="check">{{ check }}</li>
      </ol>
      <h2 class="next">The crank</h2>
      <CheckRow :item="turns" />
      <ReadingRow name="thrust.endFloat" run="turning" />
      <p class="quiet">
        End float {{ units.show(float.least, 'clearance') }} to {{ units.say(float.most, 'clearance') }}
        {{ WHOSE[float.whose] }}.
      </p>
      <CautionNote
        >A crank that turns stiffly at the right torque has something behind a shell or under a cap. Stop, take the
        shells out, look at their backs.</CautionNote
      >
    </section>
  </div>
</template>

<style scoped>
.checks {
  margin: 6px 0 0;
  padding-left: 22px;
  line-height: 1.6;
}
.next {
  margin-top: 22px;
}
.order {
  width: 190px;
  height: 44px;
  text-align: right;
  border: 1px solid var(--field);
  border-radius: 3px;
  background: var(--sheet);
  padding: 0 8px;
  font-size: 17px;
}
.wrong {
  color: var(--stop);
}
</style>
