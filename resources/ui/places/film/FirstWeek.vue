<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { useStorage } from '@vueuse/core'
import { computed } from 'vue'
import { api, told } from '@/api/client'

// What a first week needs, in the order in which it pays; gone when all of it is there, or when it is sent away.
const away = useStorage('first-week-away', false)
const asked = { enabled: () => !away.value, staleTime: 60_000 }
const { data: list } = useQuery({
  ...asked,
  queryKey: ['vehicles', 'first-week'],
  queryFn: async () => {
    const by = (sort: 'next' | '-last') =>
      told(api.GET('/api/v1/vehicle-list', { params: { query: { sort, limit: 1 } } }))
    const [next, last] = await Promise.all([by('next'), by('-last')])
    return { count: next.count, planned: Boolean(next.data[0]?.next_on), worked: Boolean(last.data[0]?.last_at) }
  },
})
const { data: shelf } = useQuery({
  ...asked,
  queryKey: ['products', 'first-week'],
  queryFn: async () => (await told(api.GET('/api/v1/products', { params: { query: { limit: 200 } } }))).data,
})
const { data: crews } = useQuery({ ...asked, queryKey: ['crews'], queryFn: () => told(api.GET('/api/v1/crews')) })
/** What a wash can't do without. The shelf begins with plain bottles of these: one's own have a label. */
const FIVE = [
  ['soap', 'shampoo'],
  ['prewash', 'pre-wash'],
  ['drying-aid', 'drying aid'],
  ['topper', 'topper'],
  ['wheel', 'wheel cleaner'],
] as const
const missing = computed(() =>
  FIVE.filter(([role]) => !(shelf.value ?? []).some((one) => one.role === role && (one.version > 1 || one.line))).map(
    ([, name]) => name,
  ),
)
const steps = computed(() => [
  {
    done: (list.value?.count ?? 0) > 0,
    to: '/start',
    name: 'A first vehicle',
    says: 'Three questions give it its date.',
  },
  {
    done: (list.value?.count ?? 0) > 2,
    to: '/book/files',
    name: 'The list you have',
    says: 'Clients and vehicles from any table; you say which column is which.',
  },
  {
    done: missing.value.length === 0,
    to: '/shelf',
    name: 'Your own five bottles',
    says: `Plain ones stand there. Put your labels on them: ${missing.value.join(', ')}. Leave empty what a label does not say; you are asked when it matters.`,
  },
  {
    done: (crews.value?.data.length ?? 0) > 0,
    to: '/weeks/setup',
    name: 'Who works when',
    says: 'Hours by weekday, and days off.',
  },
  {
    done: list.value?.planned ?? false,
    to: '/weeks',
    name: 'A first plan',
    says: 'Eight weeks for everyone, in a second.',
  },
  {
    done: list.value?.worked ?? false,
    to: '/round',
    name: 'A first visit',
    says: 'Take the round along, work its sheet, close it: from then on it learns.',
  },
])
const known = computed(() => list.value !== undefined && shelf.value !== undefined && crews.value !== undefined)
const done = computed(() => steps.value.filter((one) => one.done).length)
</script>

<template>
  <section v-if="!away && known && done < steps.length" class="week" aria-labelledby="first-week">
    <div class="row spread">
      <h2 id="first-week">The first week, {{ done }} of {{ steps.length }}</h2>
      <button type="button" class="words small" @click="away = true">Hide this list</button>
    </div>
    <ol>
      <li v-for="one in steps" :key="one.name" :class="{ done: one.done }">
        <span aria-hidden="true" class="tick">{{ one.done ? '✓' : '' }}</span>
        <span
          ><RouterLink :to="one.to">{{ one.name }}</RouterLink
          ><span v-if="one.done" class="hidden-text">, done</span>
          <span v-if="!one.done && one.says" class="small quiet">{{ one.says }}</span></span
        >
      </li>
    </ol>
  </section>
</template>

<style scoped>
.week {
  margin-bottom: var(--s5);
  padding: var(--s4);
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: var(--edge);
}

h2 {
  margin: 0;
}

ol {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(300px, 100%), 1fr));
  gap: var(--s3) var(--s5);
  margin: var(--s3) 0 0;
  padding: 0;
  list-style: none;
}

li {
  display: grid;
  grid-template-columns: 24px minmax(0, 1fr);
  gap: var(--s2);
}

li .small {
  display: block;
}

.tick {
  width: 22px;
  height: 22px;
  border: 1px solid var(--line-strong);
  border-radius: var(--edge);
  text-align: center;
  font-weight: 700;
  line-height: 20px;
}

.done .tick {
  background: var(--film-wash);
  border-color: var(--film);
}
</style>
