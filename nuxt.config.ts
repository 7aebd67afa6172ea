import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { build } from 'esbuild'

// The application is a single page served by its own small server: the model runs in the browser's worker,
// so nothing would be gained by rendering on the server (docs/decisions.md).
export default defineNuxtConfig({
  compatibilityDate: '2026-01-01',
  ssr: false,
  telemetry: false,
  devtools: { enabled: false },
  modules: ['@pinia/nuxt', '@primevue/nuxt-module', 'nuxt-auth-utils'],
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
  ],
  app: {
    head: {
      title: 'Uldo',
      htmlAttrs: { lang: 'en' },
      viewport: 'width=device-width, initial-scale=1',
      meta: [
        {
          name: 'description',
          content: 'Set up a rebuilt engine’s oiling system, from measured clearances to a judged first start.',
        },
      ],
      link: [{ rel: 'icon', type: 'image/svg+xml', href: '/mark.svg' }],
    },
  },
  components: [{ path: '~/components', pathPrefix: false }],
  primevue: {
    autoImport: false,
    components: { include: ['Button', 'InputText'] },
    directives: { include: [] },
    composables: { include: [] },
    importTheme: { from: '~/theme' },
    options: { ripple: false },
  },
  // What serves prerendered and deployed sites is left out: less to load on a shop's network.
  experimental: {
    defaults: { nuxtLink: { prefetch: false } },
    appManifest: false,
    payloadExtraction: false,
    emitRouteChunkError: false,
  },
  hooks: {
    // The server's own thread for what takes longer than a request may.
    'nitro:init': (nitro) =>
      void nitro.hooks.hook('compiled', async () => {
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
      }),
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
    worker: { format: 'es' },
    build: { target: 'es2022' },
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
