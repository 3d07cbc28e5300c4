<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, onMounted } from 'vue'
import { useRouter } from 'vue-router'
import { all, api, told, toldWithTag, type Schemas } from '@/api/client'
import { dayIn } from '@/lib/dates'
import { useEdit } from '@/lib/edit'
import { omit } from '@/lib/omit'
import { useMe } from '@/lib/session'
import { useUnits } from '@/lib/units'
import { bodies, finishes, materials, roads, storages, tones, wheelFinishes } from '@/lib/words'
import EditEnd from '@/parts/EditEnd.vue'
import Field from '@/parts/Field.vue'
import Months from '@/parts/Months.vue'
import PlainInput from '@/parts/PlainInput.vue'
import PlainSelect from '@/parts/PlainSelect.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import MeasureBox from './MeasureBox.vue'
import RhythmFields from './RhythmFields.vue'
import SearchSelect from '@/parts/SearchSelect.vue'
import SchoolPicks from '@/places/door/workspace/SchoolPicks.vue'

const props = defineProps<{ id: string }>()
const router = useRouter()
const { zone, isOwner, workspace } = useMe()
const units = useUnits()
const path = { params: { path: { vehicle: props.id } } }

const { form, problem, busy, load, save, fields, newer, overrule, takeTheirs } = useEdit<Schemas['Vehicle']>({
  load: () => toldWithTag(api.GET('/api/v1/vehicles/{vehicle}', path)),
  save: (row, tag) =>
    told(
      api.PATCH('/api/v1/vehicles/{vehicle}', {
        params: { ...path.params, header: { 'If-Match': tag } },
        body: omit(row, ['id', 'client', 'site', 'archived', 'layers', 'version']),
      }),
    ),
  touches: [['vehicle', props.id], ['film'], ['vehicles']],
})
onMounted(load)

const { data: clients } = useQuery({
  queryKey: ['clients'],
  queryFn: () => all((cursor) => told(api.GET('/api/v1/clients', { params: { query: { limit: 200, cursor } } }))),
})
const { data: sites } = useQuery({
  queryKey: ['sites'],
  queryFn: () => all((cursor) => told(api.GET('/api/v1/sites', { params: { query: { limit: 200, cursor } } }))),
})
const named = (rows?: { id: string; name: string }[]) =>
  Object.fromEntries((rows ?? []).map((row) => [row.id, row.name]))
const toneNames = Object.fromEntries(Object.entries(tones).map(([key, tone]) => [key, tone.name]))

const km = computed({
  get: () => (form.value ? units.distanceOut(form.value.km_per_week) : 0),
  set: (typed) => form.value && (form.value.km_per_week = units.distanceIn(Number(typed))),
})
const tall = computed(() => ['van', 'minibus', 'coach', 'horsebox', 'boat'].includes(form.value?.body ?? ''))
const area = computed({
  get: () => (form.value ? units.areaOut(form.value.paint_m2) : 0),
  set: (typed) => form.value && (form.value.paint_m2 = Number(units.areaIn(Number(typed)).toFixed(1))),
})

async function done(work: Promise<boolean>) {
  if (await work) await router.push(`/vehicles/${props.id}`)
}

async function archive(away: boolean) {
  try {
    await told(
      away ? api.DELETE('/api/v1/vehicles/{vehicle}', path) : api.POST('/api/v1/vehicles/{vehicle}/restore', path),
    )
    await load()
  } catch (caught) {
    problem.value = caught
  }
}
</script>

<template>
  <div class="page narrow">
    <h1>{{ form?.name ?? 'Vehicle' }}</h1>
    <form v-if="form" class="grid" novalidate @submit.prevent="done(save())">
      <section class="sheet cols two">
        <Field label="Name" :error="fields.name"
          ><template #default="f"><PlainInput v-bind="f" v-model="form.name" maxlength="120" /></template
        ></Field>
        <Field label="Model" optional
          ><template #default="f"><PlainInput v-bind="f" v-model="form.model" maxlength="120" /></template
        ></Field>
        <Field label="Plate" optional
          ><template #default="f"><PlainInput v-bind="f" v-model="form.plate" maxlength="20" /></template
        ></Field>
        <Field label="On the road since" optional :error="fields.in_service_on"
          ><template #default="f"
            ><PlainInput v-bind="f" v-model="form.in_service_on" type="date" :max="dayIn(zone)" /></template
        ></Field>
        <Field label="Owner"
          ><template #default="f"
            ><SearchSelect v-bind="f" v-model="form.client_id" :options="named(clients)" none="—" /></template
        ></Field>
        <Field label="Place"
          ><template #default="f"
            ><SearchSelect v-bind="f" v-model="form.site_id" :options="named(sites)" none="—" /></template
        ></Field>
      </section>

      <section class="sheet grid">
        <h2>Surfaces</h2>
        <div class="cols two">
          <Field label="Body" :error="fields.body"
            ><template #default="f"><PlainSelect v-bind="f" v-model="form.body" :options="bodies" /></template
          ></Field>
          <Field label="Painted area" :error="fields.paint_m2"
            ><template #default="f"
              ><PlainInput
                v-bind="f"
                v-model="area"
                type="number"
                step="0.1"
                :suffix="units.areaUnit.value" /></template
          ></Field>
          <Field label="Colour" optional
            ><template #default="f"><PlainInput v-bind="f" v-model="form.colour" maxlength="60" /></template
          ></Field>
          <Field label="Tone" hint="How much sun it drinks."
            ><template #default="f"><PlainSelect v-bind="f" v-model="form.tone" :options="toneNames" /></template
          ></Field>
          <Field label="Paint hardness"
            ><template #default="f"
              ><PlainSelect
                v-bind="f"
                v-model="form.hardness"
                :options="{ soft: 'Soft', medium: 'Medium', hard: 'Hard' }" /></template
          ></Field>
          <Field label="Wheels"
            ><template #default="f"
              ><PlainSelect v-bind="f" v-model="form.wheel_finish" :options="wheelFinishes" /></template
          ></Field>
          <Field label="Panels of" hint="How much heat they hold."
            ><template #default="f"><PlainSelect v-bind="f" v-model="form.material" :options="materials" /></template
          ></Field>
        </div>
        <MeasureBox v-if="tall" @area="(m2) => form && (form.paint_m2 = m2)" />
        <label class="row check"
          ><input v-model="form.base_unknown" type="checkbox" /> Nobody knows what lies on the paint (until a layer is
          declared)</label
        >
        <fieldset>
          <legend>What is special about the paint</legend>
          <div class="row">
            <label v-for="(name, key) in finishes" :key="key" class="row check"
              ><input v-model="form.finish" type="checkbox" :value="key" /> {{ name }}</label
            >
          </div>
        </fieldset>
      </section>

      <section class="sheet grid">
        <h2>Habits and rhythm</h2>
        <p class="quiet small">These decide how fast a layer wears between visits. Changing them moves the dates.</p>
        <div class="cols two">
          <Field label="Where it stands"
            ><template #default="f"><PlainSelect v-bind="f" v-model="form.storage" :options="storages" /></template
          ></Field>
          <Field label="Roads"
            ><template #default="f"><PlainSelect v-bind="f" v-model="form.road" :options="roads" /></template
          ></Field>
          <Field label="Distance a week" :error="fields.km_per_week"
            ><template #default="f"
              ><PlainInput v-bind="f" v-model="km" type="number" min="0" :suffix="units.distanceUnit.value" /></template
          ></Field>
        </div>
        <Months
          v-model="form.salt_months"
          label="Roads are salted in"
          hint="Salt wears a layer faster and is washed off sooner. The months of the workspace hold until you change them here."
        />
        <RhythmFields v-model="form" :fields="fields" />
        <div class="cols three">
          <Field label="Washed at most every" :error="fields.cadence_min"
            ><template #default="f"
              ><PlainInput v-bind="f" v-model="form.cadence_min" type="number" min="1" suffix="days" /></template
          ></Field>
          <Field label="Usually every" :error="fields.cadence_target"
            ><template #default="f"
              ><PlainInput v-bind="f" v-model="form.cadence_target" type="number" min="1" suffix="days" /></template
          ></Field>
          <Field label="At the latest after" :error="fields.cadence_max"
            ><template #default="f"
              ><PlainInput v-bind="f" v-model="form.cadence_max" type="number" min="1" suffix="days" /></template
          ></Field>
        </div>
        <Field label="Note" optional
          ><template #default="f"><PlainInput v-bind="f" v-model="form.note" maxlength="2000" /></template
        ></Field>
      </section>

      <details class="sheet" :open="Object.keys(form.schools).length > 0">
        <summary><h2>Schools of its own</h2></summary>
        <SchoolPicks v-model="form.schools" :follow="workspace?.schools ?? {}" />
      </details>

      <EditEnd
        :problem="problem"
        :newer="newer"
        :mine="form"
        :busy="busy"
        @overrule="done(overrule())"
        @take="takeTheirs"
      >
        <RouterLink :to="`/vehicles/${id}`" class="words">Leave it</RouterLink>
        <button v-if="isOwner" type="button" class="words" @click="archive(!form.archived)">
          {{ form.archived ? 'Take it out again' : 'Put the vehicle away' }}
        </button>
      </EditEnd>
      <p v-if="form.archived" class="quiet">
        It is put away: nothing of its record is lost, and it no longer stands on the film.
      </p>
    </form>
    <ProblemNote v-else :problem="problem" />
  </div>
</template>

<style scoped>
h1 {
  margin-bottom: var(--s4);
}

summary {
  cursor: pointer;
}

summary h2 {
  display: inline;
}

details[open] summary {
  margin-bottom: var(--s4);
}
</style>
