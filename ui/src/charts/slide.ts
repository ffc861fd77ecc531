import type { Ref } from 'vue'

/** Dragging along a time axis: where the finger is becomes seconds, followed while it moves, kept when it lifts. */
export function useSlide(
  svg: Ref<SVGSVGElement | undefined>,
  secondsAt: (px: number) => number,
  emit: { drag: (seconds: number) => void; drop: (seconds: number) => void },
) {
  let dragging = false
  const at = (event: PointerEvent) => {
    const box = svg.value!.getBoundingClientRect()
    return secondsAt(((event.clientX - box.left) * svg.value!.clientWidth) / (box.width || 1))
  }
  return {
    down(event: PointerEvent) {
      dragging = true
      svg.value!.setPointerCapture(event.pointerId)
      emit.drag(at(event))
    },
    move(event: PointerEvent) {
      if (dragging) emit.drag(at(event))
    },
    up(event: PointerEvent) {
      if (!dragging) return
      dragging = false
      emit.drop(at(event))
    },
  }
}

/** A value between the rows of a table. */
export function between(columnX: number[], columnY: number[], x: number): number {
  const found = columnX.findIndex((s) => s >= x)
  const i = Math.max(1, found < 0 ? columnX.length - 1 : found)
  const [x0, x1] = [columnX[i - 1]!, columnX[i]!]
  const share = Math.min(1, Math.max(0, (x - x0) / (x1 - x0 || 1)))
  return columnY[i - 1]! * (1 - share) + columnY[i]! * share
}
