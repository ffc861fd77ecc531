/** Lines of the audit list in words. */
import type { components } from '@/api/schema'
import { RIGHT_DOES } from './me'
import type { Right } from '@/api/client'

export type AuditLine = components['schemas']['AuditLineOut']

const DID: Record<string, string> = {
  opened: 'opened the door with new numbers',
  knocked: 'knocked with the right numbers',
  'guessed-wrong': 'tried wrong numbers',
  'guessed-out': 'tried wrong numbers too often: the door was shut',
  left: 'left by itself',
  set_kitchen: 'changed the kitchen’s place or cups',
  time_burner: 'timed a burner',
  make_copy: 'saved a copy of the kitchen',
  bring_back: 'brought back a copy of the kitchen',
}
const AT_THE_DOOR: Record<string, (name: string) => string> = {
  'let-in': (name) => `let in ${name}`,
  'turned-away': (name) => `turned ${name || 'a device'} away`,
  'changed-device': (name) => `changed what ${name} may do`,
  'sent-away': (name) => `sent ${name} away`,
  forgot: (name) => `forgot ${name}`,
}
const VERBS: Record<string, string> = { add: 'added', change: 'changed', remove: 'took out' }

export function who(line: AuditLine): string {
  return line.who === 'here'
    ? 'This computer'
    : line.who === 'someone'
      ? 'Someone outside'
      : line.who
}

export function did(line: AuditLine): string {
  const name = String(line.data.name ?? '')
  const door = AT_THE_DOOR[line.what]
  if (door) {
    const allowed = line.data.allowed as Right | undefined
    return door(name) + (allowed ? `, to ${RIGHT_DOES[allowed]}` : '')
  }
  const [verb = '', thing = ''] = line.what.split('_')
  return DID[line.what] ?? (VERBS[verb] ? `${VERBS[verb]} a ${thing}` : line.what.replace('_', ' '))
}
