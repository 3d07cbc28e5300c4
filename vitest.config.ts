import vue from '@vitejs/plugin-vue'
import { readdirSync, readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { ElementPlusResolver } from 'unplugin-vue-components/resolvers'
import components from 'unplugin-vue-components/vite'
import { defineConfig } from 'vitest/config'

// What puts something else in the place of a module or a global is tested alone; all others share what they loaded.
const standingIn = readdirSync('resources/ui', { recursive: true, encoding: 'utf8' })
  .filter((file) => /(?<!\.vue)\.test\.ts$/.test(file))
  .map((file) => `resources/ui/${file}`)
  .filter((file) => /\bvi\.(mock|stub|spyOn|hoisted|useFakeTimers)|indexeddb/.test(readFileSync(file, 'utf8')))

export default defineConfig({
  plugins: [
    vue({ template: { compilerOptions: { whitespace: 'preserve' } } }),
    components({ dts: false, dirs: [], resolvers: [ElementPlusResolver({ importStyle: false })] }),
  ],
  resolve: { alias: { '@': fileURLToPath(new URL('./resources/ui', import.meta.url)) } },
  test: {
    env: { TZ: 'Pacific/Auckland' },
    projects: [
      {
        extends: true,
        test: {
          name: 'reckoning',
          include: ['resources/ui/**/*.test.ts'],
          exclude: ['**/*.vue.test.ts', ...standingIn],
          isolate: false,
        },
      },
      { extends: true, test: { name: 'alone', include: standingIn } },
      {
        extends: true,
        test: {
          name: 'parts',
          include: ['resources/ui/**/*.vue.test.ts'],
          environment: 'happy-dom',
          testTimeout: 60_000,
        },
      },
    ],
  },
})
