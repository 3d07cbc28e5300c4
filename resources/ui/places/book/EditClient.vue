<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { api, told, toldWithTag, type Schemas } from '@/api/client'
import { useEdit } from '@/lib/edit'
import { fieldsOf } from '@/lib/form'
import { newId } from '@/lib/ids'
import { languages } from '@/lib/i18n'
import { omit } from '@/lib/omit'
import { removed } from '@/lib/gone'
import { useMe } from '@/lib/session'
import Choices from '@/parts/Choices.vue'
import EditForm from '@/parts/EditForm.vue'
import RemoveWay from '@/parts/RemoveWay.vue'
import RowFields from '@/parts/RowFields.vue'
import ForgetClient from './ForgetClient.vue'

const props = defineProps<{ id: string }>()
const emit = defineEmits<{ done: [] }>()
const { isOwner } = useMe()
const isNew = props.id === 'new'
const key = ref(newId())
const path = { params: { path: { client: props.id } } }
const empty: Schemas['Client'] = {
  id: '',
  name: '',
  contact: null,
  phone: null,
  language: null,
  email: null,
  note: null,
  vehicles: 0,
  version: 0,
}

const facts = (row: Schemas['Client']) => omit(row, ['id', 'vehicles', 'version'])
const edit = useEdit<Schemas['Client']>({
  load: () =>
    isNew ? Promise.resolve({ data: empty, tag: '' }) : toldWithTag(api.GET('/api/v1/clients/{client}', path)),
  save: (row, tag) =>
    isNew
      ? told(api.POST('/api/v1/clients', { params: { header: { 'Idempotency-Key': key.value } }, body: facts(row) }))
      : told(
          api.PATCH('/api/v1/clients/{client}', {
            params: { ...path.params, header: { 'If-Match': tag } },
            body: facts(row),
          }),
        ),
  touches: [['clients'], ['vehicles'], ['film']],
})
onMounted(edit.load)

const remove = () =>
  edit.attempt(
    () => told(api.DELETE('/api/v1/clients/{client}', path)),
    () => {
      removed(edit.form?.name ?? '', path.params.path.client)
      emit('done')
    },
  )
const ask = fieldsOf<Schemas['Client']>()(
  { name: 'name', label: 'Name', as: 'text', longest: 120 },
  { name: 'contact', label: 'Who to ask for', as: 'text', longest: 120, optional: true },
  { name: 'phone', label: 'Phone', as: 'text', type: 'tel', longest: 40, optional: true },
  { name: 'email', label: 'E-mail', as: 'text', type: 'email', longest: 200, optional: true },
)
const note = fieldsOf<Schemas['Client']>()({ name: 'note', label: 'Note', as: 'text', longest: 2000, optional: true })
const forgetting = ref(false)
</script>

<template>
  <EditForm :edit="edit" @done="emit('done')">
    <template #default="{ form, errors }">
      <RowFields :row="form" :ask="ask" :errors="errors" :columns="2">
        <Choices
          label="Written to in"
          compact
          :options="languages"
          :model-value="form.language ?? 'en'"
          @update:model-value="(next) => (form.language = next ?? 'en')"
        />
      </RowFields>
      <RowFields :row="form" :ask="note" :errors="errors" />
    </template>
    <template #ways="{ form }">
      <button type="button" class="words" @click="emit('done')">Cancel</button>
      <template v-if="isOwner && !isNew">
        <RemoveWay :name="form.name" @remove="remove">The vehicles stay, without a client.</RemoveWay>
        <button v-if="!forgetting" type="button" class="words" @click="forgetting = true">
          They want to be forgotten…
        </button>
      </template>
    </template>
    <template #after="{ form }">
      <ForgetClient v-if="forgetting" :id="id" :name="form.name" @leave="forgetting = false" @done="emit('done')" />
    </template>
  </EditForm>
</template>
