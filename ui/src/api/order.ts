/** Answers may come out of order: of one batch, that with the newer happening is the later. */
type Numbered = { id: number; newest: number }

const seen = new Map<number, number>()
const ASKED_AGAIN = 2

export const isOld = (batch: Numbered) => batch.newest < (seen.get(batch.id) ?? 0)
export const saw = (batch: Numbered) => void seen.set(batch.id, batch.newest)

/**
 * Ask, and again when the answer was read before something that is known already. What stays older is taken all the
 * same: a copy was brought back.
 */
export async function inOrder<T>(
  ask: () => Promise<T>,
  batches: (answer: T) => Numbered[],
): Promise<T> {
  let answer = await ask()
  for (let again = 0; again < ASKED_AGAIN && batches(answer).some(isOld); again++)
    answer = await ask()
  batches(answer).forEach(saw)
  return answer
}
