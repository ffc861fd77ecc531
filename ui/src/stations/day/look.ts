import { onBeforeUnmount, ref, shallowRef } from 'vue'
import { ApiProblem, type CureOut, type DayIn, type DayOut } from '@/api/client'
import { placesOf } from './day'

interface Looked {
  plan: DayOut | null
  cure: CureOut | null
  said: 'alone' | 'proved' | null
  over: boolean
}

/** Whole lines of what has come so far, and what is left over. */
export function lines(text: string): [whole: string[], rest: string] {
  const all = text.split('\n')
  const rest = all.pop() ?? ''
  return [all.filter(Boolean), rest]
}

/**
 * Looks for a calmer plan of a day, and for what would cure one that is late, line by line as they are found. A worse plan
 * never takes the place of a better one.
 */
export function useLook() {
  const better = shallowRef<DayOut>()
  const cures = ref<CureOut[]>([])
  const looking = ref(false)
  /** There is no solver, so plans are packed alone; or it is proved that none is calmer. */
  const said = ref<'alone' | 'proved'>()
  const problem = ref('')
  let asked: AbortController | undefined

  function stop() {
    asked?.abort()
    asked = undefined
    looking.value = false
  }
  function forget() {
    stop()
    better.value = undefined
    cures.value = []
    problem.value = ''
    said.value = undefined
  }
  function take(found: Looked, than: DayOut) {
    if (found.plan && found.plan.cost < (better.value ?? than).cost - 1e-6)
      better.value = found.plan
    if (found.said) said.value = found.said
    if (found.cure) cures.value = [...cures.value, found.cure]
  }
  /** From the plan `than`, with the steps `pins` where they are in it. */
  async function look(body: DayIn, than: DayOut, seconds: number, pins: string[] = []) {
    stop()
    said.value = undefined
    const mine = (asked = new AbortController())
    looking.value = true
    cures.value = []
    problem.value = ''
    try {
      const answer = await fetch('/api/day/look', {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ ...body, seconds, tasks: placesOf(than), pins }),
        signal: mine.signal,
      })
      if (!answer.ok || !answer.body) throw await refused(answer)
      const reader = answer.body.pipeThrough(new TextDecoderStream()).getReader()
      let rest = ''
      for (let part = await reader.read(); !part.done; part = await reader.read()) {
        const [whole, left] = lines(rest + part.value)
        rest = left
        for (const line of whole) take(JSON.parse(line) as Looked, than)
      }
    } catch (error) {
      if (!mine.signal.aborted)
        problem.value = error instanceof Error ? error.message : String(error)
    } finally {
      if (asked === mine) looking.value = false
    }
  }
  onBeforeUnmount(stop)
  return { better, cures, looking, said, problem, look, stop, forget }
}

async function refused(answer: Response): Promise<Error> {
  const said = (await answer.json().catch(() => ({}))) as { title?: string; detail?: string }
  return new ApiProblem(answer.status, said.title ?? 'No answer', said.detail ?? '', [])
}
