import { computed, ref, shallowRef } from 'vue'
import { api, unwrap, type DayIn, type DayOut } from '@/api/client'
import { placesOf } from './day'

/** A plan as it is by hand: what is held where the cook put it, and when what moved last began before. */
interface ByHand {
  plan: DayOut
  pins: string[]
  was: Map<string, number>
}

/** Where a step is to go: when it begins, and on which burner where that changes. */
export interface Move {
  task: string
  to_s: number
  hob: number | null
}

/** What of the plan is moved by hand: each move is worked out around what is held already, and can be taken back. */
export function useMoves() {
  const done = shallowRef<ByHand[]>([])
  /** The plan before anything was moved. */
  const before = shallowRef<DayOut>()
  const problem = ref('')
  const moving = ref(false)
  const last = computed(() => done.value.at(-1))

  async function move(body: DayIn, plan: DayOut, to: Move): Promise<boolean> {
    if (moving.value) return false
    moving.value = true
    problem.value = ''
    const pins = last.value?.pins ?? []
    try {
      const found = await unwrap(
        api.POST('/api/day/move', { body: { ...body, tasks: placesOf(plan), pins, ...to } }),
      )
      const began = new Map(plan.tasks.map((t) => [t.key, t.start_s]))
      const was = new Map(found.moved.map((key) => [key, began.get(key)!]))
      before.value ??= plan
      done.value = [...done.value, { plan: found.plan, pins: found.pins, was }]
      return true
    } catch (error) {
      problem.value = error instanceof Error ? error.message : String(error)
      return false
    } finally {
      moving.value = false
    }
  }
  function undo() {
    done.value = done.value.slice(0, -1)
    problem.value = ''
  }
  /** What is held of a sweet may move again. */
  function letGo(plan: DayOut, sweet: number) {
    const mine = new Set(plan.tasks.filter((t) => t.sweet === sweet).map((t) => t.key))
    const pins = (last.value?.pins ?? []).filter((key) => !mine.has(key))
    done.value = [...done.value, { plan, pins, was: new Map() }]
  }
  function forget() {
    done.value = []
    before.value = undefined
    problem.value = ''
  }
  return { last, before, problem, moving, move, undo, letGo, forget }
}
