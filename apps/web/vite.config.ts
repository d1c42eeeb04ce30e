import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'
import { compression, defineAlgorithm } from 'vite-plugin-compression2'

export default defineConfig({
  plugins: [
    react(),
    tailwindcss(),
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
