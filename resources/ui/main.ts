import '@fontsource-variable/commissioner'
import '@fontsource-variable/literata'
import './style/tokens.css'
import './style/base.css'
import './style/print.css'
import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { createApp } from 'vue'
import App from './App.vue'
import { Problem } from './api/client'
import { dayIn } from './lib/dates'
import { i18n } from './lib/i18n'
import { watchSignal } from './offline/outbox'
import { makeRouter } from './router'

const queries = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 15_000,
      // A phone is asked what it knows, not whether it thinks it is online.
      networkMode: 'always',
      // A refusal does not get better by asking again; a lost signal may.
      // Too much at once is asked again a moment later; what was answered is an answer.
      // What is being made is asked for until it is there.
      retry: (count, error) =>
        error instanceof Problem && error.kind.startsWith('/problems/being-')
          ? count < 200
          : error instanceof Problem && error.status === 429
            ? count < 3
            : count < 2 && !(error instanceof Problem && error.status > 0),
      retryDelay: (count, error) =>
        error instanceof Problem && error.again ? 1000 * error.again : Math.min(1000 * 2 ** count, 30_000),
    },
  },
})

// What was shown before a save is not shown after it, not even until the new value has come.
const invalidate = queries.invalidateQueries.bind(queries)
queries.invalidateQueries = (filters, options) => {
  queries.removeQueries({ ...filters, type: 'inactive' })
  return invalidate(filters, options)
}

watchSignal()
createApp(App).use(VueQueryPlugin, { queryClient: queries }).use(i18n).use(makeRouter(queries)).mount('#app')
// The first date a browser writes takes it long: that is behind it when the answers come.
dayIn('UTC')
// What is kept for a driveway without signal is fetched when the first screen stands: until then the line is that screen’s.
const KEPT_AFTER_MS = 3000
if ('serviceWorker' in navigator && import.meta.env.PROD)
  setTimeout(() => void navigator.serviceWorker.register('/sw.js'), KEPT_AFTER_MS)
