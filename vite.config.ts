import vue from '@vitejs/plugin-vue'
import laravel from 'laravel-vite-plugin'
import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { brotliCompressSync, gzipSync } from 'node:zlib'
import { ElementPlusResolver } from 'unplugin-vue-components/resolvers'
import components from 'unplugin-vue-components/vite'
import { VitePWA } from 'vite-plugin-pwa'
import { defineConfig, type Plugin } from 'vite'

/** What is handed out a thousand times is compressed once, as well as can be. */
function compressed(): Plugin {
  return {
    name: 'compressed',
    apply: 'build',
    enforce: 'post',
    closeBundle: {
      order: 'post',
      sequential: true,
      handler: () => {
        const assets = 'public/build/assets'
        for (const path of [...readdirSync(assets).map((name) => `${assets}/${name}`), 'public/sw.js']) {
          const text = readFileSync(path)
          if (!/\.(js|css|svg)$/.test(path) || text.length < 600) continue
          writeFileSync(`${path}.gz`, gzipSync(text, { level: 9 }))
          writeFileSync(`${path}.br`, brotliCompressSync(text))
        }
      },
    },
  }
}

export default defineConfig({
  plugins: [
    laravel({ input: ['resources/ui/early.ts', 'resources/ui/main.ts'] }),
    // A line break between two inline elements is a space, as in any document.
    vue({ template: { compilerOptions: { whitespace: 'preserve' } } }),
    components({ dts: false, dirs: [], resolvers: [ElementPlusResolver({ importStyle: 'css' })] }),
    // The whole interface is on the phone before it leaves the house. A new one takes over when every window of the old is
    // closed: nobody's sheet changes under their hands.
    VitePWA({
      outDir: 'public',
      filename: 'sw.js',
      scope: '/',
      injectRegister: false,
      manifest: false,
      workbox: {
        globDirectory: 'public/build',
        globPatterns: ['assets/*.{js,css,woff2}'],
        modifyURLPrefix: { '': '/build/' },
        additionalManifestEntries: [{ url: '/', revision: String(Date.now()) }],
        navigateFallback: '/',
        navigateFallbackDenylist: [/^\/api\//, /^\/sanctum\//, /^\/up$/],
        dontCacheBustURLsMatching: /^\/build\/assets\//,
        inlineWorkboxRuntime: true,
        sourcemap: false,
        maximumFileSizeToCacheInBytes: 4_000_000,
      },
    }),
    compressed(),
  ],
  resolve: { alias: { '@': fileURLToPath(new URL('./resources/ui', import.meta.url)) } },
  // Nobody here writes components the older ways, so nothing of them is sent.
  define: { __VUE_OPTIONS_API__: false, __VUE_I18N_LEGACY_API__: false, __VUE_I18N_FULL_INSTALL__: false },
  build: { target: 'es2022', chunkSizeWarningLimit: 400 },
})
