import type { WordChoice } from '@/sentence/SentenceWord.vue'

export const AMOUNTS: WordChoice[] = ['1 L', '1.5 L', '2 L', '2.4 L', '3 L'].map((a) => ({
  value: a,
  text: a,
}))

export const FLAMES: WordChoice[] = [
  { value: 'gentle', text: 'a gentle flame', does: 'slow and safe; the milk hardly moves' },
  { value: 'medium', text: 'a medium flame', does: 'a steady simmer; stir every minute or two' },
  { value: 'strong', text: 'a strong flame', does: 'fastest; stir without leaving it' },
]

export const STOPS: WordChoice[] = [
  {
    value: 'two thirds of its volume',
    text: 'two thirds of its volume',
    does: 'thickened milk, to soak or pour',
  },
  { value: 'half its volume', text: 'half its volume', does: 'basundi, kulfi base' },
  {
    value: 'a third of its volume',
    text: 'a third of its volume',
    does: 'thick basundi, early rabri',
  },
  {
    value: 'a quarter of its volume',
    text: 'a quarter of its volume',
    does: 'rabri from cow’s milk',
  },
  { value: '33 % solids', text: '33 % solids', does: 'the same thickness from any milk' },
]

export const SUGARS: WordChoice[] = [
  { value: '', text: 'no sugar' },
  { value: '60 g', text: '60 g of sugar' },
  { value: '110 g', text: '110 g of sugar' },
  { value: '½ cup', text: '½ cup of sugar' },
]

export const SUGAR_TIMES: WordChoice[] = [
  {
    value: 'start',
    text: 'at the start',
    does: 'creamier and darker; sticks sooner; counts in the volume',
  },
  { value: 'midway', text: 'midway', does: 'in when three tenths are gone' },
  { value: 'end', text: 'at the end', does: 'loosens the milk, then 3 minutes more' },
]
