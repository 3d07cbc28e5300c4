<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, nextTick, useTemplateRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api, told } from '@/api/client'
import { dayAndTime, shortDay } from '@/lib/dates'
import { useMe } from '@/lib/session'
import { kindsSaid } from '@/lib/words'
import ProblemNote from '@/parts/ProblemNote.vue'
import TurnCost from '@/places/money/TurnCost.vue'
import RecordCard from '@/places/proof/record/RecordCard.vue'
import BeforeAfter from './BeforeAfter.vue'
import DueMoves from './DueMoves.vue'
import EntryFacts from './EntryFacts.vue'
import OtherVersions from './OtherVersions.vue'
import SaidOfWater from './SaidOfWater.vue'
import StepTimes from './StepTimes.vue'

const props = defineProps<{ id: string }>()
const route = useRoute()
const { zone, isOwner } = useMe()
const { data: turn, error } = useQuery({
  queryKey: ['turn', () => props.id],
  queryFn: () => told(api.GET('/api/v1/turns/{turn}', { params: { path: { turn: props.id } } })),
})
const current = computed(() => turn.value?.entries[0])
const earlier = computed(() => turn.value?.entries.slice(1) ?? [])
const title = useTemplateRef<HTMLElement>('title')
watch(turn, async (loaded) => {
  if (!loaded || route.query.saved !== '1') return
  await nextTick()
  title.value?.focus()
})
</script>

<template>
  <div class="page narrow">
    <ProblemNote :problem="error" />
    <template v-if="turn && current">
      <p class="quiet small crumb">
        <RouterLink :to="`/vehicles/${turn.vehicle_id}`">{{ turn.vehicle }}</RouterLink>
      </p>
      <h1 ref="title" tabindex="-1">
        {{ route.query.saved === '1' ? 'Saved: ' : '' }}{{ dayAndTime(turn.worked_at, zone) }}
      </h1>

      <section class="says" aria-label="What the water says">
        <SaidOfWater v-for="diagnosis in current.diagnoses" :key="diagnosis.zone" :diagnosis="diagnosis" />
        <p v-if="!current.diagnoses.length" class="lead quiet">The water was not read on this turn.</p>
        <DueMoves :before="current.due_before" :after="current.due_after" />
        <p v-if="current.next_on" class="next">
          Next by its rhythm: <strong>{{ shortDay(current.next_on, zone) }}</strong>,
          {{ kindsSaid(current.next_kinds) }}.
        </p>
      </section>

      <section class="sheet">
        <div class="row spread">
          <h2>What was done</h2>
          <RouterLink :to="`/turns/${id}/correct`" class="words">Correct it</RouterLink>
        </div>
        <EntryFacts :entry="current" />
        <StepTimes :steps="current.steps" />
        <p class="quiet small">
          Written by {{ current.written_by }}, {{ dayAndTime(current.written_at, zone)
          }}<template v-if="current.reason">. Corrected: {{ current.reason }}</template>
        </p>
      </section>

      <OtherVersions :turn="turn" />
      <TurnCost v-if="isOwner" :turn-id="id" />
      <RecordCard class="sheet-gap" :vehicle-id="turn.vehicle_id" :turn-id="id" />
      <BeforeAfter :photos="turn.photos" :vehicle="turn.vehicle ?? ''" />

      <section v-if="earlier.length" class="sheet earlier">
        <h2>As it was before</h2>
        <article v-for="entry in earlier" :key="entry.id">
          <EntryFacts :entry="entry" :against="current" />
          <p class="quiet small">
            Written by {{ entry.written_by }}, {{ dayAndTime(entry.written_at, zone)
            }}<template v-if="entry.reason">. {{ entry.reason }}</template>
          </p>
        </article>
      </section>

      <div class="row">
        <RouterLink :to="`/vehicles/${turn.vehicle_id}`" class="act">Back to {{ turn.vehicle }}</RouterLink>
        <RouterLink to="/" class="words">To the film</RouterLink>
      </div>
    </template>
  </div>
</template>

<style scoped>
.crumb {
  margin: 0;
}

h1:focus {
  outline: none;
}

.says {
  margin: var(--s4) 0;
  padding-left: var(--s4);
  border-left: 4px solid var(--film);
}

.lead {
  font: 500 19px/1.4 var(--book);
}

.next {
  margin: 0;
}

.sheet {
  margin-bottom: var(--s4);
}

article + article {
  border-top: 1px solid var(--line);
  padding-top: var(--s3);
  margin-top: var(--s3);
}
</style>
