import { computed, nextTick, onMounted, ref, watch, type Ref } from 'vue'

interface Box {
  x: number
  y: number
  width: number
  height: number
}

const MARGIN = 8
const STEP = 1.3
const NEAREST = 12

/**
 * What of a drawing is seen. Fit, it is all that is drawn, measured as it stands on the screen, so that nothing is cut
 * whatever a name or a figure needs; nearer, it can be drawn along.
 *
 * @param content the group that holds all that is drawn
 * @param laid what the layout reckons with, until it is on the screen
 * @param drawn anything that changes what is drawn
 */
export function useZoom(content: Ref<SVGGElement | undefined>, laid: () => Box, drawn: () => unknown) {
  const measured = ref<Box>()
  const near = ref(1)
  /** in the middle of what is seen; nothing while all is */
  const middle = ref<{ x: number; y: number }>()

  async function measure() {
    await nextTick()
    const box = content.value?.getBBox?.()
    measured.value = box?.width
      ? { x: box.x - MARGIN, y: box.y - MARGIN, width: box.width + 2 * MARGIN, height: box.height + 2 * MARGIN }
      : undefined
  }
  onMounted(async () => {
    await measure()
    // A font that comes later makes names wider.
    await document.fonts?.ready
    await measure()
  })
  watch(drawn, measure, { deep: true })

  const all = computed(() => measured.value ?? laid())
  const seen = computed<Box>(() => {
    const { x, y } = all.value
    const width = all.value.width / near.value
    const height = all.value.height / near.value
    const at = middle.value ?? { x: x + all.value.width / 2, y: y + all.value.height / 2 }
    return {
      x: clamp(at.x - width / 2, x, x + all.value.width - width),
      y: clamp(at.y - height / 2, y, y + all.value.height - height),
      width,
      height,
    }
  })

  function clamp(at: number, low: number, high: number): number {
    return Math.min(high, Math.max(low, at))
  }

  /** By so many steps; back to where all is seen it stands in the middle again. */
  function zoom(steps: number) {
    near.value = clamp(near.value * STEP ** steps, 1, NEAREST)
    if (near.value === 1) fit()
  }

  function fit() {
    near.value = 1
    middle.value = undefined
  }

  /** @param dx with {@code dy} in units of the drawing */
  function pan(dx: number, dy: number) {
    const { x, y, width, height } = seen.value
    middle.value = { x: x + width / 2 - dx, y: y + height / 2 - dy }
  }

  const viewBox = computed(() => `${seen.value.x} ${seen.value.y} ${seen.value.width} ${seen.value.height}`)
  return { viewBox, zoomed: computed(() => near.value > 1), zoom, fit, pan }
}
