import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'

export default defineConfig({
  plugins: [react(), tailwindcss()],
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
