<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { api, told } from '@/api/client'
import { recall, remember } from '@/offline/store'

// A colleague goes on with it; they open the same sheet on their phone.
const emit = defineEmits<{ to: [id: string, name: string]; close: [] }>()
const list = async () => (await told(api.GET('/api/v1/members'))).data
const { data: people } = useQuery({
  queryKey: ['members', 'here'],
  queryFn: async () => {
    try {
      const people = await list()
      await remember('members', people)
      return people
    } catch (caught) {
      const known = await recall<Awaited<ReturnType<typeof list>>>('members')
      if (known) return known
      throw caught
    }
  },
})
</script>

<template>
  <section class="grid">
    <h2>{{ $t('hand-over.who-goes-on-with-it') }}</h2>
    <button
      v-for="one in people ?? []"
      :key="one.id"
      type="button"
      class="beside"
      @click="emit('to', one.user_id, one.name)"
    >
      {{ one.name }}
    </button>
    <p class="quiet">
      {{ $t('hand-over.they-find-the-sheet-under') }}
    </p>
    <button type="button" class="words" @click="emit('close')">{{ $t('hand-over.back') }}</button>
  </section>
</template>

<style scoped>
.beside {
  min-height: 58px;
  font-size: 17px;
}
</style>
