<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { api, told } from '@/api/client'
import FileImport from '@/parts/FileImport.vue'

// Products in and out as files: looked at row by row before anything is done, and then all of it or nothing.
const queries = useQueryClient()
const send = (text: string, commit: boolean, key: string) =>
  told(
    api.POST('/api/v1/products/import', {
      params: { header: commit ? { 'Idempotency-Key': key } : {} },
      body: { text, commit },
    }),
  )
</script>

<template>
  <div class="page narrow grid files">
    <div>
      <p class="quiet small"><RouterLink to="/shelf">Shelf</RouterLink></p>
      <h1>Shelf: import and export</h1>
    </div>
    <section class="sheet grid">
      <h2>Take the shelf along</h2>
      <p>Everything on it, as its labels describe it. Both files come back in as they went out.</p>
      <div class="row">
        <a class="beside" href="/api/v1/products/export?format=csv" download>As a table (CSV)</a>
        <a class="beside" href="/api/v1/products/export?format=json" download>As JSON</a>
      </div>
    </section>
    <section class="sheet grid">
      <h2>Put products on the shelf</h2>
      <p>
        A table or a JSON file. Products are known by their name: new ones are added, known ones changed where the file
        says so. You see every row first.
      </p>
      <FileImport
        accept=".csv,.json,.txt,text/csv,application/json"
        row="Product"
        take="Put them on the shelf"
        :send="send"
        @done="queries.invalidateQueries({ queryKey: ['products'] })"
      />
    </section>
  </div>
</template>

<style scoped>
.files {
  max-width: 860px;
}

p {
  margin: 0;
}
</style>
