<script setup lang="ts">
import { answered } from '@/lib/reckon'
import { useDeed } from '@/lib/deed'
import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/vue-query'
import { refDebounced, useElementSize, useLocalStorage } from '@vueuse/core'
import { computed, ref, useTemplateRef } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import TankLevel from '@/film/TankLevel.vue'
import { newId } from '@/lib/ids'
import { useUnits } from '@/lib/units'
import Field from '@/parts/Field.vue'
import NumberInput from '@/parts/NumberInput.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import { useGear } from '@/places/shelf/mix/gear'

// Will the treated water last: so much in the tank, so much made meanwhile, so many turns that draw from it.
const units = useUnits()
const queries = useQueryClient()
const { gear } = useGear()
const tank = computed(() => gear.value.find((one) => one.kind === 'tank'))
const ro = computed(() => gear.value.find((one) => one.kind === 'ro'))
const level = computed(() => tank.value?.events.find((event) => event.kind === 'level')?.facts.l ?? null)
const form = useLocalStorage(
  'tank-run',
  {
    start: null as number | null,
    makes: true,
    draws: [
      { start: 50, minutes: 5, l_min: 6 },
      { start: 150, minutes: 5, l_min: 6 },
    ],
  },
  { mergeDefaults: true },
)
const start = computed(() =>
  typeof form.value.start === 'number' ? form.value.start : (level.value ?? tank.value?.facts.l ?? 0),
)
const horizon = computed(() =>
  Math.max(60, ...form.value.draws.map((draw) => Number(draw.start) + Number(draw.minutes) + 15)),
)
const ask = computed(() => ({
  tank_l: tank.value?.facts.l ?? 0,
  on_below_l: tank.value?.facts.on_below_l ?? 0,
  make_l_min: form.value.makes ? (ro.value?.facts.make_l_min ?? 0) : 0,
  recovery: ro.value?.facts.recovery ?? 0.5,
  start_l: start.value,
  draws: form.value.draws.map((draw) => ({
    start_min: Number(draw.start),
    minutes: Number(draw.minutes),
    l_min: Number(draw.l_min),
  })),
  horizon_min: horizon.value,
  points: true,
}))
const asked = refDebounced(ask, 200)
const { data: run, error } = useQuery({
  queryKey: ['tank', asked],
  enabled: computed(() => asked.value.tank_l > 0),
  queryFn: async () =>
    answered<Schemas['ReckonTank']>(await told(api.POST('/api/v1/reckon/tank', { body: asked.value }))),
  placeholderData: keepPreviousData,
  retry: false,
})
const { problem, attempt } = useDeed()
const said = ref('')
async function noteLevel() {
  await attempt(async () => {
    await told(
      api.POST('/api/v1/gear/{gear}/events', {
        params: { path: { gear: tank.value?.id ?? '' }, header: { 'Idempotency-Key': newId() } },
        body: { kind: 'level', facts: { l: start.value } },
      }),
    )
    said.value = `Noted: ${start.value} l.`
    form.value.start = null
    await queries.invalidateQueries({ queryKey: ['gear'] })
  })
}
const box = useTemplateRef('box')
const { width } = useElementSize(box)
const clock = (min: number) => `${Math.floor(min / 60)} h ${String(Math.round(min % 60)).padStart(2, '0')}`
</script>

<template>
  <section class="sheet grid">
    <h2>Will it last?</h2>
    <p v-if="!tank" class="quiet">
      <RouterLink to="/shelf/gear">Put the tank among the gear</RouterLink>, and its level is run here.
    </p>
    <template v-else>
      <div class="cols two">
        <Field label="In it now" :hint="level === null ? 'Full, unless you say' : `Last noted: ${level} l`"
          ><template #default="f"
            ><NumberInput v-bind="f" v-model="form.start" :placeholder="String(start)" suffix="l" /></template
        ></Field>
        <ElCheckbox v-model="form.makes">The membrane runs meanwhile</ElCheckbox>
      </div>
      <fieldset>
        <legend>What draws from it</legend>
        <div v-for="(draw, i) in form.draws" :key="i" class="draw">
          <Field label="After"
            ><template #default="f"><NumberInput v-bind="f" v-model="draw.start" suffix="min" /></template
          ></Field>
          <Field label="For"
            ><template #default="f"><NumberInput v-bind="f" v-model="draw.minutes" suffix="min" /></template
          ></Field>
          <Field label="At"
            ><template #default="f"><NumberInput v-bind="f" v-model="draw.l_min" suffix="l/min" /></template
          ></Field>
          <button
            type="button"
            class="words small"
            :aria-label="`Remove draw ${i + 1}`"
            @click="form.draws.splice(i, 1)"
          >
            remove
          </button>
        </div>
        <button
          type="button"
          class="words small"
          @click="form.draws.push({ start: horizon + 40, minutes: 5, l_min: 6 })"
        >
          One more turn
        </button>
      </fieldset>
      <ProblemNote :problem="error ?? problem" />
      <div v-if="run" ref="box" role="status">
        <p>
          <template v-if="run.empty_at !== null"
            ><strong class="refused">Dry after {{ clock(run.empty_at) }},</strong>
            {{ units.volume(run.short_l * 1000) }} short. Start fuller, let the membrane run ahead, keep the last rinse
            short, or use the tap where it leaves little.</template
          >
          <template v-else
            >It lasts: lowest {{ units.volume(run.min_l * 1000) }} after {{ clock(run.min_at) }}, and
            {{ units.volume(run.end_l * 1000) }} at the end.</template
          >
          <span v-if="run.feed_l > 0" class="small quiet">
            The membrane takes {{ units.volume(run.feed_l * 1000) }} from the tap.</span
          >
        </p>
        <TankLevel
          v-if="width > 60"
          :points="run.points ?? []"
          :holds="tank.facts.l ?? 100"
          :minutes="horizon"
          :empty-at="run.empty_at"
          :width="Math.floor(width)"
          label="Level of the tank"
        />
      </div>
      <div class="row">
        <button type="button" class="beside" @click="noteLevel">Note this level</button>
        <span role="status" class="small">{{ said }}</span>
      </div>
    </template>
  </section>
</template>

<style scoped>
.draw {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr)) auto;
  gap: var(--s2);
  align-items: end;
  margin-bottom: var(--s2);
}

.check {
  align-self: center;
}

p {
  margin: 0 0 var(--s2);
}
</style>
