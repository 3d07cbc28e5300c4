import vue from '@vitejs/plugin-vue'
import { fileURLToPath } from 'node:url'
import { ElementPlusResolver } from 'unplugin-vue-components/resolvers'
import components from 'unplugin-vue-components/vite'
import { defineConfig } from 'vitest/config'

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
        test: { name: 'reckoning', include: ['resources/ui/**/*.test.ts'], exclude: ['**/*.vue.test.ts'] },
      },
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
