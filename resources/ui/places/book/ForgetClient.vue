<script setup lang="ts">
import { useDeed } from '@/lib/deed'
import { useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import TextInput from '@/parts/TextInput.vue'
import ProblemNote from '@/parts/ProblemNote.vue'

// Somebody asks to be forgotten: what goes, what stays and why. It can't be taken back, so their name is typed.
const props = defineProps<{ id: string; name: string }>()
const emit = defineEmits<{ leave: []; done: [] }>()
const queries = useQueryClient()
const typed = ref('')
const { busy, problem, attempt } = useDeed()
const told_ = ref<Schemas['Forgotten'] | null>(null)
async function forget() {
  await attempt(async () => {
    told_.value = await told(api.POST('/api/v1/clients/{client}/forget', { params: { path: { client: props.id } } }))
    await queries.invalidateQueries({ predicate: (query) => query.queryKey[0] !== 'clients' })
  })
}
async function close() {
  await queries.invalidateQueries({ queryKey: ['clients'] })
  emit('done')
}
</script>

<template>
  <section class="forget" aria-label="To be forgotten">
    <template v-if="!told_">
      <p>
        <strong>Everything that names {{ name }} goes:</strong> address and telephone, their places, names and plates of
        their vehicles, photos, remarks in turns, letters, links. What was done to vehicles without a name stays, since
        stock, costs and the lives of products rest on it. This can’t be taken back; take an
        <RouterLink to="/workspace/archive">archive</RouterLink> along first if you may need it.
      </p>
      <label class="grid"
        >Type “{{ name }}” to be sure <TextInput v-model="typed" :aria-label="`Type ${name} to be sure`"
      /></label>
      <ProblemNote :problem="problem" />
      <div class="row">
        <button type="button" class="beside" :disabled="busy || typed.trim() !== name" @click="forget">
          Forget {{ name }}
        </button>
        <button type="button" class="words" @click="emit('leave')">Cancel</button>
      </div>
    </template>
    <div v-else role="status">
      <p><strong>Gone:</strong></p>
      <ul>
        <li v-for="one in told_.gone" :key="one">{{ one }}</li>
      </ul>
      <p><strong>Stays:</strong></p>
      <ul>
        <li v-for="one in told_.stays" :key="one">{{ one }}</li>
      </ul>
      <button type="button" class="act" @click="close">Close</button>
    </div>
  </section>
</template>

<style scoped>
.forget {
  border: 2px solid var(--refused);
  border-radius: var(--edge);
  padding: var(--s3) var(--s4);
}

p {
  margin: 0 0 var(--s2);
}
</style>
