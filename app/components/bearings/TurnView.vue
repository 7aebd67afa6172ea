<script setup lang="ts">
import { named as word } from '~/words/speak'
import { t } from '~/words/of/bearings'
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
    ? t('turnView.mainOr', { among: judged.value.among.slice(0, -1).join(', '), at: judged.value.among.at(-1) })
    : t('turnView.main', { main: judged.value.main }),
)
const float = computed(() => endFloatOf(build.sheet!))
const WHOSE = {
  maker: t('turnView.byTheMaker'),
  house: t('turnView.byHouseRuleTheMakersFigure'),
  both: t('turnView.oneByTheMakerOneBy'),
}
const torque = (value: number) => units.say(value, 'torque')
const problem = ref('')
function writeOrder(text: string) {
  const typed = text.trim()
  if (typed === '') return void build.choose('crank.capOrder', undefined, t('turnView.orderOfTheCaps'))
  const wanted = typed.split(/[\s,;]+/).join(',')
  if (capOrder(mains.value, wanted).join(',') !== wanted)
    return void (problem.value = t('turnView.everyMainOnceByItsNumber', { capOrder: capOrder(mains.value).join(', ') }))
  problem.value = ''
  void build.choose('crank.capOrder', wanted, t('turnView.orderOfTheCaps'))
}
</script>

<template>
  <div class="columns">
    <section>
      <h2>{{ t('turnView.torqueToTurnAfterEachCap') }}</h2>
      <p class="quiet">{{ t('turnView.oiledRodsOffInTheOrder') }}</p>
      <label class="row"
        ><span class="what"
          >{{ t('turnView.orderOfTheCaps')
          }}<span class="origin">{{
            build.sheet!.choices['crank.capOrder'] ? t('turnView.asRecorded') : t('turnView.assumedFromTheMiddleOut')
          }}</span></span
        ><DraftInput
          class="order mono"
          :value="order.join(', ')"
          :aria-label="t('turnView.orderOfTheCaps')"
          maxlength="80"
          @write="writeOrder"
      /></label>
      <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
      <ReadingRow v-for="main in order" :key="main" :name="`turning.${main}`" run="turning" />
    </section>
    <section>
      <h2>{{ t('turnView.whatItSays') }}</h2>
      <JudgementLine v-if="judged.main !== undefined" :verdict="judged.verdict" data-testid="turning">
        <b>{{
          t('turnView.addedTheOthersEach', {
            named,
            verdict: word(judged.verdict),
            count: judged.among.length > 1 ? t('turnView.theirCaps') : t('turnView.itsCap'),
            torque: torque(judged.jump),
            torque2: torque(judged.usual),
          })
        }}</b>
        {{ judged.verdict === 'stop' ? t('turnView.stopDoNotPressOnAnd') : t('turnView.turnOnWithCareAndLook') }}
      </JudgementLine>
      <JudgementLine v-else-if="read.length > 1" verdict="pass" data-testid="turning"
        ><b>{{ t('turnView.noCapMakesItStiff') }}</b>
        {{ t('turnView.eachAddsAbout', { torque: torque(judged.usual) }) }}</JudgementLine
      >
      <p v-else class="quiet">{{ t('turnView.twoCapsOrMoreSayWhether') }}</p>
      <JudgementLine v-if="judged.gaps.length > 0" verdict="unknown" data-testid="turning-gaps"
        ><b>{{ t('turnView.notReadAfterMain', { gaps: judged.gaps.join(', ') }) }}</b>
        {{ t('turnView.whatTheCapAfterItAdded') }}</JudgementLine
      >
      <ol v-if="judged.main !== undefined" class="checks">
        <li v-for="check in TURNING_CHECKS" :key="check">{{ check }}</li>
      </ol>
      <h2 class="next">{{ t('turnView.theCrank') }}</h2>
      <CheckRow :item="turns" />
      <ReadingRow name="thrust.endFloat" run="turning" />
      <p class="quiet">
        {{
          t('turnView.endFloatTo', {
            least: units.show(float.least, 'clearance'),
            most: units.say(float.most, 'clearance'),
            whose: WHOSE[float.whose],
          })
        }}
      </p>
      <CautionNote>{{ t('turnView.aCrankThatTurnsStifflyAt') }}</CautionNote>
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
