import type { Ref } from 'vue'

/** So many px a finger moves that only taps. */
const A_TREMBLE = 8

/** A picture that is near enough is drawn along by a finger or a mouse; the wheel with Ctrl, or two keys, bring it nearer. */
export function usePanning(zoomed: Ref<boolean>, pan: (dx: number, dy: number) => void, zoom: (steps: number) => void) {
  let held: { x: number; y: number } | undefined
  let moved = 0

  /** px of the screen for a unit of the drawing */
  function scale(event: Event): number {
    return (event.currentTarget as SVGSVGElement).getScreenCTM()?.a || 1
  }

  return {
    pointerdown(event: PointerEvent) {
      held = zoomed.value ? { x: event.clientX, y: event.clientY } : undefined
      moved = 0
    },
    pointermove(event: PointerEvent) {
      if (!held || !event.buttons) return
      const [dx, dy] = [event.clientX - held.x, event.clientY - held.y]
      pan(dx / scale(event), dy / scale(event))
      moved += Math.abs(dx) + Math.abs(dy)
      held = { x: event.clientX, y: event.clientY }
    },
    pointerup() {
      held = undefined
    },
    /** Let go over a part after drawing the picture along, nothing is chosen. */
    clickCapture(event: MouseEvent) {
      if (moved > A_TREMBLE) event.stopPropagation()
      moved = 0
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
