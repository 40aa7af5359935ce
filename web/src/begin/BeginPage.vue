<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { asRefused, call, type Refused } from '../api/client'
import Problems from '../display/Problems.vue'
import { useKept } from '../run/kept'
import { LIKE } from '../units/unitFile'
import { say } from '../words'
import Drawn from './Drawn.vue'
import PatternCards from './PatternCards.vue'
import PlateForm from './PlateForm.vue'
import { useBeginning, usePatterns, type Given } from './useBeginning'
import { userName } from '../display/userName'

/** A new unit: a circuit is chosen, its plates are read off, and its plan is at hand. */
const route = useRoute()
const router = useRouter()
const queries = useQueryClient()
const { data: patterns, error } = usePatterns()
const loadError = computed(() => (error.value ? asRefused(error.value) : null))

const by = computed(() => String(route.query.by ?? ''))
const pattern = computed(() => patterns.value?.find((p) => p.id === by.value))

const title = computed(() => {
  if (by.value.startsWith(LIKE)) return say('begin.beginPage.a-unit-like', by.value.slice(LIKE.length))
  return pattern.value?.title ?? say('begin.beginPage.a-new-unit')
})

/** Half filled in, it survives a lost page. */
const kept = useKept('begin')
const given = ref<Given>(read(kept.value))
function read(text: string): Given {
  try {
    return { tag: '', name: '', answers: {}, ...(JSON.parse(text) as Partial<Given>) }
  } catch {
    return { tag: '', name: '', answers: {} }
  }
}
watch(given, (now) => (kept.value = JSON.stringify(now)), { deep: true })

const { drawn, sheet, refused, drawNow } = useBeginning(by, given)
const saveRefused = ref<Refused | null>(null)

const sections = computed({
  get: () => Number(/^load-sense-(\d)$/.exec(by.value)?.[1] ?? 0),
  set: (n) => void router.replace({ query: { by: `load-sense-${n}` } }),
})
const named = computed(() => given.value.tag.trim() !== '' && given.value.name.trim() !== '')

function choose(pick: string) {
  void router.push({ query: { by: pick } })
}

async function keep(then: 'plan' | 'sheet') {
  saveRefused.value = null
  try {
    // What was typed a moment ago belongs to it.
    const made = await drawNow()
    if (!named.value || !made?.document || made.problems.length) {
      focusOpen()
      return
    }
    const tag = given.value.tag.trim()
    const document = { ...made.document, tag, name: given.value.name.trim() }
    const body = { base: 0, document, unconfirmed: made.unconfirmed, by: userName() }
    await call('POST', `/api/units/${encodeURIComponent(tag)}/revisions`, body, true)
    kept.value = ''
    await queries.invalidateQueries({ queryKey: ['units'] })
    await router.push({ name: then, params: { tag } })
  } catch (e) {
    saveRefused.value = asRefused(e)
  }
}

/** To what is still to be filled in. */
function focusOpen() {
  const key = named.value ? drawn.value?.open[0] : undefined
  const id = key ? `ask-${key}` : given.value.tag.trim() ? 'begin-name' : 'begin-tag'
  document.getElementById(id)?.focus()
}
</script>

<template>
  <div class="head">
    <h1>{{ title }}</h1>
    <Button v-if="by" :label="say('begin.beginPage.another-circuit')" severity="secondary" outlined @click="router.push({ query: {} })" />
  </div>
  <Problems :refused="loadError" />
  <template v-if="!by">
    <p class="which">{{ say('begin.beginPage.which-is-it-like') }}</p>
    <PatternCards v-if="patterns" :patterns="patterns" @chosen="choose" />
  </template>
  <form v-else class="two" @submit.prevent="keep('plan')">
    <div class="plates">
      <div class="card names">
        <label for="begin-tag">{{ say('begin.beginPage.tag') }}</label>
        <InputText id="begin-tag" v-model="given.tag" maxlength="32" autocomplete="off" />
        <label for="begin-name">{{ say('begin.beginPage.name') }}</label>
        <InputText id="begin-name" v-model="given.name" maxlength="200" autocomplete="off" />
        <template v-if="sections">
          <label for="begin-sections">{{ say('begin.beginPage.sections') }}</label>
          <Select v-model="sections" input-id="begin-sections" :options="[1, 2, 3, 4, 5, 6]" />
        </template>
      </div>
      <PlateForm v-if="pattern" v-model="given.answers" :pattern="pattern" :wrong="drawn?.wrong ?? {}" />
    </div>
    <div class="seen">
      <div class="card actions">
        <Button type="submit" :label="say('begin.beginPage.plan-it')" />
        <Button :label="say('begin.beginPage.to-its-sheet')" severity="secondary" outlined @click="keep('sheet')" />
        <span v-if="!named" class="small quiet">{{ say('begin.beginPage.needs-a-tag-and-name') }}</span>
        <span v-else-if="drawn?.open.length" class="small quiet">{{ say('begin.beginPage.still-open', drawn.open.length) }}</span>
      </div>
      <Problems :refused="saveRefused ?? refused" />
      <Drawn :drawn="drawn" :sheet="sheet" :example="pattern?.example" />
    </div>
  </form>
</template>

<style scoped>
.head {
  display: flex;
  align-items: center;
  gap: 16px;
  margin: 6px 0 10px;
}
.which {
  margin: 0 0 12px;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 14px;
  align-items: start;
}
.plates {
  display: grid;
  gap: 12px;
}
.names {
  display: grid;
  grid-template-columns: 170px 1fr;
  gap: 8px 12px;
  align-items: center;
}
.names label {
  font-weight: 700;
}
.seen {
  display: grid;
  gap: 12px;
  position: sticky;
  top: 8px;
}
.actions {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}
@media (max-width: 1000px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
  .seen {
    position: static;
  }
}
</style>
