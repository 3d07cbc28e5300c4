<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { ref, useTemplateRef } from 'vue'
import { useRouter } from 'vue-router'
import { isTaken, useSingleKeys } from '@/lib/keys'
import { houses } from './places'

// Keys for whoever works at a desk all day. Single keys can be turned off, since some speak to their computer.
const emit = defineEmits<{ find: [] }>()
const router = useRouter()
const dialog = useTemplateRef('dialog')
const shown = ref(false)
function open() {
  shown.value = true
  dialog.value?.showModal()
}
const single = useSingleKeys()
const GO_MS = 1200
let wentAt = 0

useEventListener(document, 'keydown', (event) => {
  if ((event.ctrlKey || event.metaKey) && !event.altKey && event.key.toLowerCase() === 'k') {
    event.preventDefault()
    emit('find')
    return
  }
  if (!single.value || event.ctrlKey || event.metaKey || event.altKey || isTaken(event)) return
  const key = event.key.toLowerCase()
  const house = event.timeStamp - wentAt < GO_MS ? houses.find((one) => one.key === key) : undefined
  wentAt = key === 'g' ? event.timeStamp : 0
  if (house) void router.push(house.to)
  else if (event.key === '/') emit('find')
  else if (event.key === '?') open()
  else if (key === 'n') void router.push('/start')
  else return
  event.preventDefault()
})
defineExpose({ open })
</script>

<template>
  <dialog ref="dialog" class="keys" aria-label="Keys" @click.self="dialog?.close()" @close="shown = false">
    <template v-if="shown">
      <h2 id="keys-title">Keys</h2>
      <dl>
        <div>
          <dt><kbd>/</kbd> or <kbd>Ctrl</kbd> <kbd>K</kbd></dt>
          <dd>Find anything</dd>
        </div>
        <div v-for="one in houses" :key="one.to">
          <dt>
            <kbd>G</kbd> <kbd>{{ one.key.toUpperCase() }}</kbd>
          </dt>
          <dd>{{ one.name }}</dd>
        </div>
        <div>
          <dt><kbd>N</kbd></dt>
          <dd>A new vehicle</dd>
        </div>
        <div>
          <dt><kbd>?</kbd></dt>
          <dd>This list</dd>
        </div>
      </dl>
      <p class="small quiet">
        In Film, Weeks and the gauge the arrow keys move what is chosen, Enter opens it, Escape lets go.
      </p>
      <div class="row">
        <label><input v-model="single" type="checkbox" /> Single keys work</label>
        <button type="button" class="act" @click="dialog?.close()">Close</button>
      </div>
    </template>
  </dialog>
</template>

<style scoped>
.keys {
  width: min(520px, calc(100vw - 32px));
  margin: auto;
  padding: var(--s5);
  border: 1px solid var(--line-strong);
  border-radius: var(--edge);
  background: var(--sheet);
  color: var(--ink);
}

.keys::backdrop {
  background: rgb(0 0 0 / 40%);
}

h2 {
  margin-top: 0;
}

dl {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(210px, 1fr));
  gap: var(--s2) var(--s4);
  margin: 0;
}

dl div {
  display: flex;
  gap: var(--s3);
}

dt {
  min-width: 84px;
}

dd {
  margin: 0;
}

kbd {
  padding: 1px 6px;
  font: 600 14px var(--text);
  border: 1px solid var(--line-strong);
  border-bottom-width: 2px;
  border-radius: var(--edge);
}

.row {
  justify-content: space-between;
}
</style>
