<script setup lang="ts">
import { t } from '~/words/of/sight'
import { oldShellWords, SAYS, ZONES } from '~/words/oldShell'
import { OLD_SHELLS, type OldShell } from '#core/bearing/shell'
import { shellSays, zonesThatDiffer } from '#core/parts/shellLook'
import { SHELL_ZONES, type ShellZone } from '#core/record/schema'

/** An old shell in its photo: five zones beside those of the last set, scores by a ruler in the picture. What is seen is a hand's word; a colour alone is none. */
const { reading, label, photos } = defineProps<{ reading: string; label: string; photos: readonly string[] }>()
const key = () => `${reading}.oldShell`
const shell = useShellLook(key, () => t('shell.change', { label }))
const zoneOf = (zone: ShellZone) => shell.look.value.zones[zone]
type Row = { zone: ShellZone }
const rows: Row[] = SHELL_ZONES.map((zone) => ({ zone }))
const seenAt = (zone: ShellZone) => (zoneOf(zone)?.seen ?? '') as OldShell | ''
const SEEN = [
  { value: '' as OldShell | '', words: t('shell.notLookedAt') },
  ...OLD_SHELLS.map((value) => ({ value, words: oldShellWords(value) })),
]
const FELT = [
  { value: '' as const, words: t('shell.notFelt') },
  { value: 'catches' as const, words: t('shell.catches') },
  { value: 'smooth' as const, words: t('shell.smooth') },
]
const says = computed(() => shellSays(shell.look.value))
const last = useLastSet(key)
const differ = computed(() => (last.look.value ? zonesThatDiffer(shell.look.value, last.look.value) : []))
const lastWords = (zone: ShellZone) => {
  const there = last.look.value?.zones[zone]
  if (!there) return t('shell.notLookedAt')
  return [oldShellWords(there.seen as OldShell), there.felt ? t(`shell.${there.felt}`) : ''].filter(Boolean).join(', ')
}
</script>

<template>
  <section class="shell-zones" :aria-label="t('shell.zonesOf', { label })" data-testid="shell-zones">
    <div class="sides">
      <div class="side">
        <h3>{{ t('shell.thisSet') }}</h3>
        <ShellMarks :shell="shell" :photos="photos" />
      </div>
      <div class="side">
        <h3>{{ t('shell.lastSet') }}</h3>
        <ChoiceField
          :label="t('shell.lastSetOf')"
          :value="last.chosen.value"
          :options="last.options.value"
          @choose="last.choose($event)"
        />
        <p v-if="last.problem.value" class="wrong" role="alert">{{ last.problem.value }}</p>
        <p v-else-if="last.chosen.value && last.none.value" class="quiet">{{ t('shell.noneThere') }}</p>
        <div v-for="each in last.pictures.value" :key="each.src" class="still">
          <img :src="each.src" :alt="t('shell.lastSet')" />
          <span
            v-for="{ zone, at: [x, y] } in each.zones"
            :key="zone"
            class="spot"
            :style="{ left: `${100 * x}%`, top: `${100 * y}%` }"
            >{{ ZONES[zone] }}</span
          >
        </div>
      </div>
    </div>
    <ResultTable
      :rows="rows"
      :label="t('shell.zonesOf', { label })"
      :attributes="({ zone }: Row) => ({ 'data-zone': zone })"
    >
      <Column :header="t('shell.zone')"
        ><template #body="{ data }: { data: Row }">{{ ZONES[data.zone] }}</template></Column
      ><Column :header="t('shell.seen')" class="words"
        ><template #body="{ data: { zone } }: { data: Row }"
          ><ChoiceField
            :label="t('shell.seenAt', { zone: ZONES[zone] })"
            :value="seenAt(zone)"
            :options="SEEN"
            @choose="shell.see(zone, $event, zoneOf(zone)?.felt)" /></template></Column
      ><Column :header="t('shell.fingernail')" class="words"
        ><template #body="{ data: { zone } }: { data: Row }"
          ><ChoiceField
            v-if="zoneOf(zone)"
            :label="t('shell.feltAt', { zone: ZONES[zone] })"
            :value="zoneOf(zone)!.felt ?? ''"
            :options="FELT"
            @choose="shell.see(zone, seenAt(zone), $event)" /></template></Column
      ><Column v-if="last.look.value" :header="t('shell.lastSet')" class="words"
        ><template #body="{ data: { zone } }: { data: Row }"
          >{{ lastWords(zone) }}<b v-if="differ.includes(zone)">, {{ t('shell.differs') }}</b></template
        ></Column
      >
    </ResultTable>
    <ul class="says" data-testid="shell-says">
      <li v-for="{ code, zones } in says" :key="code">
        <b>{{ zones.map((zone) => ZONES[zone]).join(', ') }}:</b> {{ SAYS[code] }}
      </li>
    </ul>
  </section>
</template>

<style scoped>
.shell-zones,
.side {
  display: grid;
  gap: 10px;
  align-content: start;
  justify-items: start;
}
.sides {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 320px), 1fr));
  gap: 20px;
  width: 100%;
}
h3 {
  margin: 0;
  font-size: 17px;
}
.still {
  position: relative;
  width: 100%;
  max-width: 560px;
}
.still img {
  display: block;
  width: 100%;
}
.spot {
  position: absolute;
  transform: translate(-50%, -50%);
  padding: 1px 6px;
  font-size: 15px;
  font-weight: 650;
  color: #fff;
  background: rgb(0 0 0 / 65%);
  white-space: nowrap;
}
.says {
  margin: 0;
  padding: 0;
  list-style: none;
}
.says li {
  padding: 3px 0;
  max-width: 72ch;
}
.wrong {
  color: var(--stop);
  margin: 0;
}
</style>
