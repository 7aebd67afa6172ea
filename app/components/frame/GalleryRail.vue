<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/frame'
import { PAGES } from '~/composables/stations'

const build = useBuild()
const route = useRoute()
const outlook = useOutlook()
/** What the record holds, and what the model finds in it: a suction that starves is the pickup's. */
const progress = computed(() =>
  build.progress.map((each) =>
    each.station === 'pickup' && outlook.now?.starvesFrom !== undefined && each.verdict !== 'stop'
      ? { ...each, verdict: 'watch' as const }
      : each,
  ),
)
const taps = computed(() =>
  PAGES.map(({ page, title }) => {
    const own = progress.value.find((each) => each.station === page)
    const missing = own ? own.wanted - own.done : 0
    return {
      page,
      title,
      missing,
      own,
      fill: !own ? 'none' : missing === 0 ? 'full' : own.done > 0 ? 'half' : 'none',
      here: route.path.endsWith(`/${page}`),
    }
  }),
)
/** How far the line is filled: down to the first station that still wants something. */
const filled = computed(() => {
  const first = taps.value.findIndex((tap) => tap.own && tap.missing > 0)
  const share =
    (first < 0 ? taps.value.length : first + (taps.value[first].fill === 'half' ? 0.7 : 0.25)) / taps.value.length
  return `${(100 * share).toFixed(1)}%`
})
</script>

<template>
  <nav class="rail" :aria-label="t('galleryRail.stations')">
    <ol :style="{ '--filled': filled }">
      <li v-for="(tap, i) in taps" :key="tap.page">
        <NuxtLink
          :to="stationPath(build.id ?? '', tap.page)"
          :class="{ here: tap.here }"
          :aria-current="tap.here ? 'page' : undefined"
          :data-number="i + 1"
        >
          <span class="tap" :class="tap.fill" aria-hidden="true" />
          <span class="title" :class="tap.own?.verdict"
            >{{ tap.title
            }}<span v-if="tap.own?.verdict === 'stop' || tap.own?.verdict === 'watch'" class="hidden-but-read"
              >, {{ named(tap.own.verdict) }}</span
            ></span
          >
          <span v-if="tap.missing > 0" class="missing">{{ t('galleryRail.left', { missing: tap.missing }) }}</span>
        </NuxtLink>
      </li>
    </ol>
  </nav>
</template>

<style scoped>
ol {
  list-style: none;
  margin: 18px 0;
  padding: 0 10px 0 0;
  position: relative;
}
ol::before {
  content: '';
  position: absolute;
  left: 31px;
  top: 0;
  bottom: 0;
  width: 13px;
  border: 1px solid var(--rule);
  border-radius: 7px;
  background:
    linear-gradient(var(--oil) 0 0) top / 100% var(--filled) no-repeat,
    var(--metal);
}
a {
  display: grid;
  grid-template-columns: auto 1fr auto;
  align-items: center;
  gap: 8px;
  min-height: 46px;
  padding-left: 36px;
  color: var(--ink);
  text-decoration: none;
  position: relative;
}
a:hover .title {
  text-decoration: underline;
  text-underline-offset: 5px;
}
.tap {
  width: 33px;
  height: 13px;
  position: relative;
}
.tap::before {
  content: '';
  position: absolute;
  left: 2px;
  right: 12px;
  top: 6px;
  height: 1.5px;
  background: var(--quiet);
}
.tap::after {
  content: '';
  position: absolute;
  right: 0;
  top: 0;
  width: 13px;
  height: 13px;
  border-radius: 50%;
  border: 1.5px solid var(--field);
  background: var(--paper);
}
.tap.full::after {
  background: var(--oil);
  border-color: var(--oil);
}
.tap.half::after {
  background: linear-gradient(var(--paper) 50%, var(--oil) 50%);
  border-color: var(--oil);
}
.title {
  font-size: 16px;
  white-space: nowrap;
  padding-bottom: 2px;
  border-bottom: 3px solid transparent;
  justify-self: start;
}
.title.watch {
  border-bottom: 3px dotted var(--watch);
}
.title.stop {
  border-bottom-color: var(--stop);
}
.here .title {
  color: var(--petrol);
  font-weight: 700;
}
.here .tap::before {
  background: var(--petrol);
  height: 3px;
  top: 5px;
  left: -5px;
}
.missing {
  color: var(--quiet);
  white-space: nowrap;
}
@media (max-width: 1099px) {
  a {
    padding-left: 20px;
    gap: 7px;
  }
  ol::before {
    left: 15px;
  }
  .tap {
    width: 26px;
  }
}
@media (max-width: 760px) {
  ol {
    display: flex;
    margin: 0;
    padding: 0;
  }
  ol::before {
    left: 0;
    right: 0;
    width: auto;
    top: 0;
    bottom: auto;
    height: 6px;
    border-radius: 0;
    background:
      linear-gradient(var(--oil) 0 0) left / var(--filled) 100% no-repeat,
      var(--metal);
  }
  a {
    padding: 6px 12px 0;
    white-space: nowrap;
  }
  .tap,
  .missing {
    display: none;
  }
}
</style>
