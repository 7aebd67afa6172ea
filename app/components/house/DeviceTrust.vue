<script setup lang="ts">
import { t } from '~/words/of/house'
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
  <section :aria-label="t('deviceTrust.network')">
    <h2>{{ t('deviceTrust.tabletsOnTheShopsNetwork') }}</h2>
    <p v-if="network && !network.open">
      {{ t('deviceTrust.theNetworkIsNotLetIn') }} <code>npm run passphrase</code>{{ t('deviceTrust.thenStartWith') }}
      <code>ULDO_HOST=0.0.0.0 npm start</code>.
    </p>
    <div v-else-if="network" class="trust">
      <!-- eslint-disable-next-line vue/no-v-html -- made here from an address -->
      <span
        class="code"
        role="img"
        :aria-label="t('deviceTrust.codeOf', { door: network.door ?? network.address })"
        v-html="code"
      />
      <div>
        <p class="address mono">{{ network.address }}</p>
        <template v-if="network.own">
          <ol>
            <li>
              {{ t('deviceTrust.pointTheTabletsCameraAtThe') }} <span class="mono">{{ network.door }}</span>
              {{ t('deviceTrust.thereItShowsAPageWithout') }}
            </li>
            <li>
              {{ t('deviceTrust.getTheShopsCertificateOnThat') }}
            </li>
            <li>
              {{ t('deviceTrust.compareItsSha256Fingerprint')
              }}<code class="print"
                ><template v-for="(pair, i) in network.fingerprint!.split(/(?<=:)/)" :key="i"
                  >{{ pair }}<wbr /></template
              ></code>
            </li>
            <li>{{ t('deviceTrust.goOnToUldoTypeThe') }}</li>
          </ol>
          <p class="quiet">
            {{ t('deviceTrust.withoutItABrowserWarnsAnd') }}
          </p>
        </template>
        <p v-else class="quiet">
          {{ t('deviceTrust.theCertificateIsOneThatWas') }}
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
