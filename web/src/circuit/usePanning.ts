import type { Ref } from 'vue'

/** A picture that is near enough is drawn along by a finger or a mouse; the wheel with Ctrl, or two keys, bring it nearer. */
export function usePanning(zoomed: Ref<boolean>, pan: (dx: number, dy: number, px: number) => void, zoom: (steps: number) => void) {
  let held: { x: number; y: number } | undefined

  function width(event: Event): number {
    return (event.currentTarget as Element).getBoundingClientRect().width
  }

  return {
    pointerdown(event: PointerEvent) {
      held = zoomed.value ? { x: event.clientX, y: event.clientY } : undefined
    },
    pointermove(event: PointerEvent) {
      if (!held || !event.buttons) return
      pan(event.clientX - held.x, event.clientY - held.y, width(event))
      held = { x: event.clientX, y: event.clientY }
    },
    pointerup() {
      held = undefined
    },
    wheel(event: WheelEvent) {
      if (!event.ctrlKey) return
      event.preventDefault()
      zoom(event.deltaY < 0 ? 1 : -1)
    },
    keydown(event: KeyboardEvent) {
      const steps = { '+': 1, '=': 1, '-': -1, '0': -100 }[event.key]
      if (steps === undefined) return
      event.preventDefault()
      zoom(steps)
    },
  }
}
