<script setup lang="ts">
import { useDeed } from '@/lib/deed'
import FilePick from '@/parts/FilePick.vue'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api, told } from '@/api/client'
import ProblemNote from '@/parts/ProblemNote.vue'
import ChangeList from './ChangeList.vue'

// Nothing locked in: all of it as one documented file, and such a file into an empty workspace.
const queries = useQueryClient()
const name = ref('')
const { busy, problem, attempt } = useDeed()
const runId = ref('')
const goesOn = (status?: string) => status === 'waiting' || status === 'running'
// It is taken in while one waits, or goes elsewhere.
const { data: run } = useQuery({
  queryKey: computed(() => ['archive-run', runId.value]),
  queryFn: () => told(api.GET('/api/v1/archive/runs/{run}', { params: { path: { run: runId.value } } })),
  enabled: computed(() => runId.value !== ''),
  refetchInterval: (query) => (goesOn(query.state.data?.status) ? 1000 : false),
})
watch(
  () => run.value?.status,
  (status) => {
    if (status === 'done') void queries.invalidateQueries({ predicate: (query) => query.queryKey[0] !== 'archive-run' })
  },
)
async function choose(file: File) {
  name.value = file.name
  runId.value = ''
  await attempt(async () => {
    const form = new FormData()
    form.set('file', file)
    runId.value = (
      await told(api.POST('/api/v1/archive', { body: form as never, bodySerializer: (body) => body as never }))
    ).id
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
      <FilePick accept=".zip,application/zip" :disabled="busy || goesOn(run?.status)" @take="choose">{{
        busy ? 'Sending…' : name || 'Choose an archive…'
      }}</FilePick>
      <ProblemNote :problem="problem" />
      <p v-if="run && goesOn(run.status)" role="status">Taking it in: {{ Math.round(100 * run.progress) }} %</p>
      <p v-if="run?.status === 'refused'" role="alert">{{ run.says }}</p>
      <p v-if="run?.status === 'done'" role="status">
        <strong>It is all here:</strong> {{ run.rows }} rows and {{ run.photos }} photos.
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
