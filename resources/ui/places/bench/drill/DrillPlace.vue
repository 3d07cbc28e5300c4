<script setup lang="ts">
import { useDeed } from '@/lib/deed'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, nextTick, ref, useTemplateRef } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import { newId } from '@/lib/ids'
import { useMe } from '@/lib/session'
import { useUnits } from '@/lib/units'
import { waters } from '@/lib/words'
import Choices from '@/parts/Choices.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import SoilDrawing from '@/film/SoilDrawing.vue'
import BenchNav from '@/places/bench/BenchNav.vue'
import { contaminants } from '@/places/bench/words'
import DrillPeople from './DrillPeople.vue'
import DrillStanding from './DrillStanding.vue'

// Practice for whoever is new: a vehicle of the book, a day, its dirt. Choose; the rules answer with why.
const { isOwner } = useMe()
const units = useUnits()
const queries = useQueryClient()
const { data, error, isFetching, refetch } = useQuery({
  queryKey: ['drill'],
  // Drawn by chance: asked again it is another one, under the hand of whoever is at it.
  meta: { drawn: true },
  staleTime: Infinity,
  refetchOnWindowFocus: false,
  queryFn: () => told(api.GET('/api/v1/drill')),
})
const given = ref<{ method: string; soap: string; drying: string; topper: string }>({
  method: '',
  soap: '',
  drying: '',
  topper: '',
})
const result = ref<Schemas['DrillResult'] | null>(null)
const { busy, problem, attempt } = useDeed()
const key = ref(newId())
const which = computed(() => data.value?.case)
const none = computed(() => given.value.method === 'none')
const ready = computed(
  () =>
    given.value.method !== '' &&
    (none.value || (given.value.soap !== '' && given.value.drying !== '' && given.value.topper !== '')),
)
const asChoices = (some: Schemas['DrillChoice'][] | undefined) =>
  (some ?? []).map((one) => ({ value: one.value, name: one.says }))
const names: Record<string, string> = { method: 'Method', soap: 'Soap', drying: 'Drying', topper: 'Topper' }
const listOf = (judgement: string): Schemas['DrillChoice'][] =>
  ({
    method: which.value?.methods,
    soap: which.value?.soaps,
    drying: which.value?.ways,
    topper: which.value?.decisions,
  })[judgement] ?? []
const said = (judgement: string, value: string) =>
  listOf(judgement).find((one) => one.value === value)?.says ?? (value === 'none' ? 'nothing' : value)
const answers = useTemplateRef<HTMLElement>('answers')
async function answer() {
  const of = which.value
  if (!of) return
  await attempt(async () => {
    result.value = await told(
      api.POST('/api/v1/drill', {
        params: { header: { 'Idempotency-Key': key.value } },
        body: {
          vehicle_id: of.vehicle_id,
          seed: of.seed,
          focus: of.focus,
          level: of.level,
          given: none.value ? { method: 'none' } : { ...given.value },
        },
      }),
    )
    // At once: whoever already reads or presses on is not moved by a list beside it that comes later.
    await nextTick()
    answers.value?.focus()
    await queries.invalidateQueries({ queryKey: ['drill-people'] })
  })
}
async function next() {
  result.value = null
  given.value = { method: '', soap: '', drying: '', topper: '' }
  key.value = newId()
  await refetch()
  window.scrollTo({ top: 0 })
}
const soils = ['clean', 'light dust', 'road film', 'road grime', 'heavy dirt', 'caked on']
const day = computed(() => {
  const of = which.value
  if (!of) return []
  const { weather, place } = of
  return [
    `${units.temperature(weather.air_c)}, humidity ${Math.round(weather.rh * 100)} %, wind ${weather.wind_m_s} m/s, ${weather.sun_w_m2 > 450 ? 'hard sun' : weather.sun_w_m2 > 150 ? 'some sun' : 'overcast'}${weather.rain ? ', raining' : ''}.`,
    `${waters[place.water] ?? place.water}${place.water !== 'none' && !place.pressure ? ', no pressure washer' : ''}, ${place.power ? 'power' : 'no power'}${place.shade ? ', shade' : ''}${place.bay ? ', a warm bay' : ''}.`,
    `Soil: ${soils[of.soil] ?? of.soil}${of.grit ? ', gritty' : ''}${of.on.length ? `; ${of.on.map((one) => contaminants.find((known) => known.value === one)?.name.toLowerCase() ?? one).join(', ')} on it` : ''}.`,
    of.after_wash ? `Washed, the clean water stands ${of.after_wash}.` : 'The clean water has not been read.',
  ]
})
</script>

<template>
  <div class="page drill">
    <BenchNav />
    <p class="lead">
      A vehicle, its dirt, its water and its weather, drawn by chance: say what you would do, and read what the rules
      would and why. Four judgements are trained: method, soap, drying, topper; what you get wrong comes back sooner,
      and it gets harder as you get better.
    </p>
    <ProblemNote :problem="error" />
    <div v-if="data && which" class="sides">
      <div class="grid">
        <section class="sheet case" :aria-label="`${which.vehicle}, this day`">
          <div>
            <h2>{{ which.vehicle }}</h2>
            <p v-for="one in [...which.says, ...day]" :key="one">{{ one }}</p>
          </div>
          <SoilDrawing :level="which.soil" class="dirt" />
        </section>
        <form v-if="!result" class="grid" novalidate @submit.prevent="answer">
          <Choices
            v-model="given.method"
            label="How is it washed?"
            compact
            :columns="3"
            :options="asChoices(which.methods)"
          />
          <template v-if="!none">
            <Choices v-model="given.soap" label="With what?" compact :columns="3" :options="asChoices(which.soaps)" />
            <Choices
              v-model="given.drying"
              label="How does the water come off?"
              compact
              :columns="3"
              :options="asChoices(which.ways)"
            />
            <Choices
              v-model="given.topper"
              label="And the topper?"
              compact
              :columns="3"
              :options="asChoices(which.decisions)"
            />
          </template>
          <ProblemNote :problem="problem" />
          <button type="submit" class="act" :disabled="!ready || busy">That is what I would do</button>
        </form>
        <section v-else ref="answers" tabindex="-1" class="grid" aria-label="What the rules say" role="status">
          <article v-for="one in result.judged" :key="one.judgement" class="sheet" :class="{ wrong: !one.right }">
            <h3>{{ names[one.judgement] }}: {{ one.right ? 'right' : 'not that' }}</h3>
            <p v-if="one.says">{{ one.says }}</p>
            <p>
              <strong>{{ said(one.judgement, one.ours) }}.</strong> {{ one.why }}
            </p>
          </article>
          <button type="button" class="act" :disabled="isFetching" @click="next">Another one</button>
        </section>
      </div>
      <aside class="grid">
        <DrillStanding :standing="result?.standing ?? data.standing" :focus="which.focus" />
        <DrillPeople v-if="isOwner" />
        <p class="small quiet">
          The rules answer as the bench would, with your workspace’s schools. On a real vehicle the bottle’s label and
          its safety sheet come first.
        </p>
      </aside>
    </div>
  </div>
</template>

<style scoped>
.sides {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 320px;
  gap: var(--s5);
  align-items: start;
}

.case {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: var(--s4);
}

.case p {
  margin: 0 0 3px;
}

.dirt {
  max-width: 150px;
}

.act {
  justify-self: start;
}

article p {
  margin: 0 0 4px;
}

article {
  border-left: 5px solid var(--film);
}

.wrong {
  border-left-color: var(--refused);
}

h3 {
  margin: 0 0 4px;
}

section:focus {
  outline: none;
}

@media (max-width: 600px) {
  .case {
    grid-template-columns: minmax(0, 1fr);
  }

  .dirt {
    order: -1;
  }
}

@media (max-width: 900px) {
  .sides {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
