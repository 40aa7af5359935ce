<script setup lang="ts">
import RadioButton from 'primevue/radiobutton'
import InputText from 'primevue/inputtext'
import { say } from '../words'
import { when } from '../display/time'
import { useQuery } from '@tanstack/vue-query'
import Button from 'primevue/button'
import Select from 'primevue/select'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { asRefused, call, type Refused, type Schema } from '../api/client'
import { useDisplay } from '../display/display'
import Problems from '../display/Problems.vue'
import { newKey } from './outbox'
import { keepUserName, userName } from '../display/userName'

const props = defineProps<{ tag: string }>()
const display = useDisplay()
const router = useRouter()
const route = useRoute()
const { data: runs } = useQuery({
  queryKey: ['open-runs', props.tag],
  queryFn: () => call<Schema['RunSummary'][]>('GET', `/api/runs?open=true&tag=${encodeURIComponent(props.tag)}`),
})
const name = ref(userName())
const practice = ref(true)
const RIGS = [
  { value: 'easy', label: say('run.startPage.rig-easy') },
  { value: 'workshop', label: say('run.startPage.rig-workshop') },
  { value: 'rough', label: say('run.startPage.rig-rough') },
]
const rig = ref('workshop')
const refused = ref<Refused | null>(null)
const busy = ref(false)
const open = computed(() => (runs.value ?? []).filter((r) => !r.damaged))
/** One start is one run, however often it is asked for. */
const key = newKey()

async function start() {
  busy.value = true
  refused.value = null
  try {
    const gapSchool = route.query.gapSchool ? (JSON.parse(String(route.query.gapSchool)) as object) : undefined
    const body = {
      tag: props.tag,
      technician: name.value,
      school: String(route.query.school ?? 'auto'),
      sectionOrder: String(route.query.sectionOrder ?? 'highest-first'),
      asFound: route.query.asFound === undefined ? undefined : String(route.query.asFound),
      gapSchool,
      practice: practice.value,
      rig: practice.value ? rig.value : undefined,
      key: `${key}-${practice.value}-${rig.value}`,
    }
    const run = await call<Schema['RunView']>('POST', `/api/runs?${display.query}`, body)
    keepUserName(name.value)
    await router.push({ name: 'run', params: { tag: props.tag, id: run.id } })
  } catch (e) {
    refused.value = asRefused(e)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <div class="start">
    <section v-if="open.length" class="card">
      <h1>{{ open.length === 1 ? say('run.startPage.a-run-is-open') : say('run.startPage.runs-are-open', open.length) }}</h1>
      <div v-for="r in open" :key="r.id" class="open">
        <span
          ><b>{{ say('run.startPage.run', r.practice ? say('run.startPage.practice') : say('run.startPage.at-the-machine'), r.id) }}</b
          >{{ say('run.startPage.began-it', r.technician, when(r.startedAt)) }}</span
        >
        <RouterLink :to="{ name: 'run', params: { tag, id: r.id } }"
          ><Button :label="say('run.startPage.go-on')" tabindex="-1"
        /></RouterLink>
      </div>
    </section>
    <form class="card" @submit.prevent="start">
      <h1>{{ say(open.length ? 'run.startPage.start-a-new-run' : 'run.startPage.start-a-run-of', tag) }}</h1>
      <p v-if="open.length" class="small">
        {{ say('run.startPage.the-open-open-beside', open.length === 1 ? say('run.startPage.one-stays') : say('run.startPage.ones-stay')) }}
      </p>
      <label for="name"
        ><b>{{ say('run.startPage.who-runs-it') }}</b></label
      >
      <InputText id="name" v-model="name" autocomplete="name" />
      <fieldset>
        <legend>
          <b>{{ say('run.startPage.where') }}</b>
        </legend>
        <label class="choice"
          ><RadioButton v-model="practice" :value="true" name="where" />
          <span
            ><b>{{ say('run.startPage.practice-rig') }}</b
            >{{ say('run.startPage.a-simulated-machine-with') }}</span
          ></label
        >
        <label class="choice"
          ><RadioButton v-model="practice" :value="false" name="where" />
          <span
            ><b>{{ say('run.startPage.at-the-machine') }}</b
            >{{ say('run.startPage.readings-are-typed') }}</span
          ></label
        >
      </fieldset>
      <label v-if="practice" for="rig"
        ><b>{{ say('run.startPage.how-rough') }}</b></label
      >
      <Select
        v-if="practice"
        v-model="rig"
        label-id="rig"
        :options="RIGS"
        option-label="label"
        option-value="value"
        :aria-label="say('run.startPage.how-rough')"
      />
      <Problems :refused="refused" />
      <Button type="submit" :label="say('run.startPage.start')" :loading="busy" />
    </form>
  </div>
</template>

<style scoped>
.start {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 14px;
  max-width: 640px;
  margin: 20px auto;
}
.card {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
}
.open {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  align-items: center;
}
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
}
.choice {
  display: flex;
  align-items: center;
  gap: 10px;
  min-height: 48px;
}
.choice input {
  width: 24px;
  height: 24px;
  accent-color: var(--gate);
}
input.p-inputtext {
  padding: 8px 12px;
  font-size: 17px;
}
</style>
