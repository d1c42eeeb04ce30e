import { createHash } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defineConfig, type Plugin } from 'vite'
import { VitePWA } from 'vite-plugin-pwa'
import { compression, defineAlgorithm } from 'vite-plugin-compression2'

/** Licence texts of packages whose files are shipped as they are. */
const packagesOfFiles = [
  '@fontsource-variable/source-sans-3',
  '@fontsource/barlow-condensed',
  '@fontsource/roboto-condensed',
  '@fontsource/noto-sans-arabic',
  '@fontsource/noto-sans-hebrew',
  '@fontsource/noto-sans-jp',
  '@fontsource/noto-sans-kr',
  '@fontsource/noto-sans-sc',
  'lucide-static',
] as const

function licencesOfFiles(): Plugin {
  return {
    name: 'licences-of-files',
    generateBundle() {
      for (const name of packagesOfFiles)
        this.emitFile({
          type: 'asset',
          fileName: `licences/${name.replace(/\W+/g, '-').replace(/^-/, '')}.txt`,
          source: readFileSync(new URL(`../../node_modules/${name}/LICENSE`, import.meta.url)),
        })
      this.emitFile({
        type: 'asset',
        fileName: 'licences/NOTICE.txt',
        source: readFileSync(new URL('../../NOTICE', import.meta.url)),
      })
    },
  }
}

/** Names the code that reach is worked out by: what a browser has kept of another version is not taken over. */
function reachVersion(): string {
  const hash = createHash('sha256')
  for (const folder of ['hand', 'bench', 'triggers']) {
    const at = new URL(`../../packages/core/src/${folder}/`, import.meta.url)
    for (const file of readdirSync(at).sort()) hash.update(readFileSync(new URL(file, at)))
  }
  return hash.digest('hex').slice(0, 16)
}

export default defineConfig(({ command }) => ({
  // while the app is developed, reach is worked out anew each time
  define: {
    'import.meta.env.VITE_REACH_VERSION': JSON.stringify(command === 'build' ? reachVersion() : ''),
  },
  plugins: [
    react(),
    tailwindcss(),
    VitePWA({
      // the new version waits until the person takes it, so that two are never mixed
      registerType: 'prompt',
      injectRegister: false,
      manifest: {
        name: 'Reach Plot',
        short_name: 'Reach Plot',
        description: 'Lay out shortcuts for the hand that rests on the keys',
        display: 'minimal-ui',
        background_color: '#f5f2e8',
        theme_color: '#fbf9f3',
        icons: [{ src: 'favicon.svg', sizes: 'any', type: 'image/svg+xml' }],
      },
      workbox: {
        globPatterns: ['**/*.{js,css,html,svg,woff,woff2,wasm,json}'],
        // fonts of other scripts are some 300 files: each is kept when it was needed once
        globIgnores: ['assets/noto-sans-*', 'assets/roboto-condensed-*'],
        runtimeCaching: [
          {
            urlPattern: /\/assets\/(noto-sans|roboto-condensed)-[^/]*\.woff$/,
            handler: 'CacheFirst',
            options: { cacheName: 'script-fonts' },
          },
        ],
        // the renderer of pictures and the icons are large, and needed for labels
        maximumFileSizeToCacheInBytes: 8_000_000,
        navigateFallback: '/index.html',
        navigateFallbackDenylist: [/^\/(api|ipp)\//, /\.[a-z0-9]+$/i],
        clientsClaim: true,
        cleanupOutdatedCaches: true,
      },
    }),
    licencesOfFiles(),
    // compressed once at the build, so that the server only hands files out
    compression({
      algorithms: [defineAlgorithm('brotliCompress'), defineAlgorithm('gzip')],
      threshold: 1024,
    }),
  ],
  worker: { format: 'es' },
  build: {
    target: 'es2023',
    // the licences of all that is in the scripts; those of fonts, icons and the renderer stand beside it
    license: { fileName: 'licences/packages.md' },
    chunkSizeWarningLimit: 1200,
    rolldownOptions: {
      output: {
        codeSplitting: {
          // what several screens share comes in one piece: fifty small ones are half a second of asking for files
          groups: [{ name: 'shared', minShareCount: 3 }],
        },
      },
    },
  },
}))
