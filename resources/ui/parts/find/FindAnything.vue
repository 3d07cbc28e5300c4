<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, nextTick, ref, useId, useTemplateRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, told, type Schemas } from '@/api/client'
import { shortDay } from '@/lib/dates'
import { kept } from './kept'
import { commandsFor } from './places'
import { useRecent } from './recent'

// Anything that has a name, and anything one can do: typed, chosen by arrows, opened by Enter.
type Row = { to: string; name: string; what: string; beside: string }
const dialog = useTemplateRef('dialog')
const input = useTemplateRef('input')
const router = useRouter()
const { recent, seen } = useRecent()
const id = useId()
const shown = ref(false)
const text = ref('')
const asked = refDebounced(text, 180)
const at = ref(0)

const { data, isFetching } = useQuery({
  queryKey: ['find', () => asked.value.trim()],
  enabled: () => asked.value.trim() !== '',
  queryFn: () => told(api.GET('/api/v1/find', { params: { query: { text: asked.value.trim().slice(0, 100) } } })),
})
const kinds = { vehicle: 'Vehicle', visit: 'Visit', client: 'Client', site: 'Place', product: 'Product' } as const
const addresses = {
  vehicle: (one: Schemas['Found']) => `/vehicles/${one.id}`,
  visit: (one: Schemas['Found']) => `/weeks?visit=${one.id}`,
  client: (one: Schemas['Found']) => `/book?client=${one.id}`,
  site: (one: Schemas['Found']) => `/book?site=${one.id}`,
  product: (one: Schemas['Found']) => `/shelf/${one.id}`,
}
const rows = computed((): Row[] => {
  if (text.value.trim() === '') return recent.value.map((one) => ({ ...one, beside: '' }))
  // What was found for another text is not shown under this one.
  const found = (asked.value === text.value ? (data.value?.data ?? []) : []).map((one) => ({
    to: addresses[one.kind as keyof typeof addresses](one),
    name: one.name,
    what: kinds[one.kind as keyof typeof kinds],
    beside: one.on ? shortDay(`${one.on}T12:00:00Z`, 'UTC') : (one.beside ?? ''),
  }))
  const commands = commandsFor(text.value).map((one) => ({
    to: String(one.to),
    name: one.name,
    what: 'Go to',
    beside: '',
  }))
  return [...found, ...commands.slice(0, found.length ? 5 : 12)]
})
watch(text, () => (at.value = 0))
// What is found anew while somebody goes along it does not go away from under them.
watch(rows, (now, before) => (at.value = kept(at.value, before, now)))

async function open() {
  if (dialog.value?.open) return
  text.value = ''
  shown.value = true
  dialog.value?.showModal()
  await nextTick()
  input.value?.focus()
}
function step(by: number) {
  at.value = (at.value + by + rows.value.length) % Math.max(1, rows.value.length)
  document.getElementById(`${id}-${at.value}`)?.scrollIntoView({ block: 'nearest' })
}
function go(row: Row | undefined) {
  if (!row) return
  dialog.value?.close()
  if (row.what !== 'Go to') seen({ to: row.to, name: row.name, what: row.what })
  void router.push(row.to)
}
defineExpose({ open })
</script>

<template>
  <dialog ref="dialog" class="find" aria-label="Find anything" @click.self="dialog?.close()" @close="shown = false">
    <template v-if="shown">
      <form role="search" @submit.prevent="go(rows[at])">
        <input
          ref="input"
          v-model="text"
          type="search"
          role="combobox"
          aria-label="Find a vehicle, client, place, product, visit or command"
          placeholder="Vehicle, client, place, product, visit, command"
          autocomplete="off"
          aria-autocomplete="list"
          :aria-expanded="rows.length > 0"
          :aria-controls="`${id}-list`"
          :aria-activedescendant="rows.length ? `${id}-${at}` : undefined"
          @keydown.down.prevent="step(1)"
          @keydown.up.prevent="step(-1)"
        />
        <button type="button" class="beside" @click="dialog?.close()">Close</button>
      </form>
      <p v-if="text.trim() === '' && rows.length" class="small quiet">Seen lately</p>
      <ul v-show="rows.length" :id="`${id}-list`" role="listbox" aria-label="Found">
        <li
          v-for="(row, i) in rows"
          :id="`${id}-${i}`"
          :key="row.to + row.what"
          role="option"
          :aria-selected="i === at"
          @mousemove="(event) => (event.movementX || event.movementY) && (at = i)"
          @click="go(row)"
        >
          <span>{{ row.name }}</span> <span v-if="row.beside" class="small quiet">{{ row.beside }}</span>
          <span class="small quiet what">{{ row.what }}</span>
        </li>
      </ul>
      <p v-if="!rows.length" class="quiet" role="status">
        {{
          text.trim() === ''
            ? 'Type part of a name: of a vehicle, a client, a place, a product; or what you want to do.'
            : isFetching || asked !== text
              ? 'Looking…'
              : `Nothing here is called “${text.trim()}”.`
        }}
      </p>
    </template>
  </dialog>
</template>

<style scoped>
.find {
  width: min(640px, calc(100vw - 32px));
  margin: 9vh auto auto;
  padding: var(--s4);
  border: 1px solid var(--line-strong);
  border-radius: var(--edge);
  background: var(--sheet);
  color: var(--ink);
}

.find::backdrop {
  background: rgb(0 0 0 / 40%);
}

form {
  display: flex;
  gap: var(--s2);
}

input {
  flex: 1;
  min-width: 0;
  min-height: 48px;
  padding: 0 var(--s3);
  font: 500 18px var(--text);
  color: var(--ink);
  background: var(--paper);
  border: 1px solid var(--line-strong);
  border-radius: var(--edge);
}

ul {
  margin: var(--s2) 0 0;
  padding: 0;
  list-style: none;
  max-height: 52vh;
  overflow: auto;
}

li {
  display: flex;
  gap: var(--s3);
  align-items: baseline;
  min-height: 44px;
  padding: var(--s2) var(--s3);
  cursor: pointer;
  border-left: 4px solid transparent;
}

li[aria-selected='true'] {
  background: var(--film-mist);
  border-left-color: var(--film);
}

.what {
  margin-left: auto;
}

p {
  margin: var(--s3) 0 0;
}
</style>
