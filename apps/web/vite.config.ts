import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'
import { VitePWA } from 'vite-plugin-pwa'
import { compression, defineAlgorithm } from 'vite-plugin-compression2'

export default defineConfig({
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
        // the renderer of pictures and the icons are large, and needed for labels
        maximumFileSizeToCacheInBytes: 8_000_000,
        navigateFallback: '/index.html',
        navigateFallbackDenylist: [/^\/(api|ipp)\//, /\.[a-z0-9]+$/i],
        clientsClaim: true,
        cleanupOutdatedCaches: true,
      },
    }),
    // compressed once at the build, so that the server only hands files out
    compression({
      algorithms: [defineAlgorithm('brotliCompress'), defineAlgorithm('gzip')],
      threshold: 1024,
    }),
  ],
  worker: { format: 'es' },
  build: {
    target: 'es2023',
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
})
