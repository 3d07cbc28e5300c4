<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { onMounted, ref } from 'vue'
import { all, api, told, toldWithTag, type Schemas } from '@/api/client'
import { useEdit } from '@/lib/edit'
import { newId } from '@/lib/ids'
import { omit } from '@/lib/omit'
import { useMe } from '@/lib/session'
import { waters } from '@/lib/words'
import EditEnd from '@/parts/EditEnd.vue'
import Field from '@/parts/Field.vue'
import PlainInput from '@/parts/PlainInput.vue'
import PlainSelect from '@/parts/PlainSelect.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import SearchSelect from '@/parts/SearchSelect.vue'
import SiteRegister from './SiteRegister.vue'

const props = defineProps<{ id: string }>()
const emit = defineEmits<{ done: [] }>()
const { isOwner } = useMe()
const isNew = props.id === 'new'
const key = ref(newId())
const sure = ref(false)
const numberOrNull = (typed: unknown) => (String(typed ?? '') === '' ? null : Number(typed))
const path = { params: { path: { site: props.id } } }
const empty: Schemas['Site'] = {
  id: '',
  client_id: null,
  name: '',
  address: null,
  water: 'tap',
  tds_mg_l: null,
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
const { data: clients } = useQuery({
  queryKey: ['clients'],
  queryFn: () => all((cursor) => told(api.GET('/api/v1/clients', { params: { query: { limit: 200, cursor } } }))),
})

const { form, problem, busy, load, save, fields, newer, overrule, takeTheirs } = useEdit<Schemas['Site']>({
  load: () => (isNew ? Promise.resolve({ data: empty, tag: '' }) : toldWithTag(api.GET('/api/v1/sites/{site}', path))),
  save: (row, tag) => {
    const body = {
      ...omit(row, ['id', 'vehicles', 'version']),
      tds_mg_l: numberOrNull(row.tds_mg_l),
      treated_tds_mg_l: numberOrNull(row.treated_tds_mg_l),
      latitude: numberOrNull(row.latitude),
      longitude: numberOrNull(row.longitude),
      travel_min: Number(row.travel_min) || 0,
      certificate_expires_on: row.certificate_expires_on || null,
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
onMounted(load)

async function done(work: Promise<boolean>) {
  if (await work) emit('done')
}

async function remove() {
  try {
    await told(api.DELETE('/api/v1/sites/{site}', path))
    emit('done')
  } catch (caught) {
    problem.value = caught
  }
}
</script>

<template>
  <form v-if="form" class="grid" novalidate @submit.prevent="done(save())">
    <div class="cols three">
      <Field label="Name" :error="fields.name"
        ><template #default="f"><PlainInput v-bind="f" v-model="form.name" maxlength="120" /></template
      ></Field>
      <Field label="Whose" optional
        ><template #default="f"
          ><SearchSelect
            v-bind="f"
            v-model="form.client_id"
            :options="Object.fromEntries((clients ?? []).map((row) => [row.id, row.name]))"
            none="—" /></template
      ></Field>
      <Field label="Address" optional
        ><template #default="f"><PlainInput v-bind="f" v-model="form.address" maxlength="240" /></template
      ></Field>
      <Field label="Water"
        ><template #default="f"><PlainSelect v-bind="f" v-model="form.water" :options="waters" /></template
      ></Field>
      <Field label="Solids in the tap water" optional :error="fields.tds_mg_l"
        ><template #default="f"
          ><PlainInput v-bind="f" v-model="form.tds_mg_l" type="number" min="0" suffix="mg/l" /></template
      ></Field>
      <Field v-if="form.water === 'treated'" label="Solids, treated" optional :error="fields.treated_tds_mg_l"
        ><template #default="f"
          ><PlainInput v-bind="f" v-model="form.treated_tds_mg_l" type="number" min="0" suffix="mg/l" /></template
      ></Field>
      <Field label="Way there" optional :error="fields.travel_min"
        ><template #default="f"
          ><PlainInput v-bind="f" v-model="form.travel_min" type="number" min="0" suffix="min" /></template
      ></Field>
      <Field label="Ground" optional
        ><template #default="f"><PlainInput v-bind="f" v-model="form.surface" maxlength="120" /></template
      ></Field>
      <Field label="Open" optional
        ><template #default="f"><PlainInput v-bind="f" v-model="form.hours" maxlength="120" /></template
      ></Field>
      <Field label="Certificate valid until" optional :error="fields.certificate_expires_on"
        ><template #default="f"><PlainInput v-bind="f" v-model="form.certificate_expires_on" type="date" /></template
      ></Field>
    </div>
    <Field label="Rules of the gate" optional
      ><template #default="f"><PlainInput v-bind="f" v-model="form.access" maxlength="240" /></template
    ></Field>
    <SiteRegister v-model:only="form.by_register" v-model:people="form.admissions" :fields="fields" />
    <Field
      label="Where the dirty water runs"
      optional
      hint="Many places forbid wash water in storm drains. Local rules decide, not this program."
      ><template #default="f"><PlainInput v-bind="f" v-model="form.run_off" maxlength="240" /></template
    ></Field>
    <div class="row">
      <label class="row check"><input v-model="form.power" type="checkbox" /> Power</label>
      <label class="row check"><input v-model="form.pressure" type="checkbox" /> A pressure washer can run</label>
      <label class="row check"><input v-model="form.shade" type="checkbox" /> Shade</label>
      <label class="row check"><input v-model="form.bay" type="checkbox" /> A warm bay</label>
    </div>
    <div class="cols three">
      <Field label="Latitude" optional :error="fields.latitude" hint="For the weather there"
        ><template #default="f"
          ><PlainInput v-bind="f" v-model="form.latitude" type="number" step="0.0001" suffix="°N" /></template
      ></Field>
      <Field label="Longitude" optional :error="fields.longitude"
        ><template #default="f"
          ><PlainInput v-bind="f" v-model="form.longitude" type="number" step="0.0001" suffix="°E" /></template
      ></Field>
    </div>
    <EditEnd
      :problem="problem"
      :newer="newer"
      :mine="form"
      :busy="busy"
      @overrule="done(overrule())"
      @take="takeTheirs"
    >
      <button type="button" class="words" @click="$emit('done')">Leave it</button>
      <template v-if="isOwner && !isNew">
        <button v-if="!sure" type="button" class="words" @click="sure = true">Remove…</button>
        <span v-else
          >The vehicles stay, without a place.
          <button type="button" class="beside" @click="remove">Remove {{ form.name }}</button></span
        >
      </template>
    </EditEnd>
  </form>
  <ProblemNote v-else :problem="problem" />
</template>
