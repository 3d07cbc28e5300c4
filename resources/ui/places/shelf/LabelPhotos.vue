<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, onBeforeUnmount, ref, shallowRef } from 'vue'
import { api, told } from '@/api/client'
import { shortDay } from '@/lib/dates'
import { useDeed } from '@/lib/deed'
import { newId } from '@/lib/ids'
import { useMe } from '@/lib/session'
import FilePick from '@/parts/FilePick.vue'
import ProblemNote from '@/parts/ProblemNote.vue'

// What stands on the bottle, beside the form it is typed into. Of a product that is not saved yet it waits here.
interface Held {
  id: string
  url: string
  taken_at: string
  file: File
}
const props = defineProps<{ product?: string }>()
const { zone } = useMe()
const { problem, busy, attempt } = useDeed('labels')
const { data } = useQuery({
  queryKey: ['labels', () => props.product],
  queryFn: () =>
    told(api.GET('/api/v1/products/{product}/photos', { params: { path: { product: props.product ?? '' } } })),
  enabled: () => Boolean(props.product),
})
const held = shallowRef<Held[]>([])
const shown = computed(() => [...held.value, ...(data.value?.data ?? [])])
const near = ref('')

function send(product: string, { id, taken_at, file }: Held) {
  const form = new FormData()
  form.set('file', file)
  form.set('id', id)
  form.set('taken_at', taken_at)
  return told(
    api.POST('/api/v1/products/{product}/photos', {
      params: { path: { product } },
      body: form as never,
      bodySerializer: (body: unknown) => body as FormData,
    }),
  )
}
function release() {
  for (const one of held.value) URL.revokeObjectURL(one.url)
  held.value = []
}
onBeforeUnmount(release)

async function take(file: File) {
  const one = { id: newId(), url: URL.createObjectURL(file), taken_at: new Date().toISOString(), file }
  held.value = [one, ...held.value]
  // What could not be sent stays in sight and goes with the next, or with saving.
  if (props.product) await sendAll(props.product)
}
const sendAll = (product: string) =>
  attempt(async () => {
    for (const one of [...held.value].reverse()) await send(product, one)
    release()
  })
const remove = (id: string) =>
  attempt(async () => {
    const waits = held.value.find((one) => one.id === id)
    if (!waits) return told(api.DELETE('/api/v1/photos/{photo}', { params: { path: { photo: id } } }))
    URL.revokeObjectURL(waits.url)
    held.value = held.value.filter((one) => one.id !== id)
  })
defineExpose({ sendAll, problem })
</script>

<template>
  <section class="sheet grid" aria-labelledby="of-label">
    <h2 id="of-label">The label</h2>
    <p v-if="!shown.length" class="quiet">A photo of it stands here while you type.</p>
    <figure v-for="(one, i) in shown" :key="one.id">
      <button
        type="button"
        class="near"
        :aria-pressed="near === one.id"
        :aria-label="`The label, photo ${i + 1}: as large as it was taken`"
        @click="near = near === one.id ? '' : one.id"
      >
        <img :src="one.url" :class="{ whole: near !== one.id }" alt="" />
      </button>
      <figcaption class="row spread small quiet">
        <span>{{ shortDay(one.taken_at, zone) }}</span>
        <button type="button" class="words small" :aria-label="`Remove photo ${i + 1}`" @click="remove(one.id)">
          Remove
        </button>
      </figcaption>
    </figure>
    <FilePick accept="image/*" :disabled="busy" @take="take">{{
      busy ? 'Sending…' : 'Take or choose a photo'
    }}</FilePick>
    <ProblemNote :problem="problem" />
  </section>
</template>

<style scoped>
figure {
  margin: 0;
}

.near {
  display: block;
  width: 100%;
  max-height: 420px;
  overflow: auto;
  padding: 0;
  border: 1px solid var(--line);
  background: none;
  cursor: zoom-in;
}

.near[aria-pressed='true'] {
  cursor: zoom-out;
}

img {
  display: block;
}

.whole {
  width: 100%;
}
</style>
