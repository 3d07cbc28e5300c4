<script setup lang="ts">
import { ref } from 'vue'
import { api, told } from '@/api/client'
import { useDeed } from '@/lib/deed'
import { useMe } from '@/lib/session'
import Field from '@/parts/Field.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import TextInput from '@/parts/TextInput.vue'
import PasswordField from '../PasswordField.vue'

const { workspace } = useMe()
const sure = ref(false)
const name = ref('')
const password = ref('')
const { busy, problem, fields, attempt } = useDeed('me')
const end = () =>
  attempt(
    () => told(api.POST('/api/v1/workspace/end', { body: { name: name.value, password: password.value } })),
    () => {
      name.value = password.value = ''
      sure.value = false
    },
  )
</script>

<template>
  <section v-if="!workspace?.ends_at" class="sheet grid">
    <h2>Ending it</h2>
    <button v-if="!sure" type="button" class="words" @click="sure = true">End {{ workspace?.name }}…</button>
    <form v-else class="grid" novalidate @submit.prevent="end">
      <p>
        In thirty days everything in it goes, for everybody: vehicles, turns, photos, plans. Take it out as a file
        before. Until then any owner may keep it.
      </p>
      <div class="cols two">
        <Field label="Its name, as it is written" :error="fields.name"
          ><template #default="f"><TextInput v-bind="f" v-model="name" /></template
        ></Field>
        <PasswordField v-model="password" label="Your password" known :error="fields.password" />
      </div>
      <ProblemNote :problem="problem" />
      <div class="row">
        <button type="submit" class="beside" :disabled="busy">End it in thirty days</button>
        <button type="button" class="words" @click="sure = false">Rather not</button>
      </div>
    </form>
  </section>
</template>
