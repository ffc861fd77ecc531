import { useEventListener, useIntervalFn, useLocalStorage } from '@vueuse/core'
import { computed, ref, watch, type Ref } from 'vue'
import { ApiProblem, api, unwrap, type DayOut, type KeptDayOut } from '@/api/client'
import { pushed } from './shift'

/** Something took longer, and all was pushed, while the server could not be reached. */
interface Slip {
  day: number
  task: string
  end_s: number
  now_s: number
}
const RETRY_MS = 3000
const NO_NETWORK = 0
const CHANGED = 409

/** What was pushed here without network: the day is followed as pushed, and the server hears of it in order, once. */
export function useSlips(day: Ref<KeptDayOut | undefined>, heard: (day: KeptDayOut) => void) {
  const all = useLocalStorage<Slip[]>('mulvek-day-slips', [])
  const mine = computed(() => all.value.filter((s) => s.day === day.value?.id))
  const refused = ref('')
  const plan = computed<DayOut | undefined>(() =>
    mine.value.reduce<DayOut | undefined>(
      (plan, s) => plan && pushed(plan, s.now_s, s.task, s.end_s),
      day.value?.plan,
    ),
  )
  function push(slip: Omit<Slip, 'day'>) {
    all.value = [...all.value, { ...slip, day: day.value!.id }]
    refused.value = ''
  }
  const drop = (slip: Slip) => (all.value = all.value.filter((s) => s !== slip))

  let sending = false
  async function send() {
    if (sending || !mine.value.length || !day.value) return
    sending = true
    try {
      let version = day.value.version
      for (let again = false, slip = mine.value[0]; slip; slip = mine.value[0]) {
        const path = { id: slip.day }
        const body = { task: slip.task, end_s: slip.end_s, version, take: 'push' as const }
        try {
          const answer = await unwrap(api.POST('/api/days/{id}/slip', { params: { path }, body }))
          version = answer.day.version
          drop(slip)
          heard(answer.day)
        } catch (error) {
          if (!(error instanceof ApiProblem) || error.status === NO_NETWORK) return
          if (error.status === CHANGED && !again) {
            version = (await unwrap(api.GET('/api/days/{id}', { params: { path } }))).version
            again = true
            continue
          }
          refused.value = error.message
          drop(slip)
        }
        again = false
      }
    } catch {
      // no network again: it goes on waiting
    } finally {
      sending = false
    }
  }
  useEventListener(window, 'online', () => void send())
  const { pause, resume } = useIntervalFn(() => void send(), RETRY_MS, { immediate: false })
  watch(
    () => mine.value.length > 0,
    (some) => (some ? (resume(), void send()) : pause()),
    { immediate: true },
  )
  return { plan, waiting: mine, refused, push, send }
}
