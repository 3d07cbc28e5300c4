<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, told } from '@/api/client'
import { useDeed } from '@/lib/deed'
import { useMe } from '@/lib/session'
import Field from '@/parts/Field.vue'
import OneOf from '@/parts/OneOf.vue'
import TextInput from '@/parts/TextInput.vue'
import ProblemNote from '@/parts/ProblemNote.vue'

const { me, isOwner } = useMe()
const { data: members } = useQuery({ queryKey: ['members'], queryFn: () => told(api.GET('/api/v1/members')) })
const { data: invitations } = useQuery({
  queryKey: ['invitations'],
  enabled: isOwner,
  queryFn: () => told(api.GET('/api/v1/invitations')),
})
const open = computed(() => invitations.value?.data.filter((one) => !one.accepted) ?? [])
const email = ref('')
const role = ref<'owner' | 'technician'>('technician')
const sent = ref('')
const sure = ref('')
const { busy, problem, attempt, fields } = useDeed('members', 'invitations', 'messages')

function invite() {
  sent.value = ''
  const body = { email: email.value, role: role.value }
  const begun = async () => {
    await told(api.POST('/api/v1/invitations', { body }))
    sent.value = body.email
    email.value = ''
  }
  return attempt(begun)
}
const handOn = ref<{ name: string; url: string } | null>(null)
const reset = (id: string, name: string) =>
  attempt(async () => {
    handOn.value = null
    const path = { member: id }
    handOn.value = { name, ...(await told(api.POST('/api/v1/members/{member}/reset-link', { params: { path } }))) }
  })
const withdraw = (id: string) =>
  attempt(() => told(api.DELETE('/api/v1/invitations/{invitation}', { params: { path: { invitation: id } } })))
const remove = (id: string) =>
  attempt(() => told(api.DELETE('/api/v1/members/{member}', { params: { path: { member: id } } })))
</script>

<template>
  <section class="sheet grid">
    <h2>People</h2>
    <ul class="lines">
      <li v-for="member in members?.data" :key="member.id">
        <span
          ><strong>{{ member.name }}</strong> <span class="quiet">{{ member.email }}, {{ member.role }}</span></span
        >
        <template v-if="isOwner && member.user_id !== me?.id">
          <button type="button" class="words" @click="reset(member.id, member.name)">Link for a new password</button>
          <button v-if="sure !== member.id" type="button" class="words" @click="sure = member.id">Remove…</button>
          <button v-else type="button" class="beside" @click="remove(member.id)">
            Yes, {{ member.name }} no longer works here
          </button>
        </template>
      </li>
      <li v-for="invitation in open" :key="invitation.id">
        <span class="quiet">{{ invitation.email }}, invited as {{ invitation.role }}</span>
        <button type="button" class="words" @click="withdraw(invitation.id)">Withdraw</button>
      </li>
    </ul>
    <p v-if="handOn" role="status" class="hand">
      <strong>Hand this on to {{ handOn.name }}; it is not shown again.</strong> It opens their account for an hour.
      <code>{{ handOn.url }}</code>
    </p>
    <form v-if="isOwner" class="row invite" novalidate @submit.prevent="invite">
      <Field label="Invite by e-mail" :error="fields.email"
        ><template #default="f"><TextInput v-bind="f" v-model="email" type="email" /></template
      ></Field>
      <Field label="As"
        ><template #default="f"
          ><OneOf v-bind="f" v-model="role" :options="{ technician: 'Technician', owner: 'Owner' }" /></template
      ></Field>
      <button type="submit" class="beside" :disabled="busy">Invite</button>
    </form>
    <p v-if="sent" role="status">An invitation for {{ sent }} is in the messages below.</p>
    <ProblemNote :problem="problem" />
  </section>
</template>

<style scoped>
.hand code {
  display: block;
  overflow-wrap: anywhere;
}

.invite {
  align-items: end;
}
</style>
