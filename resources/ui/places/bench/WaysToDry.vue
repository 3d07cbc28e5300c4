<script setup lang="ts">
import type { Schemas } from '@/api/client'
import Glyph from '@/parts/Glyph.vue'

// The ways there are to dry it, judged like methods: what may be chosen, and why the others may not.
defineProps<{ drying: Schemas['MatchDrying'] }>()
const emit = defineEmits<{ dry: [way: string] }>()
</script>

<template>
  <details v-if="drying.options.length" class="ways">
    <summary class="small">Other ways to dry it</summary>
    <ul class="plain">
      <li v-for="one in drying.options" :key="one.way">
        <span v-if="one.way === drying.way">{{ one.name }}, as it stands</span>
        <button v-else-if="one.refused === null" type="button" class="words small" @click="emit('dry', one.way)">
          {{ one.name }}
        </button>
        <template v-else
          ><span class="no"
            ><Glyph name="no" :size="15" /> <s>{{ one.name }}</s></span
          >
          <span class="small refused">{{ one.refused }}</span></template
        >
      </li>
    </ul>
  </details>
</template>

<style scoped>
li {
  display: flex;
  flex-wrap: wrap;
  gap: 2px var(--s3);
  align-items: center;
  min-height: 30px;
}

.no {
  display: flex;
  gap: 5px;
  align-items: center;
}
</style>
