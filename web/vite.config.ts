import { gzipSync } from 'node:zlib'
import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defineConfig, type Plugin } from 'vite'
import { VitePWA } from 'vite-plugin-pwa'
import { texts } from './texts.js'

/** Leaves a .gz beside every script and style, which the server hands out; only after a build that succeeded. */
function compressed(): Plugin {
  return {
    name: 'compressed',
    apply: 'build',
    writeBundle() {
      const folder = join(import.meta.dirname, 'dist', 'assets')
      for (const file of readdirSync(folder).filter((name) => /\.(js|css)$/.test(name))) {
        writeFileSync(join(folder, `${file}.gz`), gzipSync(readFileSync(join(folder, file)), { level: 9 }))
      }
    },
  }
}

/** The service worker is one script: the library that a page fetches beside itself is in it from the start. */
function atOnce(): Plugin {
  return {
    name: 'at-once',
    enforce: 'pre',
    transform: (code, id) =>
      id.endsWith('/deviceStore.ts')
        ? `import * as dexie from 'dexie'\n${code.replaceAll("import('dexie')", 'Promise.resolve(dexie)')}`
        : null,
  }
}

export default defineConfig({
  plugins: [
    texts(),
    react(),
    tailwindcss(),
    compressed(),
    VitePWA({
      strategies: 'injectManifest',
      srcDir: 'src',
      filename: 'sw.ts',
      injectRegister: false,
      registerType: 'prompt',
      injectManifest: {
        globPatterns: ['**/*.{js,css,html,svg,woff2}'],
        globIgnores: ['assets/en-*.js'],
        buildPlugins: { vite: [atOnce(), texts({ english: true })] },
      },
      manifest: {
        name: 'Fujin',
        short_name: 'Fujin',
        description: 'Rotorcraft instruction: prepare, fly, review, record',
        start_url: '/',
        display: 'standalone',
        background_color: '#f6f1e6',
        theme_color: '#f6f1e6',
        icons: [
          { src: '/mark.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' },
          { src: '/mark-192.png', sizes: '192x192', type: 'image/png' },
          { src: '/mark-512.png', sizes: '512x512', type: 'image/png' },
        ],
      },
    }),
  ],
  // bin/dev: the page is served here, everything else by the server behind it.
  server: {
    proxy: { '/api': `http://127.0.0.1:${process.env.FUJIN_API_PORT ?? '4810'}` },
    // Units and ranges are the core's data.
    fs: { allow: ['..'] },
  },
  build: { target: 'es2022' },
})
