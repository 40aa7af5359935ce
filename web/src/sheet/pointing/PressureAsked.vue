<script setup lang="ts">
import Button from 'primevue/button'
import { onMounted, ref } from 'vue'
import NumberField from '../NumberField.vue'
import { say } from '../../words'
import { kindName } from './circuit'

/** What the schematic says beside a part's symbol, before it is put in. */
const props = defineProps<{ type: string; label: string; /** bar that stood there before */ before?: number }>()
const emit = defineEmits<{ given: [bar: number] }>()
const bar = ref<number | undefined>(props.before)
const MOST_BAR = 1000
const ASKED: Record<string, string> = {
  accumulator: say('pointing.asked.filled-to', kindName(props.type)),
  compensator: say('pointing.asked.cut-off'),
  loadSense: say('pointing.asked.margin'),
}
const asked = ASKED[props.type] ?? say('pointing.asked.at', kindName(props.type))
const form = ref<HTMLFormElement>()
onMounted(() => form.value?.querySelector('input')?.focus())
</script>

<template>
  <form ref="form" class="asked" @submit.prevent="bar !== undefined && emit('given', bar)">
    <span class="small">{{ asked }}</span>
    <NumberField :label="say('pointing.asked.pressure')" :value="bar" unit="bar" :above="0" :most="MOST_BAR" @change="bar = $event" />
    <Button type="submit" :label="label" :disabled="bar === undefined" />
  </form>
</template>

<style scoped>
.asked {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
  padding: 8px 0;
}
.asked .small {
  flex-basis: 100%;
}
</style>
