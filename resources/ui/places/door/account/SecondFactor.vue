<script setup lang="ts">
import { encode } from 'uqr'
import { computed, ref } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import { useDeed } from '@/lib/deed'
import Field from '@/parts/Field.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import TextInput from '@/parts/TextInput.vue'
import PasswordField from '../PasswordField.vue'

// Codes of an authenticator app beside the password (RFC 6238).
defineProps<{ account: Schemas['Account'] }>()
const password = ref('')
const code = ref('')
const begun = ref<Schemas['SecondBegun'] | null>(null)
const codes = ref<string[]>([])
const { busy, problem, fields, attempt } = useDeed('account')

const squares = computed(() => {
  if (!begun.value) return null
  const { data, size } = encode(begun.value.link, { border: 2 })
  return {
    size,
    path: data.flatMap((row, y) => row.flatMap((dark, x) => (dark ? [`M${x} ${y}h1v1h-1z`] : []))).join(''),
  }
})
const begin = () =>
  attempt(async () => {
    begun.value = await told(api.POST('/api/v1/me/second', { body: { password: password.value } }))
    password.value = ''
  })
const confirm = () =>
  attempt(async () => {
    codes.value = (await told(api.POST('/api/v1/me/second/confirm', { body: { code: code.value } }))).codes
    begun.value = null
    code.value = ''
  })
const end = () =>
  attempt(async () => {
    await told(api.POST('/api/v1/me/second/end', { body: { password: password.value } }))
    password.value = ''
    codes.value = []
  })
</script>

<template>
  <section class="sheet grid">
    <h2>A code beside the password</h2>
    <div v-if="codes.length" role="status" class="kept">
      <p>
        <strong>Write these down now; they are not shown again.</strong> Each lets you in once when your app is lost.
      </p>
      <ul class="codes">
        <li v-for="one in codes" :key="one">
          <code>{{ one }}</code>
        </li>
      </ul>
    </div>
    <form v-if="begun && squares" class="grid" novalidate @submit.prevent="confirm">
      <p>
        Let your authenticator app read these squares, or type the letters below into it. Then give the code it shows.
      </p>
      <div class="row begun">
        <svg
          :viewBox="`0 0 ${squares.size} ${squares.size}`"
          width="180"
          height="180"
          role="img"
          aria-label="The same letters for an app to read"
        >
          <rect :width="squares.size" :height="squares.size" fill="#fff" />
          <path :d="squares.path" fill="#000" />
        </svg>
        <code class="secret">{{ begun.secret.match(/.{1,4}/g)?.join(' ') }}</code>
      </div>
      <p><a :href="begun.link">Open it in an app on this device</a></p>
      <Field label="The code it shows" :error="fields.code"
        ><template #default="f"
          ><TextInput v-bind="f" v-model="code" inputmode="numeric" autocomplete="one-time-code" /></template
      ></Field>
      <ProblemNote :problem="problem" />
      <div><button type="submit" class="act" :disabled="busy">Ask for codes from now on</button></div>
    </form>
    <form v-else class="grid" novalidate @submit.prevent="account.second ? end() : begin()">
      <p v-if="account.second">
        A code of your app is asked for when you sign in. Of the codes for when it is lost, {{ account.recovery_left }}
        are left.
      </p>
      <p v-else>An authenticator app on your phone shows a code that nobody has who only knows your password.</p>
      <PasswordField v-model="password" label="Your password" known :error="fields.password" />
      <ProblemNote :problem="problem" />
      <div>
        <button type="submit" class="beside" :disabled="busy">
          {{ account.second ? 'No more codes' : 'Set it up' }}
        </button>
      </div>
    </form>
  </section>
</template>

<style scoped>
.begun {
  gap: var(--s5);
}

.secret {
  font-size: 18px;
  max-width: 260px;
}

.kept {
  padding: var(--s3) var(--s4);
  background: var(--film-mist);
}

.codes {
  columns: 2;
  margin: 0;
}
</style>
