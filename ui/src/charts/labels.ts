const EACH_PX = 6.6
/** Where a label of a chart begins beside its line: moved back where it would run out of the drawing. */
export const beginsAt = (line: number, text: string, width: number) =>
  Math.max(0, Math.min(line + 5, width - EACH_PX * text.length))
