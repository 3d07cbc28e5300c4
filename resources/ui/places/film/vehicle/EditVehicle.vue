<script setup lang="ts">
import { computed, onMounted } from 'vue'
import { useRouter } from 'vue-router'
import { api, told, toldWithTag, type Schemas } from '@/api/client'
import { dayIn } from '@/lib/dates'
import { useEdit } from '@/lib/edit'
import { fieldsOf } from '@/lib/form'
import { useClientNames, useSiteNames } from '@/lib/lists'
import { omit } from '@/lib/omit'
import { wentAway } from '@/lib/gone'
import { useMe } from '@/lib/session'
import { useUnits } from '@/lib/units'
import { asOptions } from '@/lib/options'
import { bodies, finishes, materials, roads, storages, tones, wheelFinishes } from '@/lib/words'
import EditForm from '@/parts/EditForm.vue'
import Months from '@/parts/Months.vue'
import RowFields from '@/parts/RowFields.vue'
import TickMany from '@/parts/TickMany.vue'
import MeasureBox from './MeasureBox.vue'
import RhythmFields from './RhythmFields.vue'
import SchoolPicks from '@/places/door/workspace/SchoolPicks.vue'

const props = defineProps<{ id: string }>()
const router = useRouter()
const { zone, isOwner, workspace } = useMe()
const units = useUnits()
const path = { params: { path: { vehicle: props.id } } }

const edit = useEdit<Schemas['Vehicle']>({
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
onMounted(edit.load)

const clients = useClientNames()
const sites = useSiteNames()
const toneNames = Object.fromEntries(Object.entries(tones).map(([key, tone]) => [key, tone.name]))
const tall = computed(() => ['van', 'minibus', 'coach', 'horsebox', 'boat'].includes(edit.form?.body ?? ''))

const fields = fieldsOf<Schemas['Vehicle']>()
const ask = computed(() => ({
  which: fields(
    { name: 'name', label: 'Name', as: 'text', longest: 120 },
    { name: 'model', label: 'Model', as: 'text', longest: 120, optional: true },
    { name: 'plate', label: 'Plate', as: 'text', longest: 20, optional: true },
    { name: 'in_service_on', label: 'On the road since', as: 'day', max: dayIn(zone.value), optional: true },
    { name: 'client_id', label: 'Owner', as: 'one', options: clients.value, none: '—' },
    { name: 'site_id', label: 'Place', as: 'one', options: sites.value, none: '—' },
  ),
  surfaces: fields(
    { name: 'body', label: 'Body', as: 'one', options: bodies },
    {
      name: 'paint_m2',
      label: 'Painted area',
      as: 'number',
      step: 0.1,
      suffix: units.areaUnit.value,
      unit: { shown: units.areaOut, kept: units.areaIn },
    },
    { name: 'colour', label: 'Colour', as: 'text', longest: 60, optional: true },
    { name: 'tone', label: 'Tone', hint: 'How much sun it drinks.', as: 'one', options: toneNames },
    {
      name: 'hardness',
      label: 'Paint hardness',
      as: 'one',
      options: { soft: 'Soft', medium: 'Medium', hard: 'Hard' },
    },
    { name: 'wheel_finish', label: 'Wheels', as: 'one', options: wheelFinishes },
    { name: 'material', label: 'Panels of', hint: 'How much heat they hold.', as: 'one', options: materials },
  ),
  unknown: fields({
    name: 'base_unknown',
    label: 'Nobody knows what lies on the paint (until a layer is declared)',
    as: 'tick',
  }),
  habits: fields(
    { name: 'storage', label: 'Where it stands', as: 'one', options: storages },
    { name: 'road', label: 'Roads', as: 'one', options: roads },
    {
      name: 'km_per_week',
      label: 'Distance a week',
      as: 'number',
      suffix: units.distanceUnit.value,
      unit: { shown: units.distanceOut, kept: units.distanceIn },
    },
  ),
  cadence: fields(
    { name: 'cadence_min', label: 'Washed at most every', as: 'number', suffix: 'days' },
    { name: 'cadence_target', label: 'Usually every', as: 'number', suffix: 'days' },
    { name: 'cadence_max', label: 'At the latest after', as: 'number', suffix: 'days' },
  ),
  note: fields({ name: 'note', label: 'Note', as: 'text', longest: 2000, optional: true }),
}))

const archive = (away: boolean) =>
  edit.attempt(
    () =>
      told(
        away ? api.DELETE('/api/v1/vehicles/{vehicle}', path) : api.POST('/api/v1/vehicles/{vehicle}/restore', path),
      ),
    async () => {
      if (away) wentAway(`${edit.form?.name ?? 'It'} was put away.`, () => archive(false))
      await edit.load()
    },
  )
</script>

<template>
  <div class="page narrow">
    <h1>{{ edit.form?.name ?? 'Vehicle' }}</h1>
    <EditForm :edit="edit" @done="router.push(`/vehicles/${id}`)">
      <template #default="{ form, errors }">
        <section class="sheet"><RowFields :row="form" :ask="ask.which" :errors="errors" :columns="2" /></section>

        <section class="sheet grid">
          <h2>Surfaces</h2>
          <RowFields :row="form" :ask="ask.surfaces" :errors="errors" :columns="2" />
          <MeasureBox v-if="tall" @area="(m2) => (form.paint_m2 = m2)" />
          <RowFields :row="form" :ask="ask.unknown" :errors="errors" />
          <TickMany v-model="form.finish" label="What is special about the paint" :options="asOptions(finishes)" />
        </section>

        <section class="sheet grid">
          <h2>Habits and rhythm</h2>
          <p class="quiet small">These decide how fast a layer wears between visits. Changing them moves the dates.</p>
          <RowFields :row="form" :ask="ask.habits" :errors="errors" :columns="2" />
          <Months
            v-model="form.salt_months"
            label="Roads are salted in"
            hint="Salt wears a layer faster and is washed off sooner. The months of the workspace hold until you change them here."
          />
          <RhythmFields :row="form" :fields="errors" />
          <RowFields :row="form" :ask="ask.cadence" :errors="errors" :columns="3" />
          <RowFields :row="form" :ask="ask.note" :errors="errors" />
        </section>

        <details class="sheet" :open="Object.keys(form.schools).length > 0">
          <summary><h2>Schools of its own</h2></summary>
          <SchoolPicks v-model="form.schools" :follow="workspace?.schools ?? {}" />
        </details>
      </template>
      <template #ways="{ form }">
        <RouterLink :to="`/vehicles/${id}`" class="words">Cancel</RouterLink>
        <button v-if="isOwner" type="button" class="words" @click="archive(!form.archived)">
          {{ form.archived ? 'Take it out again' : 'Put the vehicle away' }}
        </button>
      </template>
      <template #after="{ form }">
        <p v-if="form.archived" class="quiet">
          It is put away: nothing of its record is lost, and it no longer stands on the film.
        </p>
      </template>
    </EditForm>
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
