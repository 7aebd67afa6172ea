<script setup lang="ts">
import { t } from '~/words/of/house'
import { whole } from '~/words/numbers'
import { zodResolver } from '@primevue/forms/resolvers/zod'
import { NewToken } from '#core/house/forms'
import { TOKEN_KINDS, type TokenKind } from '#core/house/people'
import { stretch } from '~/composables/words'
import { ask, refusedWords } from '~/sync/ask'
import type { AccessKept } from '~/sync/routes'
import { momentOf } from '~/words/dates'

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
    ? t('accessList.aTablet')
    : /mobi/i.test(agent)
      ? t('accessList.aPhoneOrTablet')
      : agent.includes('(')
        ? t('accessList.aComputer')
        : agent
          ? agent.slice(0, 30)
          : t('accessList.aProgram')
const ago = (at: string) =>
  now.value - new Date(at).getTime() < 60_000
    ? t('accessList.justNow')
    : t('accessList.ago', { now: stretch(now.value - new Date(at).getTime()) })
const KINDS: Record<TokenKind, string> = {
  logger: t('accessList.loggerSendsReadingsToRuns'),
  script: t('accessList.scriptWhatABuilderMay'),
}
const WHAT: Record<string, string> = {
  'passphrase-right': t('accessList.knewThePassphrase'),
  'passphrase-wrong': t('accessList.wrongPassphrase'),
  'pin-right': t('accessList.signedIn2'),
  'pin-wrong': t('accessList.wrongPin'),
  waits: t('accessList.triedAgainTooSoon'),
  'signed-out': t('accessList.signedOut'),
  'session-ended': t('accessList.wasEnded'),
  'passphrase-set': t('accessList.passphraseSet'),
  'person-added': 'added',
  'person-gone': 'removed',
  'role-changed': t('accessList.roleChanged'),
  'pin-set': t('accessList.pinSet'),
  'pin-taken': t('accessList.pinTakenAway'),
  unlocked: 'unlocked',
  'token-made': t('accessList.tokenMade'),
  'token-ended': t('accessList.tokenEnded'),
  'link-made': t('accessList.linkMade'),
  'link-used': t('accessList.linkUsed'),
  'link-ended': t('accessList.linkEnded'),
}
const resolver = zodResolver(NewToken.pick({ name: true }))
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
function makeToken({ valid, values, reset }: { valid: boolean; values?: unknown; reset: () => void }) {
  if (!valid) return
  const token = NewToken.parse({ kind: kind.value, ...(values as object) })
  void act(async () => {
    made.value = await ask('POST /api/tokens', {
      body: { ...token, ...(access.needed ? {} : { who: person.who || 'Someone' }) },
    })
    reset()
  })
}
</script>

<template>
  <div v-if="kept" class="access">
    <section :aria-label="t('accessList.devicesSignedIn')">
      <h2>{{ t('accessList.signedIn') }}</h2>
      <p v-if="kept.sessions.length === 0" class="quiet">{{ t('accessList.noDeviceIs') }}</p>
      <div v-for="each in kept.sessions" :key="each.id" class="row wide" :data-session="each.person ?? 'nobody'">
        <span class="what"
          >{{ t('accessList.on', { person: each.person ?? t('accessList.nobodyYet'), deviceOf: deviceOf(each.agent) })
          }}<span class="origin">{{
            t('accessList.sinceLastSeen', { address: each.address, began: momentOf(each.began), ago: ago(each.seen) })
          }}</span></span
        >
        <Button
          type="button"
          variant="outlined"
          :aria-label="t('accessList.endTheSessionOf', { person: each.person ?? t('accessList.nobody') })"
          @click="endSession(each.id)"
          >{{ t('accessList.endIt') }}</Button
        >
      </div>
    </section>
    <section :aria-label="t('accessList.tokens')">
      <h2>{{ t('accessList.loggersAndScripts') }}</h2>
      <div v-for="each in kept.tokens" :key="each.id" class="row wide">
        <span class="what"
          >{{ each.name
          }}<span class="origin">{{
            t('accessList.madeBy', {
              kinds: KINDS[each.kind],
              madeBy: each.madeBy,
              madeAt: momentOf(each.madeAt),
              usedAt: each.usedAt ? t('accessList.lastUsed', { ago: ago(each.usedAt) }) : t('accessList.neverUsed'),
            })
          }}</span></span
        >
        <Button
          type="button"
          variant="outlined"
          :aria-label="t('accessList.endTheToken', { name: each.name })"
          @click="endToken(each.id)"
          >{{ t('accessList.endIt') }}</Button
        >
      </div>
      <Form class="adding" :resolver="resolver" :initial-values="{ name: '' }" @submit="makeToken">
        <FormLine
          name="name"
          :label="t('accessList.nameOfTheToken')"
          maxlength="60"
          :placeholder="t('accessList.suchAsBenchLogger')"
        /><ChoiceField
          :label="t('accessList.kindOfToken')"
          :value="kind"
          :options="TOKEN_KINDS.map((each) => ({ value: each, words: KINDS[each] }))"
          @choose="kind = $event"
        /><Button type="submit" variant="outlined">{{ t('accessList.makeToken') }}</Button>
      </Form>
      <p v-if="made" class="made" role="status">
        {{ t('accessList.tokenOfShownThisOnce', { name: made.name }) }}
        <code class="print" data-testid="secret">{{ made.secret }}</code> {{ t('accessList.sendItAs') }}
        <code>authorization: Bearer …</code>.
      </p>
    </section>
    <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
    <section :aria-label="t('accessList.logOfAccess')">
      <h2>{{ t('accessList.log') }}</h2>
      <p class="quiet">
        {{
          t('accessList.itIsNeverAltered', {
            passphrase: kept.passphrase ? t('accessList.theNewest') : t('accessList.noPassphraseIsSetTheNewest'),
            count: t('accessList.lineLines', { n: whole(kept.log.length) }, kept.log.length),
          })
        }}
      </p>
      <ul class="log" tabindex="0" :aria-label="t('accessList.log')">
        <li v-for="line in kept.log" :key="line.number">
          <span class="mono quiet">{{ momentOf(line.at) }}</span>{{ ' '
          }}<b>{{ line.subject || t('accessList.aDevice') }}</b> {{ WHAT[line.what] ?? line.what
          }}<span class="quiet">{{
            t('accessList.from', {
              who: line.who && line.who !== line.subject ? t('accessList.by', { who: line.who }) : '',
              address: line.address,
            })
          }}</span>
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
  align-items: end;
}
.adding .form-line {
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
