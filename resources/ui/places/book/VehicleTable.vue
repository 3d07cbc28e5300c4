<script setup lang="ts">
import { useInfiniteQuery } from '@tanstack/vue-query'
import { useStorage } from '@vueuse/core'
import { computed } from 'vue'
import { api, told } from '@/api/client'
import { daysUntil, fromToday, shortDay } from '@/lib/dates'
import { useMe } from '@/lib/session'
import { bodies, families } from '@/lib/words'
import ProblemNote from '@/parts/ProblemNote.vue'

// The vehicles under heads one sorts by: whose, what lies on it, when it is due, when somebody comes.
type Sort = 'name' | 'client' | 'place' | 'due' | 'next' | 'last'
const props = defineProps<{ search: string }>()
const { zone } = useMe()
const sort = useStorage<Sort | `-${Sort}`>('book-sort', 'due')
const heads: { by: Sort | null; name: string }[] = [
  { by: 'name', name: 'Vehicle' },
  { by: null, name: 'On its paint' },
  { by: 'due', name: 'Due' },
  { by: 'next', name: 'Next visit' },
  { by: 'last', name: 'Last' },
  { by: 'client', name: 'Client' },
  { by: 'place', name: 'Place' },
]
const PART = 100
const list = useInfiniteQuery({
  queryKey: ['vehicles', 'list', () => props.search, sort],
  initialPageParam: 0,
  queryFn: ({ pageParam }) =>
    told(
      api.GET('/api/v1/vehicle-list', {
        params: { query: { search: props.search, sort: sort.value, skip: pageParam, limit: PART } },
      }),
    ),
  getNextPageParam: (last, pages) => (last.count > pages.length * PART ? pages.length * PART : undefined),
  placeholderData: (before) => before,
})
const rows = computed(() => list.data.value?.pages.flatMap((one) => one.data) ?? [])
const count = computed(() => list.data.value?.pages[0]?.count ?? 0)
const turn = (by: Sort) => (sort.value = sort.value === by ? `-${by}` : by)
const sorted = (by: Sort) => (sort.value === by ? 'ascending' : sort.value === `-${by}` ? 'descending' : 'none')
const isDue = (at: string | null) => at !== null && daysUntil(at, zone.value) <= 0
</script>

<template>
  <ProblemNote :problem="list.error.value" />
  <div v-if="rows.length" class="scroll" role="region" aria-label="Vehicles of the book" tabindex="0">
    <table class="listed">
      <thead>
        <tr>
          <th v-for="head in heads" :key="head.name" scope="col" :aria-sort="head.by ? sorted(head.by) : undefined">
            <button v-if="head.by" type="button" @click="turn(head.by)">
              {{ head.name
              }}<span aria-hidden="true">{{ sort === head.by ? ' ↑' : sort === `-${head.by}` ? ' ↓' : '' }}</span>
            </button>
            <template v-else>{{ head.name }}</template>
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="one in rows" :key="one.id">
          <th scope="row">
            <RouterLink :to="`/vehicles/${one.id}`">{{ one.name }}</RouterLink>
            <span class="small quiet">{{
              [one.model, one.plate].filter(Boolean).join(', ') || bodies[one.body as keyof typeof bodies]
            }}</span>
          </th>
          <td>
            {{ one.layers.map((family) => families[family]?.name ?? family).join(' on ') || 'nothing' }}
          </td>
          <td>
            <span v-if="one.due_at" :class="{ due: isDue(one.due_at) }"
              >{{ shortDay(one.due_at, zone) }} <span class="small quiet">{{ fromToday(one.due_at, zone) }}</span></span
            ><span v-else class="quiet">not known</span>
          </td>
          <td>
            <template v-if="one.next_on">{{ shortDay(`${one.next_on}T12:00:00Z`, 'UTC') }}</template><span
              v-else
              class="quiet"
              >not planned</span
            >
          </td>
          <td>
            <template v-if="one.last_at">{{ shortDay(one.last_at, zone) }}</template><span v-else class="quiet"
              >never</span
            >
          </td>
          <td>{{ one.client ?? '—' }}</td>
          <td>{{ one.site ?? '—' }}</td>
        </tr>
      </tbody>
    </table>
  </div>
  <p v-else-if="list.data.value" class="quiet">
    <template v-if="search">Nothing in the book fits “{{ search }}”.</template>
    <template v-else
      >No vehicle yet. <RouterLink to="/start">Three questions</RouterLink> give the first one its date, or
      <RouterLink to="/book/files">bring a list</RouterLink> you have already.</template
    >
  </p>
  <p v-if="rows.length" class="small quiet row">
    {{ rows.length }} of {{ count }}
    <button v-if="list.hasNextPage.value" type="button" class="beside" @click="list.fetchNextPage()">More</button>
  </p>
</template>

<style scoped>
thead button {
  padding: var(--s2) 0;
  border: 0;
  background: none;
  font: inherit;
  color: inherit;
  white-space: nowrap;
  cursor: pointer;
  text-decoration: underline;
  text-decoration-color: var(--line-strong);
  text-underline-offset: 4px;
}

tbody th {
  text-align: left;
  font-weight: 650;
}

tbody th .small {
  display: block;
  font-weight: 400;
}

.due {
  color: var(--due);
  font-weight: 650;
}
</style>
