<script setup lang="ts">
import { useDeed } from '@/lib/deed'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import OneOf from '@/parts/OneOf.vue'
import { dayIn, shortDay } from '@/lib/dates'
import { newId } from '@/lib/ids'
import { laidOrGoingOn } from '@/lib/laid'
import { useMe } from '@/lib/session'
import { numbers } from '@/lib/words'
import { keptOn, takeAlong, tidy } from '@/offline/packs'
import type { Kept } from '@/offline/store'
import ProblemNote from '@/parts/ProblemNote.vue'

// The day's sheets, on this phone before it leaves: laid out where nobody has yet, with all that may be found.
const props = defineProps<{ on: string; stops: Schemas['RoundStop'][] }>()
const queries = useQueryClient()
const { zone } = useMe()
const kept = ref<Kept[]>([])
/** Nought: as many as the plan sends. */
/** How many go; null as planned. */
const crew = ref<string | null>(null)
const crews = Object.fromEntries(Array.from({ length: 8 }, (_, i) => [String(i + 1), numbers[i + 1] ?? '']))
const at = ref<{ n: number; of: number } | null>(null)
const { problem, attempt } = useDeed()
const { data: sheets, isFetchedAfterMount: fresh } = useQuery({
  queryKey: computed(() => ['sheets', props.on]),
  queryFn: async () => (await told(api.GET('/api/v1/sheets', { params: { query: { on: props.on } } }))).data,
})
const lines = computed(() => {
  const known = sheets.value ?? []
  const here = kept.value.filter((one) => !known.some((line) => line.id === one.id))
  return [
    ...known.map((line) => ({ ...line, here: kept.value.some((one) => one.id === line.id) })),
    ...here.map(({ sheet }) => ({
      id: sheet.id,
      vehicle: sheet.vehicle.name,
      on: sheet.on,
      crew: sheet.crew,
      status: sheet.status,
      holder: sheet.holder,
      finish: sheet.plan.finish,
      here: true,
    })),
  ]
})
const words: Record<string, string> = { laid: 'ready', begun: 'begun', finished: 'closed' }

watch(
  [() => props.on, sheets, fresh],
  async ([on, known, isFresh]) => {
    await tidy(
      dayIn(zone.value),
      on,
      // A list from before may not know yet what has just been laid.
      isFresh ? known?.map((line) => line.id) : undefined,
    )
    kept.value = await keptOn(on, dayIn(zone.value))
  },
  { immediate: true },
)

async function take() {
  problem.value = null
  const laid = sheets.value ?? []
  const missing = props.stops.filter(
    (stop) => !laid.some((line) => line.on === props.on && line.vehicle_id === stop.vehicle_id),
  )
  const open = laid.filter((line) => line.status !== 'finished')
  const going = (at.value = { n: 0, of: missing.length + missing.length + open.length })
  await attempt(async () => {
    const ids = open.map((line) => line.id)
    for (const stop of missing) {
      const body = {
        id: newId(),
        vehicle_id: stop.vehicle_id,
        on: props.on,
        ...(crew.value ? { crew: Number(crew.value) } : {}),
      }
      ids.push(await laidOrGoingOn(body))
      at.value = { ...going, n: ++going.n }
    }
    for (const id of ids) {
      await takeAlong(id)
      at.value = { ...going, n: ++going.n }
    }
    // A browser keeps what it was asked to keep.
    await navigator.storage?.persist?.()
  })
  at.value = null
  kept.value = await keptOn(props.on, dayIn(zone.value))
  await queries.invalidateQueries({ queryKey: ['sheets', props.on] })
}
</script>

<template>
  <section class="along" aria-label="Sheets">
    <div class="row spread">
      <h2>Sheets</h2>
      <div v-if="stops.length" class="row not-on-paper">
        <OneOf v-model="crew" class="crew" aria-label="Crew" none="crew as planned" :options="crews" />
        <button type="button" class="act" :disabled="at !== null" @click="take">
          {{ at ? `Packing ${at.n} of ${at.of}…` : 'Take the round along' }}
        </button>
      </div>
    </div>
    <ProblemNote :problem="problem" />
    <ElProgress v-if="at" :percentage="(100 * at.n) / at.of" :show-text="false" aria-label="How far the packing is" />
    <ul v-if="lines.length">
      <li v-for="line in lines" :key="line.id">
        <RouterLink :to="`/sheets/${line.id}`"
          ><strong>{{ line.vehicle }}</strong></RouterLink
        >
        <span class="small"
          >{{ words[line.status] ?? line.status
          }}<template v-if="line.finish && line.status !== 'finished'"
            >, {{ line.finish }} min{{ line.crew > 1 ? ` for ${numbers[line.crew]}` : '' }}</template
          ><template v-if="line.holder">, {{ line.holder }}</template
          ><template v-if="line.on !== on">, of {{ shortDay(line.on, zone) }}</template></span
        >
        <span class="small not-on-paper" :class="{ quiet: !line.here }">{{
          line.here ? 'on this phone' : 'not on this phone'
        }}</span>
      </li>
    </ul>
    <p v-else class="quiet small">
      None yet. Take the round along before you leave: everything works without signal for the day.
    </p>
  </section>
</template>

<style scoped>
.crew {
  width: 170px;
}

.along {
  margin-bottom: var(--s4);
  padding: var(--s3) var(--s4);
  background: var(--sheet);
  border: 1px solid var(--line);
}

h2 {
  margin: 0;
}

select {
  min-height: 40px;
  font: inherit;
  color: inherit;
  background: var(--sheet);
  border: 1px solid var(--line-strong);
  border-radius: var(--edge);
}

progress {
  width: 100%;
  accent-color: var(--film);
}

ul {
  list-style: none;
  margin: var(--s2) 0 0;
  padding: 0;
}

li {
  display: grid;
  grid-template-columns: 1fr auto auto;
  gap: var(--s4);
  align-items: center;
  min-height: 48px;
  border-top: 1px solid var(--line);
}

@media (max-width: 700px) {
  li {
    grid-template-columns: 1fr auto;
    gap: 0 var(--s3);
  }

  .act {
    min-height: 54px;
  }
}
</style>
