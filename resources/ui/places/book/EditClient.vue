<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { api, told, toldWithTag, type Schemas } from '@/api/client'
import { useEdit } from '@/lib/edit'
import { newId } from '@/lib/ids'
import { languages } from '@/lib/i18n'
import { omit } from '@/lib/omit'
import { useMe } from '@/lib/session'
import Choices from '@/parts/Choices.vue'
import EditEnd from '@/parts/EditEnd.vue'
import Field from '@/parts/Field.vue'
import PlainInput from '@/parts/PlainInput.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
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
const { form, problem, busy, load, save, fields, newer, overrule, takeTheirs } = useEdit<Schemas['Client']>({
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
onMounted(load)

async function done(work: Promise<boolean>) {
  if (await work) emit('done')
}

async function remove() {
  try {
    await told(api.DELETE('/api/v1/clients/{client}', path))
    emit('done')
  } catch (caught) {
    problem.value = caught
  }
}
const sure = ref(false)
const forgetting = ref(false)
</script>

<template>
  <form v-if="form" class="grid" novalidate @submit.prevent="done(save())">
    <div class="cols two">
      <Field label="Name" :error="fields.name"
        ><template #default="f"><PlainInput v-bind="f" v-model="form.name" maxlength="120" /></template
      ></Field>
      <Field label="Who to ask for" optional
        ><template #default="f"><PlainInput v-bind="f" v-model="form.contact" maxlength="120" /></template
      ></Field>
      <Field label="Phone" optional
        ><template #default="f"><PlainInput v-bind="f" v-model="form.phone" type="tel" maxlength="40" /></template
      ></Field>
      <Field label="E-mail" optional :error="fields.email"
        ><template #default="f"><PlainInput v-bind="f" v-model="form.email" type="email" maxlength="200" /></template
      ></Field>
      <Choices
        label="Written to in"
        compact
        :options="languages"
        :model-value="form.language ?? 'en'"
        @update:model-value="(next) => form && (form.language = next ?? 'en')"
      />
    </div>
    <Field label="Note" optional
      ><template #default="f"><PlainInput v-bind="f" v-model="form.note" maxlength="2000" /></template
    ></Field>
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
          >The vehicles stay, without an owner.
          <button type="button" class="beside" @click="remove">Remove {{ form.name }}</button></span
        >
        <button v-if="!forgetting" type="button" class="words" @click="forgetting = true">
          They want to be forgotten…
        </button>
      </template>
    </EditEnd>
    <ForgetClient v-if="forgetting" :id="id" :name="form.name" @leave="forgetting = false" @done="emit('done')" />
  </form>
  <ProblemNote v-else :problem="problem" />
</template>
