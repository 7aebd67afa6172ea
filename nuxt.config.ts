import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { addTemplate, useNuxt } from 'nuxt/kit'
import { build } from 'esbuild'
import { chunkOf, compiledAsItComes, noJsonSchemaInThePage, stylesStandInTheSheet } from './bin/lib/chunks'
import { themeCss } from './bin/lib/theme-css'

// The application is a single page served by its own small server: the model runs in the browser's worker,
// so nothing would be gained by rendering on the server (docs/decisions.md).
export default defineNuxtConfig({
  buildDir: process.env.ULDO_BUILD_DIR ?? '.nuxt',
  compatibilityDate: '2026-01-01',
  ssr: false,
  telemetry: false,
  devtools: { enabled: false },
  modules: [
    '@pinia/nuxt',
    '@primevue/nuxt-module',
    'nuxt-auth-utils',
    '@vite-pwa/nuxt',
    '@nuxtjs/i18n',
    () => void addTemplate({ filename: 'primevue.css', write: true, getContents: themeCss }),
  ],
  // Addresses carry no language; English words come with the parts that use them (app/words/speak.ts), another language whole.
  i18n: {
    strategy: 'no_prefix',
    defaultLocale: 'en',
    detectBrowserLanguage: false,
    locales: [
      { code: 'en', language: 'en', file: 'en.ts' },
      { code: 'de', language: 'de', file: 'de.json' },
    ],
    bundle: { compositionOnly: true, fullInstall: false },
    vueI18n: 'i18n.config.ts',
  },
  // Sessions are sealed cookies that name a row of the records; the page asks for how it stands by itself.
  auth: { loadStrategy: 'none' },
  runtimeConfig: {
    session: {
      name: '__Host-uldo',
      maxAge: 90 * 86_400,
      password: '',
      cookie: { secure: true, httpOnly: true, sameSite: 'strict', path: '/' },
    },
  },
  css: [
    '@fontsource-variable/archivo/standard.css',
    '@fontsource-variable/spline-sans-mono/index.css',
    '~/assets/tokens.css',
    '~/assets/frame.css',
    '~/assets/sheet.css',
    '#build/primevue.css',
    '~/assets/print.css',
  ],
  app: {
    head: {
      title: 'Uldo',
      htmlAttrs: { lang: 'en' },
      // Keys that come up make the page smaller, and do not cover the bar at its foot.
      viewport: 'width=device-width, initial-scale=1, interactive-widget=resizes-content',
      meta: [
        {
          name: 'description',
          content: 'Set up a rebuilt engine’s oiling system, from measured clearances to a judged first start.',
        },
      ],
      // The schemas make no code of their own, which the page's policy forbids: not tried, it is no violation either.
      script: [{ innerHTML: 'globalThis.__zod_globalConfig={jitless:true}', tagPosition: 'head' }],
      link: [
        { rel: 'icon', type: 'image/svg+xml', href: '/mark.svg' },
        { rel: 'manifest', href: '/manifest.webmanifest' },
      ],
    },
  },
  components: [{ path: '~/components', pathPrefix: false }],
  primevue: {
    autoImport: false,
    components: {
      include: [
        'Button',
        'Checkbox',
        'Column',
        'ColumnGroup',
        'ConfirmPopup',
        'DataTable',
        'Dialog',
        'FileUpload',
        'Form',
        'FormField',
        'InputNumber',
        'InputText',
        'Menu',
        'Message',
        'Popover',
        'ProgressBar',
        'Row',
        'Select',
        'SelectButton',
        'Slider',
        'Step',
        'StepList',
        'Stepper',
        'Tab',
        'TabList',
        'TabPanel',
        'Tabs',
        'Tag',
        'Textarea',
        'Timeline',
        'Toast',
        'ToggleButton',
      ],
    },
    directives: { include: [] },
    composables: { include: [] },
    // Our preset (app/theme.ts) is a style sheet when the page is built.
    loadStyles: false,
    options: { ripple: false, theme: 'none' },
  },
  // Every part of the page is kept in the browser, so that a reload without the network opens each station. The page
  // registers it itself, once its first screen stands, and takes a newer one over when somebody says so.
  pwa: {
    injectRegister: false,
    client: { registerPlugin: false },
    registerType: 'prompt',
    manifest: {
      name: 'Uldo',
      short_name: 'Uldo',
      description: 'Set up a rebuilt engine’s oiling system, from measured clearances to a judged first start.',
      start_url: '/',
      display: 'standalone',
      background_color: '#F4F1EA',
      theme_color: '#F4F1EA',
      icons: [
        { src: '/mark.svg', sizes: 'any', type: 'image/svg+xml' },
        { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
        { src: '/icon-512.png', sizes: '512x512', type: 'image/png', purpose: 'any maskable' },
      ],
    },
    workbox: {
      globPatterns: ['**/*.{js,css,woff2,wasm,svg,png}'],
      // The page itself is made by the server, anew with each build.
      additionalManifestEntries: [{ url: '/', revision: new Date().toISOString() }],
      navigateFallback: '/',
      navigateFallbackDenylist: [/^\/api\//],
      maximumFileSizeToCacheInBytes: 5_000_000,
      cleanupOutdatedCaches: true,
      clientsClaim: false,
      skipWaiting: false,
    },
  },
  // What serves prerendered and deployed sites is left out: less to load on a shop's network.
  experimental: {
    defaults: { nuxtLink: { prefetch: false } },
    appManifest: false,
    payloadExtraction: false,
    emitRouteChunkError: false,
  },
  hooks: {
    // What modules set up for sites that sign in elsewhere and style on the server: it would be read anew from the environment at each
    // request, and stand in every page.
    'modules:done': () => {
      const { runtimeConfig } = useNuxt().options
      for (const unused of ['oauth', 'webauthn', 'hash']) Reflect.deleteProperty(runtimeConfig, unused)
      const { options } = runtimeConfig.public.primevue as { options: unknown }
      Object.assign(runtimeConfig.public, { primevue: { options } })
    },
    'nitro:init': (nitro) => {
      // What would find out the language of each request: no page is made on the server, and no address carries a language.
      nitro.options.plugins = nitro.options.plugins.filter((plugin) => !/@nuxtjs\/i18n\/.*server\/plugin/.test(plugin))
      // The server's own thread for what takes longer than a request may.
      nitro.hooks.hook('compiled', async () => {
        await build({
          entryPoints: [fileURLToPath(new URL('./server/threads/worker.ts', import.meta.url))],
          outfile: join(nitro.options.output.serverDir, 'threads.mjs'),
          bundle: true,
          platform: 'node',
          format: 'esm',
          target: 'node20',
          logLevel: 'error',
          banner: {
            js: "import { createRequire } from 'node:module'; const require = createRequire(import.meta.url);",
          },
        })
      })
    },
    // Fetch only what the open station needs: without this the page hints at every chunk there is.
    'build:manifest': (manifest) => {
      for (const file of Object.values(manifest)) {
        file.prefetch = false
        file.dynamicImports = []
      }
    },
  },
  vite: {
    resolve: { alias: { 'primevue/ripple': fileURLToPath(new URL('./app/noRipple.ts', import.meta.url)) } },
    plugins: [stylesStandInTheSheet, noJsonSchemaInThePage, compiledAsItComes],
    worker: { format: 'es', plugins: () => [noJsonSchemaInThePage] },
    build: {
      target: 'es2022',
      // One style sheet and few larger files: on a shop's network each request costs more than what it brings.
      cssCodeSplit: false,
      rollupOptions: { output: { manualChunks: chunkOf() } },
    },
  },
  nitro: {
    // Squeezed once, when it is built, and served as it is asked for.
    compressPublicAssets: { gzip: true, brotli: true },
    // Migrations and demo builds travel inside the built server.
    serverAssets: [
      { baseName: 'migrations', dir: fileURLToPath(new URL('./server/data/migrations', import.meta.url)) },
      { baseName: 'demo', dir: fileURLToPath(new URL('./demo/builds', import.meta.url)) },
      { baseName: 'shop', dir: fileURLToPath(new URL('./demo/shop', import.meta.url)) },
    ],
    errorHandler: '~~/server/error',
    esbuild: { options: { target: 'es2022' } },
    typescript: { tsConfig: { compilerOptions: { noUncheckedIndexedAccess: false } } },
  },
  spaLoadingTemplate: 'spa-loading.html',
  typescript: {
    strict: true,
    tsConfig: { compilerOptions: { noUncheckedIndexedAccess: false } },
    nodeTsConfig: { compilerOptions: { noUncheckedIndexedAccess: false } },
  },
})
