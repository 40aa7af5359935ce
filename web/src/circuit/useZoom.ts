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
  const shift = ref({ x: 0, y: 0 })

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
    const width = all.value.width / near.value
    const height = all.value.height / near.value
    const x = clamp(all.value.x + (all.value.width - width) / 2 + shift.value.x, all.value.x, all.value.width - width)
    const y = clamp(all.value.y + (all.value.height - height) / 2 + shift.value.y, all.value.y, all.value.height - height)
    return { x, y, width, height }
  })

  function clamp(at: number, from: number, room: number): number {
    return Math.min(from + room, Math.max(from, at))
  }

  /** By so many steps; back to where all is seen it stands in the middle again. */
  function zoom(steps: number) {
    near.value = Math.min(NEAREST, Math.max(1, near.value * STEP ** steps))
    if (near.value === 1) fit()
  }

  function fit() {
    near.value = 1
    shift.value = { x: 0, y: 0 }
  }

  /** @param dx with {@code dy} in px of the screen, of a picture that is so many px wide */
  function pan(dx: number, dy: number, px: number) {
    if (near.value === 1) return
    const scale = seen.value.width / px
    const spare = { x: (all.value.width - seen.value.width) / 2, y: (all.value.height - seen.value.height) / 2 }
    shift.value = {
      x: clamp(shift.value.x - dx * scale, -spare.x, 2 * spare.x),
      y: clamp(shift.value.y - dy * scale, -spare.y, 2 * spare.y),
    }
  }

  const viewBox = computed(() => `${seen.value.x} ${seen.value.y} ${seen.value.width} ${seen.value.height}`)
  return { viewBox, zoomed: computed(() => near.value > 1), zoom, fit, pan }
}
