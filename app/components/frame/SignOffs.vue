<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/frame'
import { quantityAt } from '#core/engine/values'
import { type Decision, type Proposal, suffices } from '#core/house/people'
import { ask, Refused, refusedWords } from '~/sync/ask'
import { timeOf } from '~/words/dates'

/** An apprentice's changes that wait: until a builder has signed them off they move no prediction and no verdict. */
const access = useAccess()
const build = useBuild()
const units = useUnits()
const person = usePerson()
const problem = ref('')
/** A change over which somebody wrote since: entered only when that has been seen. */
const over = ref<number>()
const open = ref(false)
const own = computed(
  () => access.people.find(({ name }) => name === person.who)?.role ?? access.person?.role ?? 'owner',
)
const signs = computed(() => suffices(own.value, 'builder'))
const lines = computed(() =>
  build.proposals.map((proposal) => ({
    proposal,
    words: wordsOf(proposal),
    at: timeOf(proposal.at),
  })),
)

/** What it says, in the chosen units where it is a reading of this engine. */
function wordsOf({ patch }: Proposal): string {
  const said = patch.slice(0, 3).map(({ op, path, value }) => {
    const quantity = quantityAt(build.sheet!, path.replace('/readings/', ''))
    const label = quantity?.label ?? path.split('/').slice(2).join(' ').replaceAll('.', ' ')
    if (op === 'remove') return t('signOffs.takenOut', { label })
    const reading = value as { value?: number; finding?: string; state?: string } | string | number | null
    if (quantity && typeof reading === 'object' && reading?.value !== undefined)
      return `${label} ${units.say(reading.value, quantity.dimension)}`
    return `${label} ${typeof reading === 'object' ? (reading?.finding ?? reading?.state ?? 'changed') : String(reading)}`
  })
  return `${said.join(', ')}${patch.length > 3 ? t('signOffs.andMore', { count: patch.length - 3 }) : ''}`
}
async function decide({ number }: Proposal, decision: Decision) {
  problem.value = ''
  try {
    await ask('POST /api/builds/:build/proposals/:number', {
      at: { build: build.id!, number },
      body: {
        decision,
        ...(over.value === number ? { over: true } : {}),
        ...(access.needed ? {} : { who: person.who || 'Someone' }),
      },
    })
    over.value = undefined
    return true
  } catch (error) {
    const conflict = error instanceof Refused && error.refusal.code === 'conflict'
    if (conflict) over.value = number
    problem.value = refusedWords(error) + (conflict ? ` ${t('signOffs.signItOffAgainToEnter')}` : '')
    return false
  } finally {
    await build.loadProposals()
  }
}
/** What the server has: what is still on its way from here has no number. */
const sent = computed(() => lines.value.filter(({ proposal }) => proposal.number > 0))
async function signAll() {
  for (const { proposal } of [...sent.value]) if (!(await decide(proposal, 'signed'))) return
}
</script>

<template>
  <section
    v-if="lines.length > 0"
    class="sign-offs"
    :aria-label="t('signOffs.waitingForSignOff')"
    data-testid="sign-offs"
  >
    <div class="head">
      <p>
        <b>{{
          t('signOffs.forABuildersSignOff', {
            count:
              lines.length === 1 ? t('signOffs.n1ChangeWaits') : t('signOffs.changesWait', { count: lines.length }),
          })
        }}</b>{{ ' ' }}<span class="quiet">{{ t('signOffs.andNothingUntilThen', {}, lines.length) }}</span>
      </p>
      <span class="actions"
        ><Button v-if="signs && sent.length > 1" type="button" @click="signAll">{{
          t('signOffs.signOffAll', { count: sent.length })
        }}</Button
        ><Button v-if="lines.length > 3" type="button" variant="outlined" :aria-expanded="open" @click="open = !open">{{
          open ? t('signOffs.showFewer') : t('signOffs.showAll')
        }}</Button></span
      >
    </div>
    <ul>
      <li
        v-for="line in open ? lines : lines.slice(0, 3)"
        :key="line.proposal.clientKey"
        :data-proposal="line.proposal.number"
      >
        <span
          >{{ named(line.words) }}<span class="quiet">, {{ line.proposal.who }}, {{ line.at }}</span></span
        >
        <span v-if="line.proposal.number === 0" class="quiet">{{ t('signOffs.onItsWay') }}</span>
        <span v-else class="actions">
          <Button
            v-if="signs"
            type="button"
            :variant="lines.length > 1 ? 'outlined' : undefined"
            :aria-label="t('signOffs.signOff', { line: named(line.words) })"
            @click="decide(line.proposal, 'signed')"
            >{{ over === line.proposal.number ? t('signOffs.signOffOverIt') : t('signOffs.signOff2') }}</Button
          >
          <Button
            v-if="signs"
            type="button"
            variant="outlined"
            :aria-label="t('signOffs.sendBack', { line: named(line.words) })"
            @click="decide(line.proposal, 'sent-back')"
            >{{ t('signOffs.sendBack2') }}</Button
          >
          <Button
            v-if="line.proposal.who === person.who"
            type="button"
            variant="outlined"
            :aria-label="t('signOffs.takeBack', { line: named(line.words) })"
            @click="decide(line.proposal, 'taken-back')"
            >{{ t('signOffs.takeBack2') }}</Button
          >
        </span>
      </li>
    </ul>
    <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
  </section>
</template>

<style scoped>
.sign-offs {
  border: 1px dashed var(--petrol);
  border-left: 6px solid var(--petrol);
  padding: 8px 14px;
  margin-bottom: 14px;
}
.head,
li {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 16px;
  justify-content: space-between;
  align-items: center;
}
.head {
  padding-bottom: 8px;
}
p {
  margin: 4px 0;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  border-top: 1px solid var(--rule);
  padding: 6px 0;
}
.wrong {
  color: var(--stop);
}
@media print {
  .actions {
    display: none;
  }
}
</style>
