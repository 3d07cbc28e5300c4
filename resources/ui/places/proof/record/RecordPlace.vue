<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef, watchEffect } from 'vue'
import { api, told } from '@/api/client'
import Ribbon from '@/film/Ribbon.vue'
import TimeAxis from '@/film/TimeAxis.vue'
import { shortDay } from '@/lib/dates'
import { inWords, ofTheBrowser, speak, within } from '@/lib/i18n'
import { layerKinds } from './words'
import { kindsSaid, zones } from '@/lib/words'
import Mark from '@/parts/Mark.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import RecordTurn from './RecordTurn.vue'

// A record as its owner reads it, behind an address that shows this and nothing else.
const props = defineProps<{ secret: string }>()
const path = computed(() => ({ params: { path: { secret: props.secret } } }))
const {
  data: record,
  error,
  isPending,
} = useQuery({
  queryKey: ['record', () => props.secret],
  retry: false,
  refetchOnWindowFocus: false,
  queryFn: () => told(api.GET('/api/v1/records/{secret}', path.value)),
})
// In the language its client is written to in; else that of the browser.
watchEffect(() => record.value && void speak(record.value.language ?? ofTheBrowser()))
const lane = useTemplateRef('lane')
const { width } = useElementSize(lane)
const day = (on: string | null) => (on ? shortDay(on, 'UTC') : '')
const titles = inWords('records', { turn: 'Service record', year: 'A year of care', history: 'Whole history' })
</script>

<template>
  <main class="page narrow record">
    <ProblemNote :problem="error" />
    <p v-if="isPending" class="quiet" role="status">{{ $t('record-place.opening-the-record') }}</p>
    <template v-if="record">
      <header>
        <p class="quiet small">{{ record.business }} · {{ titles[record.kind] }}</p>
        <h1>{{ record.vehicle.name }}</h1>
        <p class="quiet">
          {{
            [record.vehicle.model, record.vehicle.colour, record.vehicle.plate, record.vehicle.client]
              .filter(Boolean)
              .join(' · ')
          }}
        </p>
        <a class="beside" :href="`/api/v1/records/${secret}/pdf`">{{ $t('record-place.as-pdf') }}</a>
      </header>
      <section
        v-if="record.due.some((one) => one.due || one.look) || record.next_visit"
        :aria-label="$t('record-place.due-next')"
      >
        <h2>{{ $t('record-place.due-next') }}</h2>
        <ul class="lines">
          <li v-for="one in record.due.filter((it) => it.due)" :key="one.layer_id">
            <span>{{ $t('record-place.on', { name: one.name, zone: within(zones[one.zone] ?? one.zone) }) }}</span>
            <span
              ><strong class="due">{{ day(one.due) }}</strong>
              <span class="small quiet">
                {{ $t('record-place.from-late-after', { day: day(one.from), day2: day(one.late) }) }}</span
              ></span
            >
          </li>
          <li v-for="one in record.due.filter((it) => it.look)" :key="`look ${one.layer_id}`">
            <span>{{ $t('record-place.on', { name: one.name, zone: within(zones[one.zone] ?? one.zone) }) }}</span>
            <span
              ><strong>{{ day(one.look) }}</strong>
              <span class="small quiet"> {{ $t('record-place.to-be-looked-over') }}</span></span
            >
          </li>
        </ul>
        <p v-if="record.next_visit">
          {{ $t('record-place.the-next-visit-is-meant-for') }} <strong>{{ day(record.next_visit) }}</strong><template
            v-if="record.next_kinds"
            >: {{ kindsSaid(record.next_kinds) }}</template
          ><template v-if="record.next_minutes">{{
            $t('record-place.about-minutes', { next_minutes: record.next_minutes })
          }}</template
          >.
        </p>
      </section>
      <section ref="lane" :aria-label="$t('record-place.what-is-left-of-its')">
        <h2>{{ $t('record-place.what-is-left-of-its') }}</h2>
        <template v-if="record.film.ribbon && width > 50">
          <TimeAxis
            :from="record.film.from"
            :to="record.film.to"
            :today="record.film.today"
            :width="Math.floor(width)"
          />
          <Ribbon
            :ribbon="record.film.ribbon"
            :from="record.film.from"
            :to="record.film.to"
            :today="record.film.today"
            :width="Math.floor(width)"
            :height="110"
          />
        </template>
        <ul class="lines small">
          <li v-for="layer in record.layers" :key="layer.zone + layer.name + layer.on">
            <span
              ><strong>{{ layer.name }}</strong>
              {{
                $t('record-place.on-2', {
                  kind: within(layerKinds[layer.kind] ?? layer.kind),
                  zone: within(zones[layer.zone] ?? layer.zone),
                })
              }}</span
            >
            <span>{{
              layer.until
                ? $t('record-place.from-to', { from: day(layer.on), to: day(layer.until) })
                : $t('record-place.since', { day: day(layer.on) })
            }}</span>
          </li>
        </ul>
      </section>
      <h2 v-if="record.kind !== 'turn'">
        {{ $t('record-place.turns', { n: record.turns.length }, record.turns.length) }}
      </h2>
      <RecordTurn v-for="turn in record.turns" :key="turn.id" :turn="turn" :at="`/api/v1/records/${secret}`" />
      <section v-if="record.cautions.length" :aria-label="$t('record-place.cautions')">
        <h2>{{ $t('record-place.cautions') }}</h2>
        <p v-for="one in record.cautions" :key="one" class="caution">{{ one }}</p>
      </section>
      <footer class="quiet small row">
        <Mark /> {{ $t('record-place.written-what-was-recorded', { day: day(record.written_on) }) }}
      </footer>
    </template>
  </main>
</template>

<style scoped>
.record {
  padding-top: var(--s5);
  max-width: 820px;
}

header {
  border-bottom: 4px solid var(--film);
  padding-bottom: var(--s3);
  margin-bottom: var(--s4);
}

header p {
  margin: 0 0 4px;
}

section {
  margin-bottom: var(--s4);
}

.due {
  color: var(--due);
}

.caution {
  border-left: 3px solid var(--ink);
  padding-left: var(--s3);
}
</style>
