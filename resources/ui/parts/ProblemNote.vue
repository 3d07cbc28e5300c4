<script setup lang="ts">
import { computed, nextTick, useTemplateRef, watch } from 'vue'
import { Problem } from '@/api/client'
import Glyph from './Glyph.vue'

const props = defineProps<{ problem: unknown }>()
const box = useTemplateRef('box')
const known = computed(() =>
  props.problem instanceof Problem ? props.problem : props.problem ? Problem.from(500, null) : null,
)
const more = computed(() => known.value?.errors.filter((error) => error.detail !== known.value?.detail) ?? [])

watch(known, async (problem) => {
  if (!problem) return
  await nextTick()
  box.value?.focus()
  box.value?.scrollIntoView({ block: 'nearest' })
})
</script>

<template>
  <div v-if="known" ref="box" class="note" role="alert" tabindex="-1">
    <Glyph name="care" />
    <div>
      <strong>{{ known.title }}.</strong> {{ known.detail }}
      <span v-if="known.request" class="small quiet">Whoever runs this finds it as {{ known.request }}.</span>
      <ul v-if="more.length">
        <li v-for="error in more" :key="error.pointer + error.detail">{{ error.detail }}</li>
      </ul>
      <slot />
    </div>
  </div>
</template>

<style scoped>
.note {
  display: flex;
  gap: var(--s3);
  padding: var(--s3) var(--s4);
  border-left: 4px solid var(--refused);
  background: var(--refused-wash);
  margin: var(--s3) 0;
}

.note svg {
  flex: none;
  margin-top: 1px;
  color: var(--refused);
}

ul {
  margin: var(--s1) 0 0;
  padding-left: 1.2em;
}
</style>
