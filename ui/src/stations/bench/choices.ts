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
  { value: 'thickened milk', text: 'thickened milk', does: 'to soak or pour' },
  { value: 'basundi', text: 'basundi', does: 'coats the spoon cold, soft flakes in it' },
  { value: 'kulfi base', text: 'kulfi base', does: 'freezes smooth' },
  { value: 'evaporated milk', text: 'evaporated milk', does: 'thin cream, no sugar' },
  { value: 'rabri', text: 'rabri', does: 'mounds on the spoon cold' },
  {
    value: 'sweetened condensed milk',
    text: 'sweetened condensed milk',
    does: 'about 200 g of sugar a litre of cow’s milk',
  },
  { value: 'khoya dhap', text: 'khoya dhap', does: 'soft dough, still sticks' },
  { value: 'khoya danedar', text: 'khoya danedar', does: 'grainy, leaves the sides' },
  { value: 'khoya pindi', text: 'khoya pindi', does: 'one firm lump' },
  {
    value: 'coconut condensed milk',
    text: 'coconut condensed milk',
    does: 'from coconut milk, at a bare movement',
  },
  { value: 'spoonable cold', text: 'spoonable cold', does: 'by how it will stand tomorrow' },
]

export const SUGARS: WordChoice[] = [
  { value: '', text: 'no sugar' },
  { value: '60 g', text: '60 g' },
  { value: '110 g', text: '110 g' },
  { value: '½ cup', text: '½ cup' },
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

export const TO_BOIL: WordChoice[] = [
  { value: 'strong', text: 'a strong flame', does: 'quickest; turn down as it lifts' },
  { value: 'medium', text: 'a medium flame', does: 'easier to catch the boil' },
  { value: 'gentle', text: 'a gentle flame', does: 'long, and it may only steam' },
]

export const LIDS: WordChoice[] = [
  { value: 'off', text: 'no lid', does: 'you see it rise' },
  { value: 'on', text: 'the lid on', does: 'a little sooner; it rises unseen, so stay by it' },
]

export const STIRRINGS: WordChoice[] = [
  { value: 'scraped', text: 'stir and scrape', does: 'smooth; little stays on the pan' },
  { value: 'now-and-then', text: 'stir now and then', does: 'smooth; more stays on the wall' },
  { value: 'folded', text: 'fold the skin in', does: 'flakes of skin: thicker, layered' },
  { value: 'lifted', text: 'lift the skin off', does: 'thinner and leaner; some 4 g a skin' },
]

export const WETTINGS: WordChoice[] = [
  { value: 'dry', text: 'a dry pan' },
  {
    value: 'wet',
    text: 'a pan wetted first',
    does: 'a little water before the milk: it sticks less',
  },
]

export const WHEN_ADDED: WordChoice[] = [
  { value: 'start', text: 'from the start', does: 'boils down with the milk' },
  { value: 'end', text: 'at the end', does: 'stirred in once the stop is reached' },
]
