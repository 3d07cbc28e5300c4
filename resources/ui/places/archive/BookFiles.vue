<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { api, Problem, told, type Schemas } from '@/api/client'
import Choices from '@/parts/Choices.vue'
import FileImport from '@/parts/FileImport.vue'
import { readSheet } from '@/parts/table/columns'

// Book: import and export, out and in. A spreadsheet has no ids: rows refer to each other by name.
const queries = useQueryClient()
type Kind = 'clients' | 'sites' | 'vehicles' | 'turns' | 'readings'
const kinds = [
  { value: 'clients' as const, name: 'Clients' },
  { value: 'sites' as const, name: 'Places' },
  { value: 'vehicles' as const, name: 'Vehicles' },
  { value: 'turns' as const, name: 'Turns' },
  { value: 'readings' as const, name: 'Readings' },
]
const says: Record<Kind, string> = {
  clients: 'Known by their name: new ones are added, known ones changed where the file says so.',
  sites: 'Known by their name; “client” is a client’s name.',
  vehicles:
    'Known by their name; “client” and “site” are names. A new one says what lies on its paint (“base”) and since when.',
  turns:
    'Known by vehicle and moment; what is recorded stays as it is. Products as “Soap @ paint = 30 ml; Another @ wheels”.',
  readings: 'Of turns that are there, by vehicle and moment. What differs is a correction, and says so.',
}
const kind = ref<Kind>('clients')
// A file of ours names its columns itself.
const columns = () =>
  queries.fetchQuery({
    queryKey: ['book-columns', kind.value],
    queryFn: () => headsOf(`/api/v1/book/${kind.value}`),
    staleTime: Infinity,
  })
/** The first line, whatever follows it. */
async function headsOf(file: string): Promise<string[]> {
  const answer = await fetch(file, { credentials: 'same-origin' })
  if (!answer.ok || !answer.body)
    throw new Problem(answer.status, 'The columns can’t be read', 'Try again in a moment.')
  const reader = answer.body.pipeThrough(new TextDecoderStream()).getReader()
  let line = ''
  for (let part = await reader.read(); !part.done && !line.includes('\n'); part = await reader.read())
    line += part.value
  void reader.cancel()
  return readSheet(line.split('\n', 1)[0] ?? '').heads
}
async function send(text: string, commit: boolean, key: string): Promise<Schemas['ProductImport']> {
  const said = await told(
    api.POST('/api/v1/book/{kind}', {
      params: { path: { kind: kind.value }, header: commit ? { 'Idempotency-Key': key } : {} },
      body: { text, commit },
    }),
  )
  return 'status' in said ? taken(said) : said
}
/** A long table is taken in while one waits. */
async function taken(run: Schemas['ArchiveRun']): Promise<Schemas['ProductImport']> {
  while (run.status === 'waiting' || run.status === 'running') {
    await new Promise((wait) => setTimeout(wait, 1000))
    run = await told(api.GET('/api/v1/archive/runs/{run}', { params: { path: { run: run.id } } }))
  }
  if (run.result?.done) return { ...run.result, rows: [] }
  throw new Problem(422, 'Nothing was taken in', run.says ?? '')
}
</script>

<template>
  <div class="page narrow grid">
    <div>
      <p class="quiet small"><RouterLink to="/book">Book</RouterLink></p>
      <h1>Book: import and export</h1>
    </div>
    <p>
      Any table of clients or vehicles will do, as your spreadsheet or address book saves it (CSV): you say which column
      is which, mend rows here, and see all of it before anything is done.
    </p>
    <section class="sheet grid">
      <Choices v-model="kind" label="Which" compact :options="kinds" />
      <p class="small">{{ says[kind] }}</p>
      <div class="row">
        <a class="beside" :href="`/api/v1/book/${kind}`" download>Export (CSV)</a>
      </div>
      <FileImport
        :key="kind"
        accept=".csv,.txt,text/csv"
        row="Which"
        take="Take them into the book"
        :columns="columns"
        :send="send"
        @done="queries.invalidateQueries()"
      />
    </section>
    <p class="small quiet">
      Products have <RouterLink to="/shelf/files">files of their own</RouterLink>; everything at once is an
      <RouterLink to="/workspace/archive">archive</RouterLink>.
    </p>
  </div>
</template>
