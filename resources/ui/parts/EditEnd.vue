<script setup lang="ts">
import NewerVersion from './NewerVersion.vue'
import ProblemNote from './ProblemNote.vue'

// The end of every form that edits one row: what went wrong, what someone else saved meanwhile, and the ways on (the slot).
defineProps<{
  problem: unknown
  newer: Record<string, unknown> | null
  mine: Record<string, unknown>
  busy: boolean
  saved?: boolean
}>()
defineEmits<{ overrule: []; take: [] }>()
</script>

<template>
  <ProblemNote :problem="problem">
    <NewerVersion v-if="newer" :mine="mine" :theirs="newer" @overrule="$emit('overrule')" @take="$emit('take')" />
  </ProblemNote>
  <div class="row">
    <button type="submit" class="act" :disabled="busy">{{ busy ? 'Saving…' : 'Save' }}</button>
    <span v-if="saved && !busy" role="status" class="quiet">Saved.</span>
    <slot />
  </div>
</template>
