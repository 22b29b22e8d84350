import { gzipSync } from 'node:zlib'
import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defineConfig, type Plugin } from 'vite'

/** Leaves a .gz beside every script and style, which the server hands out. */
function compressed(): Plugin {
  return {
    name: 'compressed',
    apply: 'build',
    closeBundle() {
      const folder = join(import.meta.dirname, 'dist', 'assets')
      for (const file of readdirSync(folder).filter((name) => /\.(js|css)$/.test(name))) {
        writeFileSync(join(folder, `${file}.gz`), gzipSync(readFileSync(join(folder, file)), { level: 9 }))
      }
    },
  }
}

export default defineConfig({
  plugins: [react(), tailwindcss(), compressed()],
  // bin/dev: the page is served here, everything else by the server behind it.
  server: {
    proxy: { '/api': `http://127.0.0.1:${process.env.FUJIN_API_PORT ?? '4810'}` },
    // Units and ranges are the core's data.
    fs: { allow: ['..'] },
  },
  build: { target: 'es2022' },
})
