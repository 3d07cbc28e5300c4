<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { useElementSize } from '@vueuse/core'
import { computed, nextTick, onMounted, useTemplateRef } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import Ribbon from '@/film/Ribbon.vue'
import TimeAxis from '@/film/TimeAxis.vue'
import { fromToday, shortDay } from '@/lib/dates'
import { useMe } from '@/lib/session'

const props = defineProps<{ vehicle: Schemas['Vehicle'] }>()
defineEmits<{ again: [] }>()
const { zone, workspace } = useMe()
const layer = computed(() => props.vehicle.layers?.[0])
const forecast = computed(() => layer.value?.forecast)
const { data: film } = useQuery({
  queryKey: ['vehicle', props.vehicle.id, 'film'],
  queryFn: () => told(api.GET('/api/v1/vehicles/{vehicle}/film', { params: { path: { vehicle: props.vehicle.id } } })),
})
const lane = useTemplateRef('lane')
const { width } = useElementSize(lane)
const title = useTemplateRef<HTMLElement>('title')
onMounted(async () => {
  await nextTick()
  title.value?.focus()
})
</script>

<template>
  <section class="grid">
    <template v-if="forecast?.due_on && layer">
      <h1 ref="title" tabindex="-1">
        {{ vehicle.name }}: renew by <span class="due">{{ shortDay(forecast.due_on, zone) }}</span>
      </h1>
      <p class="lead">
        That is {{ fromToday(forecast.due_on, zone) }}. Worth doing from
        {{ shortDay(forecast.from_on ?? forecast.due_on, zone)
        }}<template v-if="forecast.late_on">, late after {{ shortDay(forecast.late_on, zone) }}</template
        >.
      </p>
      <div ref="lane" class="sheet">
        <template v-if="film?.ribbons[0] && width > 50">
          <TimeAxis :from="film.from" :to="film.to" :today="film.today" :width="Math.floor(width)" />
          <Ribbon
            :ribbon="film.ribbons[0]"
            :from="film.from"
            :to="film.to"
            :today="film.today"
            :width="Math.floor(width)"
            :height="110"
          />
        </template>
      </div>
      <p><strong>Why then?</strong> {{ forecast.why }}</p>
      <p class="quiet">
        Its life is taken as {{ forecast.p10_weeks }} to {{ forecast.p90_weeks }} reference weeks (8 in 10 fall
        between). Tell where it stands and how far it drives, and read the water after a wash: each makes the date
        surer. The accepted risk of {{ workspace?.caution }} % is in the workspace’s settings.
      </p>
    </template>
    <template v-else>
      <h1 ref="title" tabindex="-1">{{ vehicle.name }} is in the book</h1>
      <p>
        There is nothing on its paint to keep alive yet. A maintenance wash only makes sense on something to maintain: a
        sealant or a coating first, then a date stands here.
      </p>
    </template>
    <div class="row">
      <RouterLink :to="`/vehicles/${vehicle.id}`" class="act">Open the vehicle</RouterLink>
      <RouterLink :to="`/vehicles/${vehicle.id}/edit`" class="beside">Tell more about it</RouterLink>
      <button type="button" class="words" @click="$emit('again')">Another vehicle</button>
    </div>
  </section>
</template>

<style scoped>
h1:focus {
  outline: none;
}

.lead {
  font: 500 18px/1.45 var(--book);
}
</style>
