<script setup lang="ts">
import Select from 'primevue/select'
import { say } from '../words'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { call, type Schema } from '../api/client'
import { settingName } from '../display/names'
import { apply } from '../sheet/changes'
import { keepDraft, keptDraft } from '../sheet/draft'
import { copyOf, type UnitFile } from '../units/unitFile'
import UnitSelect from '../units/UnitSelect.vue'

/** Puts a reckoned figure where it belongs on a sheet, as a change that is not saved yet. */
const props = defineProps<{ value: number; unit: string; tag: string }>()
const router = useRouter()
const open = ref(false)
const tag = ref(props.tag)
const stored = ref<Schema['UnitDocument']>()
const document = ref<UnitFile>()

interface Target {
  label: string
  path: string[]
}

const targets = computed<Target[]>(() => {
  const unit = document.value
  if (!unit) return []
  const works = (key: string, what: string) =>
    (unit.work ?? []).map((w) => ({ label: say('reckon.sendToSheet.of-work', what, w.name ?? w.id), path: ['work', w.id, key] }))
  const parts = (type: string, key: string, what: string) =>
    unit.components
      .filter((c) => c.type === type)
      .map((c) => ({ label: say('reckon.sendToSheet.of', what, c.id), path: ['components', c.id, key] }))
  switch (props.unit) {
    case 'bar':
      return [
        ...(unit.targets ?? []).map((t) => ({
          label: say('reckon.sendToSheet.target-of', settingName(t.setting)),
          path: ['targets', t.setting, 'pressureBar'],
        })),
        ...works('pressureBar', 'pressure'),
        ...parts('accumulator', 'prechargeBar', 'precharge'),
      ]
    case 'L/min':
      return [...works('flowLpm', 'flow'), ...parts('flow-control', 'setLpm', say('reckon.sendToSheet.set-flow'))]
    case 'kW':
      return [
        ...parts('electric-motor', 'ratedPowerKw', say('reckon.sendToSheet.rated-power')),
        ...parts('engine', 'ratedPowerKw', say('reckon.sendToSheet.rated-power')),
      ]
    case 'N':
      return parts('cylinder', 'forceN', 'force')
    default:
      return []
  }
})
const possible = computed(() => ['bar', 'L/min', 'kW', 'N'].includes(props.unit))

async function choose() {
  open.value = true
  if (!tag.value) return
  const kept = keptDraft(tag.value)
  stored.value = await call<Schema['UnitDocument']>('GET', `/api/units/${tag.value}`)
  document.value = copyOf(kept?.document ?? (stored.value.document as UnitFile))
}

async function send(path: string) {
  const target = targets.value.find((t) => t.path.join('/') === path)
  if (!target || !document.value || !stored.value) return
  const kept = keptDraft(tag.value)
  apply(document.value as Record<string, unknown>, { path: target.path, before: undefined, after: Number(props.value.toPrecision(4)) })
  keepDraft(tag.value, {
    base: kept?.base ?? stored.value.revision,
    document: document.value,
    unconfirmed: kept?.unconfirmed ?? stored.value.unconfirmed,
  })
  await router.push({ name: 'sheet', params: { tag: tag.value } })
}
</script>

<template>
  <span v-if="possible" class="send">
    <Button v-if="!open" :label="say('reckon.sendToSheet.send-to-a-sheet')" severity="secondary" text @click="choose" />
    <template v-else>
      <UnitSelect
        v-model="tag"
        :label="say('reckon.sendToSheet.unit')"
        :placeholder="say('reckon.sendToSheet.unit-2')"
        @update:model-value="choose"
      />
      <Select
        v-if="document"
        :options="targets"
        option-label="label"
        :option-value="(t) => t.path.join('/')"
        :placeholder="targets.length ? say('reckon.sendToSheet.field') : say('reckon.sendToSheet.no-field-takes-this')"
        :aria-label="say('reckon.sendToSheet.field-of-the-sheet')"
        @update:model-value="send"
      />
    </template>
  </span>
</template>

<style scoped>
.send {
  display: inline-flex;
  gap: 8px;
}
.send :deep(.p-select) {
  max-width: 280px;
}
</style>
