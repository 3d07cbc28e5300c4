<script setup lang="ts" generic="Row extends object">
import type { Edit } from '@/lib/edit'
import NewerVersion from './NewerVersion.vue'
import ProblemNote from './ProblemNote.vue'

// The skeleton of every form that edits one row: what is asked, what went wrong, what someone else saved meanwhile, and
// the ways on.
const props = defineProps<{ edit: Edit<Row> }>()
const emit = defineEmits<{ done: [] }>()
const done = async (work: Promise<boolean>) => {
  if (await work) emit('done')
}
const form = () => props.edit.form as Row
</script>

<template>
  <form v-if="edit.form" class="grid" novalidate @submit.prevent="done(edit.save())">
    <slot :form="form()" :errors="edit.fields" />
    <ProblemNote :problem="edit.problem">
      <NewerVersion
        v-if="edit.newer"
        :mine="form() as Record<string, unknown>"
        :theirs="edit.newer as Record<string, unknown>"
        @overrule="done(edit.overrule())"
        @take="edit.takeTheirs()"
      />
    </ProblemNote>
    <div class="row">
      <button type="submit" class="act" :disabled="edit.busy">{{ edit.busy ? 'Saving…' : 'Save' }}</button>
      <span v-if="edit.saved && !edit.busy" role="status" class="quiet">Saved.</span>
      <slot name="ways" :form="form()" />
    </div>
    <slot name="after" :form="form()" />
  </form>
  <ProblemNote v-else :problem="edit.problem" />
</template>
