import { onMounted, ref, type Ref } from 'vue'

const DOUBLE_TAP_MS = 300

/** True for a moment after a step has come up: the second tap of a gloved hand must not pass what came under it. */
export function useFresh(): Ref<boolean> {
  const fresh = ref(true)
  onMounted(() => setTimeout(() => (fresh.value = false), DOUBLE_TAP_MS))
  return fresh
}
