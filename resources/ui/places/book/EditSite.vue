<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { api, told, toldWithTag, type Schemas } from '@/api/client'
import { useEdit } from '@/lib/edit'
import { fieldsOf } from '@/lib/form'
import { newId } from '@/lib/ids'
import { useClientNames } from '@/lib/lists'
import { omit } from '@/lib/omit'
import { removed } from '@/lib/gone'
import { useMe } from '@/lib/session'
import { useUnits } from '@/lib/units'
import { waters } from '@/lib/words'
import EditForm from '@/parts/EditForm.vue'
import RemoveWay from '@/parts/RemoveWay.vue'
import RowFields from '@/parts/RowFields.vue'
import SiteRegister from './SiteRegister.vue'

const props = defineProps<{ id: string }>()
const emit = defineEmits<{ done: [] }>()
const { isOwner } = useMe()
const units = useUnits()
const isNew = props.id === 'new'
const key = ref(newId())
const path = { params: { path: { site: props.id } } }
const empty: Schemas['Site'] = {
  id: '',
  client_id: null,
  name: '',
  address: null,
  water: 'tap',
  tds_mg_l: null,
  hardness_mg_l: null,
  treated_tds_mg_l: null,
  power: true,
  pressure: true,
  shade: false,
  bay: false,
  latitude: null,
  longitude: null,
  surface: null,
  run_off: null,
  hours: null,
  access: null,
  certificate_expires_on: null,
  travel_min: 0,
  by_register: false,
  admissions: [],
  vehicles: 0,
  version: 0,
}
const clients = useClientNames()

const edit = useEdit<Schemas['Site']>({
  load: () => (isNew ? Promise.resolve({ data: empty, tag: '' }) : toldWithTag(api.GET('/api/v1/sites/{site}', path))),
  save: (row, tag) => {
    const body = {
      ...omit(row, ['id', 'vehicles', 'version']),
      travel_min: row.travel_min || 0,
      admissions: row.admissions
        .filter((one) => one.person.trim() !== '')
        .map((one) => ({ ...one, valid_until: one.valid_until || null })),
    }
    return isNew
      ? told(api.POST('/api/v1/sites', { params: { header: { 'Idempotency-Key': key.value } }, body }))
      : told(api.PATCH('/api/v1/sites/{site}', { params: { ...path.params, header: { 'If-Match': tag } }, body }))
  },
  touches: [['sites'], ['vehicles'], ['film'], ['weeks'], ['round']],
})
onMounted(edit.load)

const remove = () =>
  edit.attempt(
    () => told(api.DELETE('/api/v1/sites/{site}', path)),
    () => {
      removed(edit.form?.name ?? '', path.params.path.site)
      emit('done')
    },
  )

const fields = fieldsOf<Schemas['Site']>()
const ask = computed(() => ({
  place: fields(
    { name: 'name', label: 'Name', as: 'text', longest: 120 },
    { name: 'client_id', label: 'Whose', as: 'one', options: clients.value, none: '—', optional: true },
    { name: 'address', label: 'Address', as: 'text', longest: 240, optional: true },
    { name: 'water', label: 'Water', as: 'one', options: waters },
    { name: 'tds_mg_l', label: 'Solids in the tap water', as: 'number', suffix: 'mg/l', optional: true },
    {
      name: 'hardness_mg_l',
      label: 'Hardness of the tap water',
      hint: 'As the waterworks tell it; stands for the solids until somebody measures',
      as: 'number',
      suffix: units.hardnessUnit.value,
      unit: { shown: units.hardnessOut, kept: units.hardnessIn },
      optional: true,
    },
    {
      name: 'treated_tds_mg_l',
      label: 'Solids, treated',
      as: 'number',
      suffix: 'mg/l',
      optional: true,
      when: (site) => site.water === 'treated',
    },
    { name: 'travel_min', label: 'Way there', as: 'number', suffix: 'min', optional: true },
    { name: 'surface', label: 'Ground', as: 'text', longest: 120, optional: true },
    { name: 'hours', label: 'Open', as: 'text', longest: 120, optional: true },
    { name: 'certificate_expires_on', label: 'Certificate valid until', as: 'day', optional: true },
  ),
  gate: fields({ name: 'access', label: 'Rules of the gate', as: 'text', longest: 240, optional: true }),
  drain: fields(
    {
      name: 'run_off',
      label: 'Where the dirty water runs',
      hint: 'Many places forbid wash water in storm drains. Local rules decide, not this program.',
      as: 'text',
      longest: 240,
      optional: true,
    },
    { name: 'power', label: 'Power', as: 'tick' },
    { name: 'pressure', label: 'A pressure washer can run', as: 'tick' },
    { name: 'shade', label: 'Shade', as: 'tick' },
    { name: 'bay', label: 'A warm bay', as: 'tick' },
  ),
  where: fields(
    {
      name: 'latitude',
      label: 'Latitude',
      hint: 'For the weather there',
      as: 'number',
      suffix: '°N',
      step: 0.0001,
      signed: true,
      optional: true,
    },
    { name: 'longitude', label: 'Longitude', as: 'number', suffix: '°E', step: 0.0001, signed: true, optional: true },
  ),
}))
</script>

<template>
  <EditForm :edit="edit" @done="emit('done')">
    <template #default="{ form, errors }">
      <RowFields :row="form" :ask="ask.place" :errors="errors" :columns="3" />
      <RowFields :row="form" :ask="ask.gate" :errors="errors" />
      <SiteRegister v-model:only="form.by_register" v-model:people="form.admissions" :fields="errors" />
      <RowFields :row="form" :ask="ask.drain" :errors="errors" />
      <RowFields :row="form" :ask="ask.where" :errors="errors" :columns="3" />
    </template>
    <template #ways="{ form }">
      <button type="button" class="words" @click="emit('done')">Cancel</button>
      <RemoveWay v-if="isOwner && !isNew" :name="form.name" @remove="remove"
        >The vehicles stay, without a place.</RemoveWay
      >
    </template>
  </EditForm>
</template>
