<script setup lang="ts">
import { useDeed } from '@/lib/deed'
import TickMany from '@/parts/TickMany.vue'
import { useQuery } from '@tanstack/vue-query'
import { ref } from 'vue'
import { api, told } from '@/api/client'
import { shortDay } from '@/lib/dates'
import { useMe } from '@/lib/session'
import Field from '@/parts/Field.vue'
import NumberInput from '@/parts/NumberInput.vue'
import TextInput from '@/parts/TextInput.vue'
import ProblemNote from '@/parts/ProblemNote.vue'

const { data: tokens } = useQuery({ queryKey: ['tokens'], queryFn: () => told(api.GET('/api/v1/tokens')) })
const name = ref('')
const abilities = ref(['read', 'reckon'])
const days = ref<number | null>(90)
const { zone } = useMe()
const secret = ref('')
const { problem, fields, attempt } = useDeed('tokens')

const make = () =>
  attempt(async () => {
    const token = await told(
      api.POST('/api/v1/tokens', {
        body: { name: name.value, abilities: abilities.value, days: days.value ?? undefined },
      }),
    )
    secret.value = token.secret ?? ''
    name.value = ''
  })
const revoke = (id: number) =>
  attempt(async () => {
    await told(api.DELETE('/api/v1/tokens/{id}', { params: { path: { id } } }))
  })
</script>

<template>
  <section class="sheet grid">
    <h2>Tokens for scripts</h2>
    <p class="quiet small">
      A script sends one as “Authorization: Bearer …”. What it may do is chosen here, but never what opens doors:
      people, invitations, tokens, letters. The addresses are in docs/openapi.json.
    </p>
    <ul v-if="tokens?.data.length" class="plain">
      <li v-for="token in tokens.data" :key="token.id" class="row spread">
        <span
          ><strong>{{ token.name }}</strong> <span class="quiet">{{ token.abilities.join(', ') }}</span>
          <span class="small quiet">
            {{ token.made_by ? `of ${token.made_by}, ` : ''
            }}{{ token.last_used_at ? `used ${shortDay(token.last_used_at, zone)}` : 'never used'
            }}{{ token.expires_at ? `, good until ${shortDay(token.expires_at, zone)}` : '' }}</span
          ></span
        >
        <button type="button" class="words" @click="revoke(token.id)">Revoke</button>
      </li>
    </ul>
    <form class="row make" novalidate @submit.prevent="make">
      <Field label="What for"
        ><template #default="f"><TextInput v-bind="f" v-model="name" maxlength="120" /></template
      ></Field>
      <Field label="Good for" :error="fields.days"
        ><template #default="f"><NumberInput v-bind="f" v-model="days" suffix="days" /></template
      ></Field>
      <TickMany
        v-model="abilities"
        label="What it may do"
        hide-label
        :options="['read', 'write', 'reckon'].map((value) => ({ value, name: value }))"
      />
      <button type="submit" class="beside">Make a token</button>
    </form>
    <p v-if="secret" role="status">
      Copy it now, it is not shown again: <code>{{ secret }}</code>
    </p>
    <ProblemNote :problem="problem" />
  </section>
</template>

<style scoped>
li {
  border-top: 1px solid var(--line);
}

.make {
  align-items: end;
}

.make .row {
  min-height: var(--touch);
}

code {
  overflow-wrap: anywhere;
}
</style>
