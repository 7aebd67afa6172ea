<script setup lang="ts">
import type { Instrument } from '#core/house/schema'
import { SIMULATED_GAUGE } from '#core/rig/gauge'

/** The shop's instruments: step, repeatability and last zero feed every reading's uncertainty. */
const shop = useShop()
const change = (at: number, next: Partial<Instrument>) =>
  shop.save((house) => Object.assign(house.instruments[at], next))
const name = ref('')
const problem = ref('')
async function add() {
  const title = name.value.trim()
  if (!title) return void (problem.value = 'Give it a name.')
  if (shop.house.instruments.some((each) => each.name === title))
    return void (problem.value = `“${title}” is there already.`)
  problem.value = ''
  name.value = ''
  await shop.save((house) => house.instruments.push({ name: title, resolution: 1e-5, repeatability: 1e-5 }))
}
/** A gauge for training: in the hand, its button types what it shows. */
const addSimulated = () =>
  shop.save((house) => house.instruments.push({ name: SIMULATED_GAUGE, resolution: 1e-6, repeatability: 1e-6 }))
const when = (at?: string) =>
  at ? new Date(at).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' }) : 'never'
</script>

<template>
  <div>
    <table>
      <thead>
        <tr>
          <th scope="col">Instrument</th>
          <th scope="col">step</th>
          <th scope="col">repeats within</th>
          <th scope="col">zero checked</th>
          <th scope="col"><span class="hidden-but-read">Tools</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(each, i) in shop.house.instruments" :key="each.name" :data-instrument="each.name">
          <th scope="row">{{ each.name }}</th>
          <td>
            <QuantityField
              :value="each.resolution"
              dimension="clearance"
              :range="[1e-7, 1e-3]"
              :label="`${each.name}, step`"
              @write="$event && change(i, { resolution: $event })"
            />
          </td>
          <td>
            <QuantityField
              :value="each.repeatability"
              dimension="clearance"
              :range="[0, 1e-3]"
              :label="`${each.name}, repeatability`"
              @write="$event !== undefined && change(i, { repeatability: $event })"
            />
          </td>
          <td>{{ when(each.zeroedAt) }}</td>
          <td class="tools">
            <button type="button" @click="change(i, { zeroedAt: new Date().toISOString() })">Zero checked</button
            ><button
              type="button"
              :aria-label="`Remove ${each.name}`"
              @click="shop.save((next) => next.instruments.splice(i, 1))"
            >
              Remove
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <form class="adding" @submit.prevent="add">
      <label
        >New instrument
        <InputText v-model="name" maxlength="80" aria-label="Name of the instrument" :aria-invalid="!!problem" /></label
      ><Button type="submit" variant="outlined">Add it</Button
      ><Button
        v-if="!shop.house.instruments.some((each) => each.name === SIMULATED_GAUGE)"
        type="button"
        variant="outlined"
        @click="addSimulated"
        >Add a simulated gauge</Button
      ><span v-if="problem" class="wrong" role="alert">{{ problem }}</span>
    </form>
    <p class="quiet">
      A reading’s uncertainty is half a step, the repeatability, and half a step more for each week since the zero was
      checked, up to two steps.
    </p>
    <h2 class="next">Strip scales</h2>
    <div v-for="strip in shop.house.strips" :key="strip.name" class="row">
      <span class="what"
        >{{ strip.name }}<span class="origin">{{ strip.lines.length }} lines on its sleeve</span></span
      >
    </div>
  </div>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
}
th,
td {
  text-align: left;
  height: 48px;
  border-top: 1px solid var(--rule);
  font-weight: 400;
  padding: 2px 14px 2px 0;
}
thead th {
  border: 0;
  color: var(--quiet);
  height: auto;
}
tbody th {
  font-weight: 600;
}
.tools {
  text-align: right;
  white-space: nowrap;
}
.tools button {
  min-height: 44px;
  border: 0;
  background: none;
  color: var(--petrol);
  font-weight: 600;
  cursor: pointer;
  padding: 0 8px;
}
.adding {
  display: flex;
  gap: 12px;
  align-items: center;
  padding: 12px 0;
  flex-wrap: wrap;
}
.adding .p-inputtext {
  height: 44px;
  width: 230px;
  font-size: 16px;
  margin-left: 8px;
}
.next {
  margin-top: 22px;
}
.wrong {
  color: var(--stop);
}
</style>
