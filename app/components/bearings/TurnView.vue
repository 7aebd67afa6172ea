<script setup lang="ts">
import { endFloatLimits } from '#core/bearing/float'
import { ruleOf } from '#core/house/limits'
import { judgeTurning, TURNING_CHECKS } from '#core/bearing/turning'
import { checksOf } from '#core/build/checks'
import { bearingsOf } from '#core/build/clearances'
import { turningOf } from '#core/progress/progress'

/** The crank turned after every cap: a jump names the cap and what to look at, in order. */
const build = useBuild()
const house = useHouse()
const turns = computed(() => checksOf(build.sheet!.layout).find((check) => check.key === 'bearings.turns')!)
const log = computed(() => turningOf(build.sheet!))
const judged = computed(() => judgeTurning(log.value.map((each) => each.torque)))
const cap = computed(() => (judged.value.cap === undefined ? undefined : log.value[judged.value.cap].main))
const float = computed(() => endFloatLimits(bearingsOf(build.sheet!, 'main')[0].diameter, ruleOf(build.sheet!, 'float.endLeast')))
const torque = (value: number) => house.say(value, 'torque')
</script>

<template>
  <div class="columns">
    <section>
      <h2>Torque to turn, after each cap</h2>
      <p class="quiet">Oiled, rods off, caps tightened one by one from the middle out or as the maker says.</p>
      <ReadingRow v-for="main in build.sheet!.layout.mains" :key="main" :name="`turning.${main}`" run="turning" />
    </section>
    <section>
      <h2>What it says</h2>
      <JudgementLine v-if="cap !== undefined" :verdict="judged.verdict" data-testid="turning">
        <b>Main {{ cap }} {{ judged.verdict }}: its cap added {{ torque(judged.jump) }}, the others {{ torque(judged.usual) }}.</b>
        {{ judged.verdict === 'stop' ? 'Stop. Do not press on and do not start it: take its shells out.' : 'Turn on with care and look at it before the next cap.' }}
      </JudgementLine>
      <JudgementLine v-else-if="log.length > 1" verdict="pass" data-testid="turning"><b>No cap makes it stiff.</b> Each adds about {{ torque(judged.usual) }}.</JudgementLine>
      <p v-else class="quiet">Two caps or more say whether one of them binds.</p>
      <ol v-if="cap !== undefined" class="checks"><li v-for="check in TURNING_CHECKS" :key="check">{{ check }}</li></ol>
      <h2 class="next">The crank</h2>
      <CheckRow :item="turns" />
      <ReadingRow name="thrust.endFloat" run="turning" />
      <p class="quiet">End float {{ house.show(float.least, 'clearance') }} to {{ house.say(float.most, 'clearance') }} by house rule; the maker’s figure stands above it.</p>
      <CautionNote>A crank that turns stiffly at the right torque has something behind a shell or under a cap. Stop, take the shells out, look at their backs.</CautionNote>
    </section>
  </div>
</template>

<style scoped>
.checks { margin: 6px 0 0; padding-left: 22px; line-height: 1.6; }
.next { margin-top: 22px; }
</style>
