<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { useSessionStorage } from '@vueuse/core'
import { computed, ref } from 'vue'
import { api, Problem, told, type Schemas } from '@/api/client'
import { dayIn } from '@/lib/dates'
import { newId } from '@/lib/ids'
import { useMe } from '@/lib/session'
import { bodies, families, tones } from '@/lib/words'
import Choices from '@/parts/Choices.vue'
import Field from '@/parts/Field.vue'
import DayInput from '@/parts/DayInput.vue'
import OneOf from '@/parts/OneOf.vue'
import TextInput from '@/parts/TextInput.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import FirstDate from './FirstDate.vue'

const { zone } = useMe()
const queries = useQueryClient()

// What has been answered survives a reload; the key makes a second press of the button the same request.
const blank = () => ({
  id: newId(),
  key: newId(),
  name: '',
  body: '',
  tone: '',
  matte: false,
  family: '',
  layer: '',
  since: '',
  unsure: false,
})
const answers = useSessionStorage('start', blank())
const started = ref<Schemas['Vehicle'] | null>(null)
const problem = ref<unknown>(null)
const busy = ref(false)
const fields = computed(() => (problem.value instanceof Problem ? problem.value.fields : {}))

const familyOptions = [
  ...Object.entries(families).map(([value, family]) => ({ value, ...family })),
  { value: 'unknown', name: 'Nobody knows', says: 'Only what suits everything is let on it' },
]
const toneOptions = Object.entries(tones).map(([value, tone]) => ({ value, name: tone.name }))
const bare = computed(() => ['bare', 'unknown'].includes(answers.value.family ?? ''))
const ready = computed(
  () =>
    answers.value.name.trim() &&
    answers.value.body &&
    answers.value.family &&
    (bare.value || answers.value.since || answers.value.unsure),
)

function ago(weeks: number) {
  answers.value.unsure = false
  answers.value.since = dayIn(zone.value, Date.now() - weeks * 7 * 86_400_000)
}

async function save() {
  busy.value = true
  problem.value = null
  const given = answers.value
  try {
    started.value = await told(
      api.POST('/api/v1/start', {
        params: { header: { 'Idempotency-Key': given.key } },
        body: {
          id: given.id,
          name: given.name.trim(),
          body: given.body,
          ...(given.tone ? { tone: given.tone } : {}),
          finish: given.matte ? ['matte'] : [],
          family: given.family,
          layer_name: given.layer.trim() || null,
          since: bare.value || given.unsure ? null : given.since,
        },
      }),
    )
    await queries.invalidateQueries({ queryKey: ['film'] })
    answers.value = blank()
  } catch (caught) {
    problem.value = caught
    // Saved already under this key with other answers: these are a new request.
    if (caught instanceof Problem && caught.status === 409) Object.assign(answers.value, { id: newId(), key: newId() })
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <div class="page narrow">
    <FirstDate v-if="started" :vehicle="started" @again="started = null" />
    <form v-else class="grid" novalidate @submit.prevent="save">
      <header>
        <h1>Three questions</h1>
        <p class="quiet">Everything else has a sensible default that can be changed later.</p>
      </header>

      <section class="sheet grid">
        <h2><span class="no">1</span> What vehicle?</h2>
        <div class="cols two">
          <Field label="What do you call it?" :error="fields.name">
            <template #default="{ id, describedby }">
              <TextInput
                :id="id"
                v-model="answers.name"
                :describedby="describedby"
                autocomplete="off"
                placeholder="The blue estate"
                maxlength="120"
              />
            </template>
          </Field>
          <Field label="Its body" :error="fields.body">
            <template #default="{ id, describedby }">
              <OneOf
                :id="id"
                v-model="answers.body"
                :describedby="describedby"
                :options="{ '': 'Choose…', ...bodies }"
              />
            </template>
          </Field>
        </div>
        <Choices v-model="answers.tone" label="Its colour" :options="toneOptions" compact>
          <template #drawing="{ option }"
            ><span class="swatch" :style="{ background: tones[option.value]?.colour }"
          /></template>
        </Choices>
        <ElCheckbox v-model="answers.matte">It is matte</ElCheckbox>
      </section>

      <section class="sheet grid">
        <h2><span class="no">2</span> What is on its paint?</h2>
        <Choices
          v-model="answers.family"
          label="The layer that should last"
          hide-label
          :options="familyOptions"
          :columns="3"
          :error="fields.family"
        />
        <Field v-if="answers.family && !bare" label="Its name" optional :error="fields.layer_name">
          <template #default="{ id }"
            ><TextInput :id="id" v-model="answers.layer" maxlength="120" placeholder="As on the invoice or the bottle"
          /></template>
        </Field>
      </section>

      <section v-if="!bare" class="sheet grid">
        <h2><span class="no">3</span> Since when?</h2>
        <div class="cols two">
          <Field label="The day it went on" :error="fields.since">
            <template #default="{ id, describedby }">
              <DayInput
                :id="id"
                v-model="answers.since"
                :describedby="describedby"
                :max="dayIn(zone)"
                :disabled="answers.unsure"
              />
            </template>
          </Field>
          <div class="about">
            <span class="label">or about</span>
            <div class="row">
              <button type="button" class="beside" @click="ago(2)">2 weeks ago</button>
              <button type="button" class="beside" @click="ago(13)">3 months</button>
              <button type="button" class="beside" @click="ago(52)">a year</button>
            </div>
          </div>
        </div>
        <ElCheckbox v-model="answers.unsure">I don’t know: assume it is somewhere in mid-life</ElCheckbox>
      </section>

      <ProblemNote :problem="problem" />
      <div class="row">
        <button type="submit" class="act" :disabled="!ready || busy">
          {{ busy ? 'Reckoning…' : bare ? 'Save the vehicle' : 'When is it due?' }}
        </button>
        <RouterLink to="/" class="words">Not now</RouterLink>
      </div>
    </form>
  </div>
</template>

<style scoped>
.no {
  display: inline-grid;
  place-items: center;
  width: 30px;
  height: 26px;
  margin-right: 6px;
  border-bottom: 3px solid var(--film);
}

.swatch {
  width: 22px;
  height: 22px;
  border-radius: 50%;
  border: 1px solid var(--line-strong);
  flex: none;
}

.about {
  display: grid;
  gap: 5px;
  align-content: start;
}

.about .row {
  gap: var(--s2);
}

.label {
  font-weight: 600;
}
</style>
