<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { roles, zones } from '@/lib/words'
import Glyph from '@/parts/Glyph.vue'

// Everything on the shelf that was not chosen, with why: what is ruled out here first, then what only fits less well.
const props = defineProps<{ passed: Schemas['MatchPassed'][] }>()
const emit = defineEmits<{ take: [id: string] }>()
const ruled = computed(() => props.passed.filter((row) => !row.allowed && row.reason !== 'not-needed'))
const other = computed(() => props.passed.filter((row) => row.allowed && row.reason === 'better-fit'))
const idle = computed(() => props.passed.filter((row) => row.reason === 'not-needed'))
const reasons = (row: Schemas['MatchPassed']) => [
  ...(row.says && !['not-needed', 'better-fit'].includes(row.reason ?? '') ? [row.says] : []),
  ...row.codes.filter((code) => code.severity === 'block').map((code) => code.says),
]
</script>

<template>
  <div class="grid">
    <div v-if="ruled.length" class="out">
      <h3>Ruled out here</h3>
      <ul>
        <li v-for="row in ruled" :key="row.id + row.zone">
          <Glyph name="no" :size="15" />
          <span
            ><s>{{ row.name }}</s>
            <span class="quiet small">
              {{ roles[row.role]?.toLowerCase() }}, {{ zones[row.zone]?.toLowerCase() }}
            </span>
            <span v-for="reason in reasons(row)" :key="reason" class="small reason">{{ reason }}</span></span
          >
        </li>
      </ul>
    </div>
    <div v-if="other.length">
      <h3>Allowed, but something fits better</h3>
      <ul class="others small">
        <li v-for="row in other" :key="row.id + row.zone">
          <span>{{ row.name }}, {{ zones[row.zone]?.toLowerCase() }}</span>
          <button type="button" class="words small" @click="emit('take', row.id)">Take {{ row.name }}</button>
        </li>
      </ul>
    </div>
    <p v-if="idle.length" class="small quiet">
      <strong>Not needed today:</strong> {{ idle.map((row) => row.name).join(', ') }}.
    </p>
  </div>
</template>

<style scoped>
.out {
  border-left: 3px solid var(--refused);
  padding-left: var(--s3);
}

ul {
  list-style: none;
  margin: var(--s2) 0 0;
  padding: 0;
  display: grid;
  gap: 6px;
}

li {
  display: flex;
  gap: 7px;
}

li svg {
  flex: none;
  color: var(--refused);
  margin-top: 4px;
}

.others li {
  align-items: baseline;
  flex-wrap: wrap;
}

.reason {
  display: block;
  color: var(--refused);
}

p {
  margin: 0;
}
</style>
