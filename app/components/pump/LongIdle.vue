<script setup lang="ts">
/** What the gauge reads once it has idled for hours, and what rides on the cams then lives on. */
const build = useBuild()
const units = useUnits()
const outlook = useOutlook()
const { value: idling } = useAnswer(
  (_, slow) => (build.sheet ? slow().longIdle(build.sheet) : undefined),
  () => outlook.now,
)
const p = (value: number) => units.show(value, 'pressure', units.fine)
/** What so much idling does to what rides on the cams. */
const idleWords = computed(() => {
  if (!idling.value) return ''
  const { often, followers, verdict } = idling.value
  const what = followers === 'roller' ? 'Lifter rollers and their needles' : 'Sliding followers'
  if (verdict === 'assumed') return 'Mains, rods or pump stand on layout values: no word on it yet.'
  if (verdict === 'void') return 'Void until what is named above is mended.'
  if (verdict === 'pass')
    return often
      ? `${what} live on splash at idle: fast idle now and then, and oil changed by hours.`
      : `${what} have what they need.`
  return `${what} wear at so little${often ? ', and it idles for hours' : ''}: a faster idle, a longer rotor or thicker oil raises it.`
})
</script>

<template>
  <section v-if="idling" class="block" data-testid="long-idle">
    <div class="block-head">
      <h2>Idling for hours</h2>
      <span class="note">long idling at low pressure wears followers and lifter rollers</span>
    </div>
    <div class="columns">
      <div><ReadingRow name="brief.idleHours" /><ReadingRow name="brief.idleOil" /></div>
      <div>
        <div class="row">
          <span class="what"
            >Idle hot by then<span class="origin"
              >oil at {{ units.say(idling.temperature, 'temperature')
              }}{{ idling.read ? '' : ', assumed: the brief’s hot oil'
              }}{{
                idling.seen === undefined ? '' : `; by the ${units.say(idling.seen, 'pressure', units.fine)} read`
              }}</span
            ></span
          ><span class="figure"
            >{{ p(idling.now.pressure)
            }}<span class="unit">{{ p(idling.now.low) }} to {{ p(idling.now.high) }}</span></span
          >
        </div>
        <div class="row">
          <span class="what">With rotors a tenth longer</span
          ><span class="figure"
            >{{ p(idling.longer.pressure)
            }}<span class="unit">{{ p(idling.longer.low) }} to {{ p(idling.longer.high) }}</span></span
          >
        </div>
      </div>
    </div>
    <JudgementLine :verdict="idling.verdict"
      ><b
        >{{ units.say(idling.now.pressure, 'pressure', units.fine) }} at idle after hours of it, wanted
        {{ units.say(idling.least, 'pressure', units.fine) }}.</b
      >
      {{ idleWords }}</JudgementLine
    >
  </section>
</template>
