<script setup lang="ts">
import { ref, watch } from 'vue'
import { api, told } from '@/api/client'
import { useDeed } from '@/lib/deed'
import { useMe } from '@/lib/session'
import Field from '@/parts/Field.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import TextInput from '@/parts/TextInput.vue'

const { me } = useMe()
const name = ref('')
watch(me, (who) => (name.value ||= who?.name ?? ''), { immediate: true })
const saved = ref(false)
const { busy, problem, fields, attempt } = useDeed('me')
const save = async () => {
  saved.value = await attempt(() => told(api.PATCH('/api/v1/me', { body: { name: name.value } })))
}
</script>

<template>
  <form class="sheet grid" novalidate @submit.prevent="save">
    <h2>Name</h2>
    <div class="row">
      <Field label="Your name" :error="fields.name"
        ><template #default="f"><TextInput v-bind="f" v-model="name" maxlength="120" autocomplete="name" /></template
      ></Field>
      <button type="submit" class="beside" :disabled="busy">Save the name</button>
    </div>
    <p v-if="saved" role="status">Saved.</p>
    <ProblemNote :problem="problem" />
  </form>
</template>

<style scoped>
.row {
  align-items: end;
}
</style>
