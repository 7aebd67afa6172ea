<script setup lang="ts">
import { t } from '~/words/of/pickup'
import { pumpDisplacement } from '#core/parts/pumpReadings'
import type { ReadingKey } from '#core/parts/list'
import { recordedOrDefault, requireValue } from '#core/engine/values'

/** A dry sump: scavenge stage from the sump to the tank, pressure stage from the tank; heights to scale, the rest as it is joined. */
const build = useBuild()
const units = useUnits()
const of = (key: ReadingKey) => recordedOrDefault(build.sheet!, key)?.value
const head = computed(() => requireValue(build.sheet!, 'pickup.tankHead').value)
const scale = computed(() => Math.min(110 / Math.max(head.value, 0.02), 700))
const pump = 178
const level = computed(() => pump - head.value * scale.value)
</script>

<template>
  <div class="drawing-scroll">
    <svg
      class="drawing"
      viewBox="0 0 730 226"
      role="group"
      :aria-label="t('tankDrawing.drySumpOilInTheTank', { head: units.say(head, 'length') })"
      :data-scale="scale"
    >
      <path class="oil-wash" :d="`M 92 ${level} h 110 V 198 h -110 Z`" />
      <path class="line" :d="`M 92 ${Math.min(level - 22, 30)} V 198 H 202 V ${Math.min(level - 22, 30)}`" />
      <text x="147" y="216" text-anchor="middle" class="quiet-text">
        {{ t('tankDrawing.tank') }}
        <tspan v-if="of('pickup.tankVolume')" class="figure-text" dx="4">
          {{ units.say(of('pickup.tankVolume')!, 'volume') }}
        </tspan>
      </text>
      <path d="M 202 178 H 360" stroke="var(--oil)" stroke-width="9" fill="none" />
      <circle class="metal" cx="378" :cy="pump" r="20" />
      <text x="378" y="183" text-anchor="middle">P</text>
      <text x="378" y="216" text-anchor="middle" class="quiet-text">
        {{ t('tankDrawing.pressureStage') }}
        <tspan class="figure-text">{{ units.say(pumpDisplacement(build.sheet!).value, 'displacement') }}</tspan>
      </text>
      <path d="M 398 178 H 470" stroke="var(--oil)" stroke-width="9" fill="none" />
      <path d="M 466 170 l 14 8 l -14 8 z" class="oil" />
      <text x="486" y="183" class="quiet-text">{{ t('tankDrawing.toTheEngine') }}</text>
      <path class="line" d="M 470 96 H 500 V 128 H 640 V 96 H 668" />
      <text x="570" y="116" text-anchor="middle" class="quiet-text">{{ t('tankDrawing.sumpKeptDry') }}</text>
      <path
        d="M 560 128 V 146 H 436 V 60 H 408"
        stroke="var(--oil)"
        stroke-width="6"
        fill="none"
        stroke-dasharray="10 5"
      />
      <circle class="metal" cx="390" cy="60" r="20" />
      <text x="390" y="65" text-anchor="middle">S</text>
      <text x="390" y="30" text-anchor="middle" class="quiet-text">
        {{ t('tankDrawing.scavengeStage') }}
        <tspan class="figure-text">
          {{ of('pickup.scavenge') ? units.say(of('pickup.scavenge')!, 'displacement') : 'displacement?' }}
        </tspan>
      </text>
      <path d="M 370 60 H 170 V 46" stroke="var(--oil)" stroke-width="6" fill="none" stroke-dasharray="10 5" />
      <path class="thin" :d="`M 224 ${level} h 40 M 250 ${level} V ${pump} M 243 ${pump} h 14`" data-part="head" />
      <DrawnValue name="pickup.tankHead" :words="units.say(head, 'length')" :x="262" :y="(level + pump) / 2 + 4" />
    </svg>
  </div>
</template>
