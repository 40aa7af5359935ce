<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import { asRefused, call, type Refused, type Schema } from '../api/client'
import Problems from '../display/Problems.vue'
import { when } from '../display/time'
import { newKey } from '../run/outbox'
import { say } from '../words'

/** Names under a finished record; with both it is locked, and what is to be added is an amendment. */
const props = defineProps<{ record: Schema['RecordView'] }>()
const emit = defineEmits<{ signed: [] }>()
const ROLES = ['technician', 'witness'] as const
const names = ref<Record<string, string>>({ technician: props.record.technician, witness: '' })
const text = ref('')
const by = ref('')
const refused = ref<Refused | null>(null)
const signed = computed(() => props.record.signed)

function nameOf(role: string) {
  return signed.value.names.find((n) => n.role === role)
}

async function write(event: Record<string, unknown>): Promise<boolean> {
  refused.value = null
  try {
    await call('POST', `/api/runs/${props.record.run}/events`, { key: newKey(), ...event })
    emit('signed')
    return true
  } catch (e) {
    refused.value = asRefused(e)
    return false
  }
}

async function amend() {
  if (await write({ kind: 'amended', text: text.value, releasedBy: by.value })) text.value = by.value = ''
}
</script>

<template>
  <section class="sign">
    <div v-for="role in ROLES" :key="role" class="name">
      <template v-if="nameOf(role)">
        <b>{{ nameOf(role)?.name }}</b>, {{ when(nameOf(role)?.at) }}
        <span class="quiet small">{{ say(role === 'witness' ? 'record.sign.witness' : 'record.sign.technician') }}</span>
      </template>
      <form v-else class="no-print" @submit.prevent="write({ kind: 'signed', note: role, text: names[role] })">
        <label>
          <span class="small">{{ say(role === 'witness' ? 'record.sign.witness' : 'record.sign.technician') }}</span>
          <InputText v-model="names[role]" autocomplete="off" fluid />
        </label>
        <Button type="submit" :label="say('record.sign.sign')" :disabled="!names[role]?.trim()" />
      </form>
    </div>
    <p v-if="signed.locked" class="chip pass">{{ say('record.sign.locked', signed.revision) }}</p>
    <p v-else class="small quiet no-print">{{ say('record.sign.two-names') }}</p>
    <p v-for="a in signed.amendments" :key="a.revision" class="amended">
      <b>{{ say('record.sign.amended', a.revision, a.by, when(a.at)) }}</b> {{ a.text }}
    </p>
    <form v-if="signed.locked" class="no-print amend" @submit.prevent="amend">
      <label>
        <span class="small">{{ say('record.sign.what-to-add') }}</span>
        <InputText v-model="text" fluid />
      </label>
      <label>
        <span class="small">{{ say('record.sign.who-adds') }}</span>
        <InputText v-model="by" autocomplete="off" fluid />
      </label>
      <Button type="submit" :label="say('record.sign.amend')" severity="secondary" outlined :disabled="!text.trim() || !by.trim()" />
    </form>
    <Problems :refused="refused" />
  </section>
</template>

<style scoped>
.sign {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(260px, 1fr));
  gap: 10px 20px;
  align-items: end;
  border-top: 2px solid var(--ink);
  padding-top: 10px;
}
.sign > p,
.amend {
  grid-column: 1 / -1;
}
form {
  display: flex;
  gap: 10px;
  align-items: end;
}
form label {
  flex: 1;
}
.amend label:first-child {
  flex: 3;
}
.chip {
  justify-self: start;
}
.amended {
  border-left: 7px solid var(--gold);
  padding-left: 10px;
}
</style>
