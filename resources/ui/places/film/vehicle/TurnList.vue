<script setup lang="ts">
import { useInfiniteQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import Drop from '@/film/Drop.vue'
import { shortDay } from '@/lib/dates'
import { useMe } from '@/lib/session'
import { behaviours, methods, soils, verdicts } from '@/lib/words'
import ProblemNote from '@/parts/ProblemNote.vue'

const props = defineProps<{ vehicleId: string }>()
const { zone } = useMe()
const { data, error, hasNextPage, fetchNextPage, isFetchingNextPage } = useInfiniteQuery({
  queryKey: ['vehicle', () => props.vehicleId, 'turns'],
  initialPageParam: undefined as string | undefined,
  queryFn: ({ pageParam }) =>
    told(
      api.GET('/api/v1/vehicles/{vehicle}/turns', {
        params: { path: { vehicle: props.vehicleId }, query: { limit: 12, cursor: pageParam } },
      }),
    ),
  getNextPageParam: (page) => page.next_cursor ?? undefined,
})
const turns = computed(() => data.value?.pages.flatMap((page) => page.data) ?? [])
const angles = Object.fromEntries(behaviours.map((known) => [known.value, known.angle]))
const used = (entry: Schemas['TurnEntry']) =>
  entry.products.filter((use) => !['glass', 'wheel', 'tyre'].includes(use.role)).map((use) => use.name)
const reading = (entry: Schemas['TurnEntry']) => {
  const paint = entry.readings.filter((row) => row.zone === 'paint')
  return paint.find((row) => row.stage === 'after_decon') ?? paint.find((row) => row.stage === 'after_wash') ?? paint[0]
}
</script>

<template>
  <section>
    <h2>Record</h2>
    <ProblemNote :problem="error" />
    <p v-if="data && !turns.length" class="quiet">
      No turn yet. Wash it, read the water, and record the first one: the forecast starts learning from it.
    </p>
    <ol>
      <li v-for="turn in turns" :key="turn.id">
        <RouterLink v-if="turn.entries[0]" :to="`/turns/${turn.id}`" class="turn">
          <span class="day">{{ shortDay(turn.worked_at, zone) }}</span>
          <Drop
            v-if="reading(turn.entries[0])"
            :angle="reading(turn.entries[0])?.angle_deg ?? angles[reading(turn.entries[0])?.behaviour ?? 'good'] ?? 90"
            :width="46"
          />
          <span v-else class="quiet small">not read</span>
          <span class="what">
            <span
              >{{ methods[turn.entries[0].method]?.name }}, {{ soils[turn.entries[0].soil]?.name.toLowerCase()
              }}<template v-if="turn.revisions > 1"> · <em>corrected</em></template></span
            >
            <span class="small quiet">{{ used(turn.entries[0]).join(', ') }}</span>
          </span>
          <span class="verdict small">{{ verdicts[turn.entries[0].diagnoses[0]?.verdict ?? ''] ?? '' }}</span>
        </RouterLink>
      </li>
    </ol>
    <button v-if="hasNextPage" type="button" class="beside" :disabled="isFetchingNextPage" @click="fetchNextPage()">
      Earlier turns
    </button>
  </section>
</template>

<style scoped>
ol {
  list-style: none;
  padding: 0;
  margin: var(--s3) 0;
}

.turn {
  display: grid;
  grid-template-columns: 74px 52px minmax(0, 1fr) auto;
  gap: var(--s3);
  align-items: center;
  min-height: 54px;
  padding: 6px 0;
  border-top: 1px solid var(--line);
  text-decoration: none;
}

.turn:hover {
  background: var(--film-mist);
}

.day {
  font-weight: 600;
}

.what {
  display: grid;
  min-width: 0;
}

.what .quiet {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

@media (max-width: 700px) {
  .turn {
    grid-template-columns: 66px 48px minmax(0, 1fr);
  }

  .verdict {
    display: none;
  }
}
</style>
