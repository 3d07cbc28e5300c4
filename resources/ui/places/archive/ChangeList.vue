<script setup lang="ts">
import { useInfiniteQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import { dayAndTime } from '@/lib/dates'
import { useMe } from '@/lib/session'
import ProblemNote from '@/parts/ProblemNote.vue'

// Who changed what, newest first.
const { zone } = useMe()
const { data, error, hasNextPage, fetchNextPage, isFetchingNextPage } = useInfiniteQuery({
  queryKey: ['changes'],
  initialPageParam: undefined as string | undefined,
  queryFn: ({ pageParam }) => told(api.GET('/api/v1/changes', { params: { query: { limit: 30, cursor: pageParam } } })),
  getNextPageParam: (last) => last.next_cursor ?? undefined,
})
const rows = computed(() => data.value?.pages.flatMap((page) => page.data) ?? [])
const value = (of: unknown) =>
  of === null || of === undefined || of === '' ? '—' : typeof of === 'string' ? of : JSON.stringify(of)
const fields = (one: Schemas['Change']) =>
  Object.entries(one.after as Record<string, unknown>).map(([field, after]) => ({
    field: field.replaceAll('_', ' '),
    before: value((one.before as Record<string, unknown>)[field]),
    after: value(after),
  }))
</script>

<template>
  <section class="sheet grid" aria-label="Who changed what">
    <h2>Who changed what</h2>
    <ProblemNote :problem="error" />
    <p v-if="data && !rows.length" class="quiet">Nobody has changed anything yet.</p>
    <ul class="lines small">
      <li v-for="one in rows" :key="one.id">
        <details class="unfold">
          <summary>
            {{ dayAndTime(one.at, zone) }} · {{ one.by ?? 'somebody' }} {{ one.did }} {{ one.what }}
            <strong>{{ one.name }}</strong>
          </summary>
          <dl v-if="one.did === 'changed'">
            <template v-for="field in fields(one)" :key="field.field">
              <dt>{{ field.field }}</dt>
              <dd>
                <s>{{ field.before }}</s> {{ field.after }}
              </dd>
            </template>
          </dl>
        </details>
      </li>
    </ul>
    <button
      v-if="hasNextPage"
      type="button"
      class="beside"
      :disabled="isFetchingNextPage"
      @click="() => fetchNextPage()"
    >
      Earlier
    </button>
  </section>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: 160px minmax(0, 1fr);
  gap: 2px var(--s3);
  margin: 0 0 var(--s2);
}

dd {
  margin: 0;
  overflow-wrap: anywhere;
}

s {
  color: var(--ink-3);
}

.beside {
  justify-self: start;
}
</style>
