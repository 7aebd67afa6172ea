<script setup lang="ts">
import { TOKEN_KINDS, type TokenKind } from '#core/house/people'
import { many, stretch } from '~/composables/words'
import { ask, refusedWords } from '~/sync/ask'
import type { AccessKept } from '~/sync/routes'

/** Who is signed in where, tokens for loggers and scripts, and the log of all of it: an owner's. */
const access = useAccess()
const person = usePerson()
const kept = shallowRef<AccessKept>()
const problem = ref('')
const now = useClock(30_000)

async function load() {
  kept.value = await ask('GET /api/people').catch(() => undefined)
}
onMounted(load)

/** A browser as people say it: the device, not the version. */
const deviceOf = (agent: string) =>
  /tablet/i.test(agent)
    ? 'a tablet'
    : /mobi/i.test(agent)
      ? 'a phone or tablet'
      : agent.includes('(')
        ? 'a computer'
        : agent
          ? agent.slice(0, 30)
          : 'a program'
const ago = (at: string) =>
  now.value - new Date(at).getTime() < 60_000 ? 'just now' : `${stretch(now.value - new Date(at).getTime())} ago`
const when = (at: string) =>
  new Date(at).toLocaleString(undefined, { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })
const KINDS: Record<TokenKind, string> = {
  logger: 'Logger: sends readings to runs',
  script: 'Script: what a builder may',
}
const WHAT: Record<string, string> = {
  'passphrase-right': 'knew the passphrase',
  'passphrase-wrong': 'wrong passphrase',
  'pin-right': 'signed in',
  'pin-wrong': 'wrong PIN',
  waits: 'tried again too soon',
  'signed-out': 'signed out',
  'session-ended': 'was ended',
  'passphrase-set': 'passphrase set',
  'person-added': 'added',
  'person-gone': 'removed',
  'role-changed': 'role changed',
  'pin-set': 'PIN set',
  'pin-taken': 'PIN taken away',
  unlocked: 'unlocked',
  'token-made': 'token made',
  'token-ended': 'token ended',
}
const name = ref('')
const kind = ref<TokenKind>('logger')
const made = ref<{ name: string; secret: string }>()
async function act(work: () => Promise<unknown>) {
  problem.value = ''
  try {
    await work()
    await load()
  } catch (error) {
    problem.value = refusedWords(error)
  }
}
const endSession = (session: string) => act(() => ask('DELETE /api/sessions/:session', { at: { session } }))
const endToken = (token: string) => act(() => ask('DELETE /api/tokens/:token', { at: { token } }))
const makeToken = () =>
  act(async () => {
    if (!name.value.trim()) return void (problem.value = 'Give the token a name: what it enters carries it.')
    made.value = await ask('POST /api/tokens', {
      body: { name: name.value.trim(), kind: kind.value, ...(access.needed ? {} : { who: person.who || 'Someone' }) },
    })
    name.value = ''
  })
</script>

<template>
  <div v-if="kept" class="access">
    <section aria-label="Devices signed in">
      <h2>Signed in</h2>
      <p v-if="kept.sessions.length === 0" class="quiet">No device is.</p>
      <div v-for="each in kept.sessions" :key="each.id" class="row wide" :data-session="each.person ?? 'nobody'">
        <span class="what"
          >{{ each.person ?? 'Nobody yet' }}, on {{ deviceOf(each.agent)
          }}<span class="origin"
            >{{ each.address }}, since {{ when(each.began) }}, last seen {{ ago(each.seen) }}</span
          ></span
        >
        <Button
          type="button"
          variant="outlined"
          :aria-label="`End the session of ${each.person ?? 'nobody'}`"
          @click="endSession(each.id)"
          >End it</Button
        >
      </div>
    </section>
    <section aria-label="Tokens">
      <h2>Loggers and scripts</h2>
      <div v-for="each in kept.tokens" :key="each.id" class="row wide">
        <span class="what"
          >{{ each.name
          }}<span class="origin"
            >{{ KINDS[each.kind] }}; made by {{ each.madeBy }} {{ when(each.madeAt) }},
            {{ each.usedAt ? `last used ${ago(each.usedAt)}` : 'never used' }}</span
          ></span
        >
        <Button type="button" variant="outlined" :aria-label="`End the token ${each.name}`" @click="endToken(each.id)"
          >End it</Button
        >
      </div>
      <form class="adding" @submit.prevent="makeToken">
        <InputText
          v-model="name"
          maxlength="60"
          aria-label="Name of the token"
          placeholder="name, such as Bench logger"
        /><ChoiceField
          label="Kind of token"
          :value="kind"
          :options="TOKEN_KINDS.map((each) => ({ value: each, words: KINDS[each] }))"
          @choose="kind = $event"
        /><Button type="submit" variant="outlined">Make token</Button>
      </form>
      <p v-if="made" class="made" role="status">
        Token of {{ made.name }}, shown this once:
        <code class="print" data-testid="secret">{{ made.secret }}</code> Send it as
        <code>authorization: Bearer …</code>.
      </p>
    </section>
    <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
    <section aria-label="Log of access">
      <h2>Log</h2>
      <p class="quiet">
        {{ kept.passphrase ? 'The newest' : 'No passphrase is set. The newest' }} {{ many(kept.log.length, 'line') }};
        it is never altered.
      </p>
      <ul class="log" tabindex="0" aria-label="Log">
        <li v-for="line in kept.log" :key="line.number">
          <span class="mono quiet">{{ when(line.at) }}</span>{{ ' ' }}<b>{{ line.subject || 'A device' }}</b>
          {{ WHAT[line.what] ?? line.what
          }}<span class="quiet"
            >{{ line.who && line.who !== line.subject ? `, by ${line.who}` : '' }}, from {{ line.address }}</span
          >
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.access {
  display: grid;
  gap: 26px;
  margin-top: 26px;
}
.print {
  display: block;
  font-family: var(--mono);
  overflow-wrap: anywhere;
  border-left: 6px solid var(--watch);
  padding: 4px 0 4px 12px;
  margin: 6px 0;
}
.adding {
  display: flex;
  gap: 10px;
  padding: 12px 0;
  flex-wrap: wrap;
}
.p-inputtext {
  height: 44px;
  font-size: 16px;
  flex: 1;
  min-width: 180px;
  max-width: 320px;
}
.made {
  border: 1px solid var(--watch);
  border-left-width: 6px;
  padding: 10px 14px;
}
.log {
  list-style: none;
  padding: 0;
  margin: 0;
  max-height: 340px;
  overflow-y: auto;
}
.log li {
  padding: 6px 0;
  border-top: 1px solid var(--rule);
}
.wrong {
  color: var(--stop);
}
</style>
