import { mount } from '@vue/test-utils'
import { describe, expect, test } from 'vitest'
import { nextTick } from 'vue'
import type { Told } from '@/api/client'
import { MOST_LINES } from '@/api/shared'
import ToldLines from './ToldLines.vue'
import ToldRiver from './ToldRiver.vue'
import {
  answersOf,
  answersSaid,
  aroundLoose,
  calendarDay,
  inSingleLines,
  linesOf,
  madeAt,
  owedTo,
  riverOf,
  shifted,
  toldAgain,
} from './told'

const line = (more: Partial<Told['lines'][number]>): Told['lines'][number] => ({
  text: '',
  kind: 'in',
  key: '',
  name: '',
  grams: null,
  source: '',
  said: '',
  loose: '',
  options: [],
  answer: '',
  problem: '',
  fix: '',
  ...more,
})
const milk = line({
  text: '2 L milk to half',
  key: 'milk:1',
  grams: 2060,
  source: 'told',
  said: 'Milk: 2 L.',
})
const sugar = line({
  text: '5 big spoons of sugar',
  key: 'white-sugar',
  grams: 174,
  source: 'doubt',
  answer: 'level',
})
const gave = line({ text: 'gave 14 sticks', kind: 'gave' })
const told = (lines: Told['lines'], more: Partial<Told> = {}) =>
  ({ lines, bases: [], river: [], cooks: false, bowl_kg: 0, cooked_kg: 0, ...more }) as Told

describe('the lines of a batch', () => {
  test('go through the address and back', () => {
    expect(linesOf('a\nb\n')).toEqual(['a', 'b', ''])
    expect(linesOf(Array(50).fill('x').join('\n'))).toHaveLength(MOST_LINES)
    expect(answersOf(answersSaid({ 1: 'level', 12: 'rice-spoon' }))).toEqual({
      1: 'level',
      12: 'rice-spoon',
    })
    expect(answersOf('x=level;3=;=heaped')).toEqual({})
  })

  test('an answer stays with its line', () => {
    const answers = { 1: 'level', 3: 'heaped' }
    expect(shifted(answers, 2, 1)).toEqual({ 1: 'level', 4: 'heaped' })
    expect(shifted(answers, 0, 1)).toEqual({ 2: 'level', 4: 'heaped' })
    expect(shifted(answers, 1, -1)).toEqual({ 2: 'heaped' })
    expect(shifted(shifted(answers, 2, 1), 2, -1)).toEqual(answers)
  })
})

describe('what is told in one breath', () => {
  test('is a line each, with the answers of its own', () => {
    const mine = ['cardamom', '1 L milk to half, 5 spoons of sugar, gave 12 sticks', '']
    const answered = ['cardamom', '1 L milk to half', '5 spoons of sugar', 'gave 12 sticks', '']
    expect(inSingleLines(mine, answered, { 1: 'level', 2: 'x' })).toEqual({
      lines: answered,
      answers: { 1: 'level', 4: 'x' },
      moved: [0, 1, 4],
    })
    expect(inSingleLines(['a', 'b'], ['a', 'b'], {})!.moved).toEqual([0, 1])
  })
  test('is left alone while the answer is to other words', () => {
    expect(inSingleLines(['1 L milk, 2 spoons'], ['1 L milk', '3 spoons'], {})).toBeNull()
    expect(inSingleLines(['1 L milk'], ['1 L milk', '3 spoons'], {})).toBeNull()
    expect(inSingleLines(['a', 'b'], ['a'], {})).toBeNull()
  })
})

describe('the river', () => {
  const none = { fat: 0, protein: 0, lactose: 0, minerals: 0, sugar: 0, water: 1, rest: 0 }
  const change = (line: number, beneath: boolean, kg: number): Told['river'][number] => ({
    line,
    beneath,
    kg,
    in_kg: 0,
    off_kg: 0,
    off: '',
    layers: none,
  })
  const river = [change(0, false, 2), change(0, true, 1), change(2, false, 1.1)]

  test('has each change at its line, and what goes off between two lines half way to the next', () => {
    expect(riverOf(told([milk, sugar, gave], { river }), [20, 120, 220]).map((h) => h.y)).toEqual([
      20, 70, 220,
    ])
    const ys = riverOf(told([milk, sugar, gave], { river }), []).map((h) => h.y)
    expect(ys).toEqual([...ys].sort((a, b) => a - b)) // where the page has not been measured yet too
  })

  function drawn() {
    const answer = told([milk, sugar, gave], {
      river: river.map((h, i) => ({ ...h, layers: { ...none, water: 1 - i / 10, sugar: i / 10 } })),
      in_kg: 2.1,
      finished_kg: 1.08,
    })
    return mount(ToldRiver, { props: { told: answer, ys: [20, 120, 220], height: 400 } })
  }
  test('the cut goes along it by key, and never past its ends', async () => {
    const w = drawn()
    const cut = w.find('[role=slider]')
    expect(cut.attributes('aria-valuetext')).toMatch(/1\D080 g.*sugar 20 %/)
    await cut.trigger('keydown', { key: 'ArrowUp' })
    expect(cut.attributes('aria-valuetext')).toMatch(/1\D000 g.*sugar 10 %/)
    await cut.trigger('keydown', { key: 'Home' })
    await cut.trigger('keydown', { key: 'ArrowUp' })
    expect(cut.attributes('aria-valuenow')).toBe('0')
    await cut.trigger('keydown', { key: 'End' })
    await cut.trigger('keydown', { key: 'ArrowDown' })
    expect(cut.attributes('aria-valuenow')).toBe('2')
  })
  test('a touch moves the cut to what stood there', async () => {
    const w = drawn()
    const tall = Number(w.find('svg').attributes('height'))
    w.find('svg').element.getBoundingClientRect = () => ({ top: 100, height: tall }) as DOMRect
    await w.find('.bed').trigger('click', { clientY: 100 + 80 })
    expect(w.find('[role=slider]').attributes('aria-valuenow')).toBe('1')
    await w.find('.bed').trigger('click', { clientY: 100 + 30 })
    expect(w.find('[role=slider]').attributes('aria-valuenow')).toBe('0')
  })
})

describe('a loose word', () => {
  test('is found where it stands in the line', () => {
    expect(aroundLoose('5 Big spoons of sugar', 'Big spoons')).toEqual(['5 ', 'Big spoons'])
    expect(aroundLoose('5 g of sugar', '')).toEqual(['', ''])
    expect(aroundLoose('it was changed since', 'Big spoons')).toEqual(['', ''])
  })
})

describe('a batch for the Book alone', () => {
  test('was made today, or at the noon of its day', () => {
    expect(madeAt(calendarDay(Date.now()))).toBeNull()
    expect(madeAt(null)).toBeNull()
    const at = madeAt('2024-02-29')! * 1000
    expect([calendarDay(at), new Date(at).getHours()]).toEqual(['2024-02-29', 12])
  })
  test('is told again by its own lines', () => {
    const paper = { lines: ['2 L milk', '5 spoons of sugar'], answers: { 1: 'level' } }
    const { query } = toldAgain('sticks', paper)
    expect([linesOf(query.lines), answersOf(query.answers)]).toEqual([paper.lines, paper.answers])
  })
})

describe('writing the lines', () => {
  function sheet(lines: string, answers = '', answer?: Told) {
    const w = mount(ToldLines, {
      attachTo: document.body,
      props: {
        told: answer,
        lines,
        answers,
        'onUpdate:lines': (value: string) => w.setProps({ lines: value }),
        'onUpdate:answers': (value: string) => w.setProps({ answers: value }),
      },
    })
    return w
  }
  type Sheet = ReturnType<typeof sheet>
  const field = (w: Sheet, at: number) => w.findAll<HTMLTextAreaElement>('.text')[at]!
  const focused = (w: Sheet) =>
    w.findAll<HTMLTextAreaElement>('.text').findIndex((f) => f.element === document.activeElement)
  async function press(w: Sheet, at: number, key: string) {
    await field(w, at).trigger('keydown', { key })
    await nextTick()
  }

  test('Enter opens the next line, and an empty one closes with Backspace; answers go with theirs', async () => {
    const w = sheet('2 L milk to half\n5 big spoons of sugar', '1=heaped')
    await press(w, 0, 'Enter')
    expect(w.props('lines')).toBe('2 L milk to half\n\n5 big spoons of sugar')
    expect(w.props('answers')).toBe('2=heaped')
    expect(focused(w)).toBe(1)
    await press(w, 1, 'Backspace')
    expect(w.props('lines')).toBe('2 L milk to half\n5 big spoons of sugar')
    expect(w.props('answers')).toBe('1=heaped')
    expect(focused(w)).toBe(0)
    await press(w, 0, 'Backspace') // it has words in it: a letter goes, not the line
    expect(w.props('lines')).toBe('2 L milk to half\n5 big spoons of sugar')
    await press(w, 0, 'ArrowDown')
    expect(focused(w)).toBe(1)
    w.unmount()
  })

  test('a note of several lines can be pasted', async () => {
    const w = sheet('')
    await field(w, 0).trigger('paste', {
      clipboardData: { getData: () => '1 L milk to half\r\n\r\n 40 g sugar \r\ngave 6 bowls' },
    })
    expect(linesOf(w.props('lines'))).toEqual(['1 L milk to half', '40 g sugar', 'gave 6 bowls'])
    w.unmount()
  })

  test('an empty sheet shows an example and writes it when asked', async () => {
    const w = sheet('')
    await w.get('.acts button:last-child').trigger('click')
    expect(linesOf(w.props('lines'))).toHaveLength(5)
    expect(w.emitted('kept')).toHaveLength(1)
    expect(w.find('.ghost').exists()).toBe(false)
    w.unmount()
  })

  test('only a doubt asks, and what is understood stands under the line it was said of', async () => {
    const options = [
      { key: 'level', text: 'level', grams: 64, sugar: 0.061 },
      { key: 'rice-spoon', text: 'a rice spoon', grams: 174, sugar: 0.166 },
    ]
    const w = sheet(`${milk.text}\n${sugar.text}`, '', told([milk, { ...sugar, options }]))
    expect(w.findAll('.options')).toHaveLength(1)
    expect(w.get('.options').text()).toContain('64 g, 6 % sugar')
    expect(w.get('#understood-0').text()).toBe('Milk: 2 L.')
    await w.findAll('.options button')[1]!.trigger('click')
    expect(w.props('answers')).toBe('1=rice-spoon')
    await field(w, 0).setValue('3 L milk to half') // not answered yet: what is shown was said of other words
    expect(w.get('#understood-0').text()).toBe('')
    w.unmount()
  })

  test('one breath becomes its lines when it is ended, not while it is written', async () => {
    const w = sheet('1 L milk to half, 40 g')
    const parts = ['1 L milk to half', '40 g sugar'].map((text) => line({ text }))
    field(w, 0).element.value = '1 L milk to half, 40 g sugar'
    await field(w, 0).trigger('input')
    await w.setProps({ told: told(parts) })
    expect(linesOf(w.props('lines'))).toHaveLength(1)
    await press(w, 0, 'Enter')
    await w.setProps({ told: told([...parts, line({})]) })
    await nextTick()
    expect(linesOf(w.props('lines'))).toEqual(['1 L milk to half', '40 g sugar', ''])
    expect(focused(w)).toBe(2)
    w.unmount()
  })

  test('what is wrong stands where it was written', () => {
    const besan = line({
      text: '100 g besan',
      kind: 'note',
      problem: 'I do not know it.',
      fix: 'Write another.',
    })
    const w = sheet(besan.text, '', told([besan]))
    expect(w.get('#understood-0').text()).toBe('I do not know it. Write another.')
    expect(field(w, 0).classes()).toContain('wrong')
    w.unmount()
  })
})

describe('what makes a level so', () => {
  const lines = ['2 L milk to half', '175 g sugar ', 'pistachios', 'gave 14 sticks']
  test('is told of the lines that brought most of it, the most first', () => {
    const fat = owedTo([0.83, 0, 0.17, 0], lines)
    expect(fat.lines).toEqual([0, 2])
    expect(fat.words).toBe('83 % of it from “2 L milk to half”, 17 % of it from “pistachios”.')
    expect(owedTo([0.17, 0, 0.83, 0], lines).lines).toEqual([2, 0])
  })
  test('says all where it is all, and nothing of a pinch', () => {
    expect(owedTo([0, 0.999, 0.001, 0], lines)).toEqual({
      lines: [1],
      words: 'All of it from “175 g sugar”.',
    })
    expect(owedTo([], lines)).toEqual({ lines: [], words: '' })
  })
})
