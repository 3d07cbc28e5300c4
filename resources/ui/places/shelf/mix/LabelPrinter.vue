<script setup lang="ts">
import { useDeed } from '@/lib/deed'
import { ref } from 'vue'
import { api, told } from '@/api/client'
import { dayIn } from '@/lib/dates'
import { useMe } from '@/lib/session'
import Field from '@/parts/Field.vue'
import NumberInput from '@/parts/NumberInput.vue'
import OneOf from '@/parts/OneOf.vue'
import TextInput from '@/parts/TextInput.vue'
import ProblemNote from '@/parts/ProblemNote.vue'

// A label for the bottle just mixed: what it is, how strong, since when, what to mind.
const props = defineProps<{ dilution: string }>()
const { zone } = useMe()
const name = ref('')
const caution = ref('')
const copies = ref<number | null>(1)
const size = ref('small')
const sizes = { small: '50 × 25 mm', medium: '70 × 37 mm', large: '100 × 60 mm' }
const { busy, problem, attempt, fields } = useDeed()
const link = ref<string | null>(null)

async function print() {
  await attempt(async () => {
    const pdf = await told(
      api.POST('/api/v1/labels', {
        body: {
          size: size.value as 'small',
          labels: [
            {
              name: name.value,
              dilution: props.dilution,
              mixed_on: dayIn(zone.value),
              caution: caution.value || null,
              copies: copies.value ?? 1,
            },
          ],
        },
        parseAs: 'blob',
      }),
    )
    if (link.value) URL.revokeObjectURL(link.value)
    link.value = URL.createObjectURL(pdf)
  })
}
</script>

<template>
  <!-- Hidden, not gone, while a dilution is being typed: what stands on the label stays. -->
  <details v-show="dilution" class="section">
    <summary>A label for the bottle</summary>
    <form class="grid" novalidate @submit.prevent="print">
      <div class="cols two">
        <Field label="What it is" :error="fields['labels/0/name']"
          ><template #default="f"><TextInput v-bind="f" v-model="name" maxlength="80" /></template
        ></Field>
        <Field label="What to mind" optional
          ><template #default="f"><TextInput v-bind="f" v-model="caution" maxlength="160" /></template
        ></Field>
        <Field label="Size"
          ><template #default="f"><OneOf v-bind="f" v-model="size" :options="sizes" /></template
        ></Field>
        <Field label="How many"
          ><template #default="f"><NumberInput v-bind="f" v-model="copies" /></template
        ></Field>
      </div>
      <ProblemNote :problem="problem" />
      <div class="row">
        <button type="submit" class="beside" :disabled="busy || !name">
          {{ busy ? 'Setting…' : 'Make the labels' }}
        </button>
        <a v-if="link" :href="link" download="labels.pdf" class="words">Save the PDF</a>
      </div>
    </form>
  </details>
</template>
