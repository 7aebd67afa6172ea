<script setup lang="ts">
import { ask } from '~/sync/ask'
import type { Network } from '~/sync/routes'
/** How tablets reach this server, and come to trust it. */
const network = shallowRef<Network>()
const code = ref('')
onMounted(async () => {
  network.value = await ask('GET /api/network').catch(() => undefined)
  const at = network.value?.door ?? network.value?.address
  if (at)
    code.value = await (await import('qrcode')).toString(at, { type: 'svg', margin: 1, errorCorrectionLevel: 'M' })
})
</script>

<template>
  <section aria-label="Network">
    <h2>Tablets on the shop’s network</h2>
    <p v-if="network && !network.open">
      The network is not let in: only this machine reaches Uldo. Set a passphrase with <code>npm run passphrase</code>,
      then start with <code>ULDO_HOST=0.0.0.0 npm start</code>.
    </p>
    <div v-else-if="network" class="trust">
      <!-- eslint-disable-next-line vue/no-v-html -- made here from an address -->
      <span class="code" role="img" :aria-label="`Code of ${network.door ?? network.address}`" v-html="code" />
      <div>
        <p class="address mono">{{ network.address }}</p>
        <template v-if="network.own">
          <ol>
            <li>
              Point the tablet’s camera at the code, or type <span class="mono">{{ network.door }}</span> there. It
              shows a page without anything of the records.
            </li>
            <li>
              Get the shop’s certificate on that page and open the file. On some tablets it shows up as a profile in the
              settings and is then switched on under certificate trust; on others it is installed under security, as a
              certificate authority. A browser with certificates of its own takes it in its settings, under authorities.
            </li>
            <li>
              Compare its SHA-256 fingerprint, pair by pair, with this one. If one differs, stop.<code class="print"
                ><template v-for="(pair, i) in network.fingerprint!.split(/(?<=:)/)" :key="i"
                  >{{ pair }}<wbr /></template
              ></code>
            </li>
            <li>Go on to Uldo, type the shop’s passphrase once, and sign in.</li>
          </ol>
          <p class="quiet">
            Without it a browser warns, and neither works without the network nor lets the camera and the awake screen
            be used. It vouches only for addresses inside a private network.
          </p>
        </template>
        <p v-else class="quiet">
          The certificate is one that was brought with ULDO_TLS_CERT. Fingerprint:
          <code class="print"
            ><template v-for="(pair, i) in network.fingerprint!.split(/(?<=:)/)" :key="i">{{ pair }}<wbr /></template
          ></code>
        </p>
      </div>
    </div>
  </section>
</template>

<style scoped>
.trust {
  display: grid;
  grid-template-columns: 190px 1fr;
  gap: 26px;
  align-items: start;
}
.code {
  background: #fff;
  padding: 6px;
  width: 190px;
  height: 190px;
}
.code :deep(svg) {
  display: block;
  width: 100%;
  height: 100%;
}
.address {
  font-size: 20px;
  margin: 0 0 6px;
  overflow-wrap: anywhere;
}
ol {
  padding-left: 20px;
  margin: 0;
  max-width: 76ch;
}
li {
  margin: 8px 0;
}
.print {
  display: block;
  font-family: var(--mono);
  border-left: 6px solid var(--watch);
  padding: 4px 0 4px 12px;
  margin: 6px 0;
}
@media (max-width: 760px) {
  .trust {
    grid-template-columns: 1fr;
  }
}
</style>
