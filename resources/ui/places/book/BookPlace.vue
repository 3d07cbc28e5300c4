<script setup lang="ts">
import { useInfiniteQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, told } from '@/api/client'
import { shortDay } from '@/lib/dates'
import { useMe } from '@/lib/session'
import { useUnits } from '@/lib/units'
import { waters } from '@/lib/words'
import ProblemNote from '@/parts/ProblemNote.vue'
import SearchBox from '@/parts/SearchBox.vue'
import EditClient from './EditClient.vue'
import EditSite from './EditSite.vue'
import VehicleTable from './VehicleTable.vue'

const tabs = { vehicles: 'Vehicles', clients: 'Clients', sites: 'Places' } as const
type Tab = keyof typeof tabs
const route = useRoute()
const router = useRouter()
const { zone, isOwner } = useMe()
const tab = computed<Tab>({
  get: () =>
    route.query.tab === 'clients' || route.query.client
      ? 'clients'
      : route.query.tab === 'sites' || route.query.site
        ? 'sites'
        : 'vehicles',
  set: (next) => void router.replace({ query: { tab: next } }),
})
const units = useUnits()
const typed = ref('')
const search = refDebounced(typed, 250)
// Whoever comes for one thing finds it open.
const asked = () => String(route.query.client ?? route.query.site ?? '') || null
const editing = ref<string | null>(asked())
watch(
  () => route.query,
  () => (editing.value = asked()),
)

function useRows<Row>(
  which: Tab,
  page: (query: {
    search?: string
    limit: number
    cursor?: string
  }) => Promise<{ data: Row[]; next_cursor: string | null }>,
) {
  const list = useInfiniteQuery({
    queryKey: [which, 'book', search],
    enabled: computed(() => tab.value === which),
    initialPageParam: undefined as string | undefined,
    queryFn: ({ pageParam }) =>
      page({ limit: 50, cursor: pageParam, ...(search.value.trim() ? { search: search.value.trim() } : {}) }),
    getNextPageParam: (last) => last.next_cursor ?? undefined,
  })
  return { ...list, rows: computed(() => list.data.value?.pages.flatMap((one) => one.data) ?? []) }
}
const clients = useRows('clients', (query) => told(api.GET('/api/v1/clients', { params: { query } })))
const sites = useRows('sites', (query) => told(api.GET('/api/v1/sites', { params: { query } })))
const list = computed(() => (tab.value === 'sites' ? sites : clients))
const drawerTitle = computed(() => {
  if (editing.value === 'new') return tab.value === 'clients' ? 'A new client' : 'A new place'
  const row = [...clients.rows.value, ...sites.rows.value].find((one) => one.id === editing.value)
  return row?.name ?? ''
})
const loaded = computed(() => list.value.data.value !== undefined)
</script>

<template>
  <div class="page">
    <div class="row spread head">
      <h1>Book</h1>
      <div class="row tabs" role="group" aria-label="What to list">
        <button
          v-for="(name, key) in tabs"
          :key="key"
          type="button"
          class="tab"
          :aria-pressed="tab === key"
          @click="tab = key"
        >
          {{ name }}
        </button>
      </div>
      <nav class="row ways" aria-label="More of the book">
        <RouterLink v-if="isOwner" to="/book/money">Money</RouterLink>
        <RouterLink to="/book/files">Import and export</RouterLink>
      </nav>
      <SearchBox v-model="typed" label="Find in the book" />
      <RouterLink v-if="tab === 'vehicles'" to="/start" class="act">A new vehicle</RouterLink>
      <button v-else type="button" class="act" @click="editing = 'new'">
        {{ tab === 'clients' ? 'A new client' : 'A new place' }}
      </button>
    </div>
    <ProblemNote :problem="list.error.value" />

    <ElDrawer
      :model-value="editing !== null"
      :title="drawerTitle"
      size="min(760px, 100vw)"
      destroy-on-close
      @close="editing = null"
    >
      <EditClient v-if="editing && tab === 'clients'" :id="editing" @done="editing = null" />
      <EditSite v-else-if="editing && tab === 'sites'" :id="editing" @done="editing = null" />
    </ElDrawer>

    <VehicleTable v-if="tab === 'vehicles'" :search="search.trim()" />
    <ul v-else-if="tab === 'clients'" class="lines">
      <li v-for="client in clients.rows.value" :key="client.id">
        <button type="button" class="line" @click="editing = client.id">
          <strong>{{ client.name }}</strong>
          <span>{{ [client.contact, client.phone].filter(Boolean).join(', ') }}</span>
          <span class="quiet wide">{{ client.note }}</span>
          <span class="quiet">{{ client.vehicles }} {{ client.vehicles === 1 ? 'vehicle' : 'vehicles' }}</span>
        </button>
      </li>
    </ul>
    <ul v-else class="lines">
      <li v-for="site in sites.rows.value" :key="site.id">
        <button type="button" class="line" @click="editing = site.id">
          <strong>{{ site.name }}</strong>
          <span
            >{{ waters[site.water] }}<template v-if="site.tds_mg_l !== null">, {{ site.tds_mg_l }} mg/l</template
            ><template v-if="site.hardness_mg_l !== null"
              >, hardness {{ units.hardness(site.hardness_mg_l) }}</template
            ></span
          >
          <span class="quiet wide">{{
            [
              site.hours,
              site.access,
              site.certificate_expires_on ? `certificate until ${shortDay(site.certificate_expires_on, zone)}` : null,
            ]
              .filter(Boolean)
              .join('; ')
          }}</span>
          <span class="quiet">{{ site.vehicles }} {{ site.vehicles === 1 ? 'vehicle' : 'vehicles' }}</span>
        </button>
      </li>
    </ul>
    <p v-if="tab !== 'vehicles' && loaded && !list.rows.value.length" class="quiet">
      <template v-if="search.trim()">Nothing in the book fits “{{ search }}”.</template>
      <template v-else-if="tab === 'clients'"
        >No client yet. A client holds the phone number and the wishes of everyone whose vehicles you keep.</template
      >
      <template v-else
        >No place yet. A place holds its water, its power and its gate hours, for every vehicle that stands
        there.</template
      >
    </p>
    <button
      v-if="tab !== 'vehicles' && list.hasNextPage.value"
      type="button"
      class="beside"
      @click="list.fetchNextPage()"
    >
      More
    </button>
  </div>
</template>

<style scoped>
.head {
  margin-bottom: var(--s4);
}

.tabs {
  gap: 0;
}

.tab {
  min-height: var(--touch);
  padding: 0 var(--s4);
  border: 0;
  border-bottom: 3px solid var(--line);
  background: none;
  cursor: pointer;
  color: var(--ink-2);
}

.tab[aria-pressed='true'] {
  border-bottom-color: var(--film);
  color: var(--ink);
  font-weight: 650;
}

.lines {
  list-style: none;
  margin: 0;
  padding: 0;
  border-top: 1px solid var(--line-strong);
}

.line {
  display: grid;
  grid-template-columns: 1.2fr 1.2fr 1.4fr 1fr;
  gap: var(--s4);
  width: 100%;
  align-items: baseline;
  min-height: 48px;
  padding: 11px var(--s2);
  border: 0;
  border-bottom: 1px solid var(--line);
  background: none;
  text-align: left;
  text-decoration: none;
  cursor: pointer;
}

.line:hover {
  background: var(--film-mist);
}

@media (max-width: 700px) {
  .line {
    grid-template-columns: 1fr auto;
    gap: 2px var(--s3);
  }

  .wide {
    grid-column: 1 / -1;
  }
}
</style>
