<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import type { SchoolWords } from './schools'

// The same turn under every other side, in shade, with a tank: what would change, and what would not.
const props = defineProps<{ others: Schemas['MatchOtherwise'][]; schools: SchoolWords[] }>()
defineEmits<{ try: [school: string, side: string] }>()
const asks = computed(() => new Map(props.schools.map((school) => [school.school, school.asks])))
const moving = computed(() => props.others.filter((other) => other.changes.length))
const still = computed(() => props.others.filter((other) => !other.changes.length))
</script>

<template>
  <div class="grid others">
    <article v-for="other in moving" :key="`${other.school} ${other.side}`">
      <h3>
        <span class="quiet small ask">{{ other.school ? asks.get(other.school) : 'Another place' }}</span>
        {{ other.name }}
        <button v-if="other.school" type="button" class="words small" @click="$emit('try', other.school, other.side)">
          try it
        </button>
      </h3>
      <dl>
        <template v-for="change in other.changes" :key="change.part">
          <dt>{{ change.name }}</dt>
          <dd>
            <s v-for="line in change.was.filter(Boolean)" :key="line">{{ line }}</s>
            <span v-for="line in change.becomes.filter(Boolean)" :key="line">{{ line }}</span>
            <span v-if="!change.becomes.length" class="quiet">nothing</span>
          </dd>
        </template>
      </dl>
    </article>
    <p v-if="still.length" class="small quiet">No change from: {{ still.map((other) => other.name).join(', ') }}.</p>
  </div>
</template>

<style scoped>
.others {
  margin-top: var(--s4);
}

article {
  border-top: 1px solid var(--line);
  padding-top: var(--s2);
}

.ask {
  display: block;
  font: 400 13px var(--text);
}

.words {
  min-height: 24px;
  font-family: var(--text);
}

dl {
  display: grid;
  grid-template-columns: 130px minmax(0, 1fr);
  gap: 3px var(--s3);
  margin: var(--s1) 0 0;
  font-size: 14px;
}

dt {
  color: var(--ink-3);
}

dd {
  margin: 0;
  display: grid;
}

dd s {
  color: var(--ink-3);
}
</style>
