<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { api, told } from '@/api/client'
import ChangeEmail from './ChangeEmail.vue'
import ChangeName from './ChangeName.vue'
import ChangePassword from './ChangePassword.vue'
import LeaveAccount from './LeaveAccount.vue'
import OpenSessions from './OpenSessions.vue'
import SecondFactor from './SecondFactor.vue'

// One's own account: who one is, how one comes in, where one is signed in, and how to go.
const { data: account } = useQuery({ queryKey: ['account'], queryFn: () => told(api.GET('/api/v1/me/account')) })
</script>

<template>
  <div class="page narrow grid">
    <h1>Your account</h1>
    <template v-if="account">
      <ChangeName />
      <ChangeEmail :account="account" />
      <ChangePassword />
      <SecondFactor :account="account" />
      <OpenSessions />
      <LeaveAccount :account="account" />
    </template>
  </div>
</template>
