import { expect, test } from 'vitest'
import { did, who, type AuditLine } from './audit'

const line = (what: string, data = {}, by = 'here'): AuditLine => ({ at_s: 0, who: by, what, data })

test.each([
  [
    line('let-in', { name: 'the cox’s phone', allowed: 'log' }),
    'let in the cox’s phone, to stand at the stove',
  ],
  [line('sent-away', { name: 'the tablet' }), 'sent the tablet away'],
  [line('turned-away', { name: '' }), 'turned a device away'],
  [line('change_pan', { id: 3 }), 'changed a pan'],
  [line('remove_milk', { id: 3 }), 'took out a milk'],
  [line('bring_back', { name: 'kitchen-1.sqlite3' }), 'brought back a copy of the kitchen'],
  [line('something_new'), 'something new'],
])('%o', (said, words) => {
  expect(did(said)).toBe(words)
})

test('who', () => {
  expect([
    who(line('opened')),
    who(line('knocked', {}, 'someone')),
    who(line('add_pan', {}, 'galley')),
  ]).toEqual(['This computer', 'Someone outside', 'galley'])
})
