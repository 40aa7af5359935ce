<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { ref, watch } from 'vue'
import { say } from '../../words'

const props = defineProps<{ id: string }>()
const emit = defineEmits<{ renamed: [to: string] }>()
const name = ref(props.id)
watch(
  () => props.id,
  (id) => (name.value = id),
)
</script>

<template>
  <form class="row" @submit.prevent="name.trim() && name !== id && emit('renamed', name.trim())">
    <label for="pointed-name">{{ say('pointing.rename.name') }}</label>
    <InputText id="pointed-name" v-model="name" autocomplete="off" maxlength="32" />
    <Button type="submit" :label="say('pointing.rename.rename')" severity="secondary" outlined :disabled="!name.trim() || name === id" />
  </form>
</template>

<style scoped>
.row {
  display: flex;
  gap: 8px;
  align-items: center;
}
input {
  width: 130px;
}
</style>
