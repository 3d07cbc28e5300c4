<script setup lang="ts">
import { useDeed } from '@/lib/deed'
import FilePick from '@/parts/FilePick.vue'
import { useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import ProblemNote from '@/parts/ProblemNote.vue'
import ChangeList from './ChangeList.vue'

// Nothing locked in: all of it as one documented file, and such a file into an empty workspace.
const queries = useQueryClient()
const name = ref('')
const { busy, problem, attempt } = useDeed()
const taken = ref<Schemas['ArchiveTaken'] | null>(null)
async function choose(file: File) {
  name.value = file.name
  busy.value = true
  problem.value = null
  taken.value = null
  await attempt(async () => {
    const form = new FormData()
    form.set('file', file)
    taken.value = await told(
      api.POST('/api/v1/archive', { body: form as never, bodySerializer: (body) => body as never }),
    )
    await queries.invalidateQueries()
  })
}
</script>

<template>
  <div class="page narrow grid">
    <div>
      <p class="quiet small"><RouterLink to="/workspace">Workspace</RouterLink></p>
      <h1>Everything, in and out</h1>
    </div>
    <section class="sheet grid">
      <h2>Take all of it along</h2>
      <p>
        One ZIP: archive.json, described by a published schema, and every photo beside it. Owners, vehicles, layers,
        turns with their corrections, readings, stock, plans, prices: nothing is kept back but passwords and secret
        addresses.
      </p>
      <div class="row"><a class="beside" href="/api/v1/archive" download>Download the archive</a></div>
    </section>
    <section class="sheet grid">
      <h2>Move in with an archive</h2>
      <p>
        Into a workspace without vehicles and owners only. Everything gets ids of its own; people who are named in it
        stay named and are invited anew.
      </p>
      <FilePick accept=".zip,application/zip" :disabled="busy" @take="choose">{{
        busy ? 'Unpacking…' : name || 'Choose an archive…'
      }}</FilePick>
      <ProblemNote :problem="problem" />
      <p v-if="taken" role="status">
        <strong>It is all here:</strong> {{ taken.rows }} rows and {{ taken.photos }} photos.
        <RouterLink to="/">To the film</RouterLink>
      </p>
    </section>
    <section class="sheet grid">
      <h2>Tables</h2>
      <p>
        <RouterLink to="/book/files">Owners, places, vehicles, turns, readings</RouterLink> and
        <RouterLink to="/shelf/files">products</RouterLink> as CSV, out and in.
      </p>
    </section>
    <ChangeList />
  </div>
</template>

<style scoped>
p {
  margin: 0;
}
</style>
