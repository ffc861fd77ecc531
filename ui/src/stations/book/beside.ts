const WORDS: Record<string, string> = {
  sugar_time: 'when the sugar went in',
  want: 'how many',
  each: 'how large',
  taken: 'how far down',
  coagulant: 'curdled with',
  wait: 'wait before the acid',
  drain: 'how it drained',
  use: 'for',
  end: 'how thick',
  school: 'way',
}
/** A word of a plan as it is said on the screen. */
export const wordFor = (word: string) => WORDS[word] ?? word
