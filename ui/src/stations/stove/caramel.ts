import type { CaramelBatch } from '@/api/client'
import { shadeOf } from '@/caramel/shades'
import { grams } from '@/say'

/** What to do now with the caramel, in words, and what the one button says. */
export interface CaramelWords {
  act: string
  then: string
  verb: string
}
type Stands = Pick<
  CaramelBatch,
  | 'phase'
  | 'trouble'
  | 'told'
  | 'next_pour'
  | 'ends_shade'
  | 'stop_kg'
  | 'weighed_kg'
  | 'paused_at_s'
  | 'said'
  | 'on_scale_kg'
>

export function caramelWords(b: Stands, celsius: number | null = null): CaramelWords {
  const goal = shadeOf(b.told.shade).text
  const off = Math.round(b.told.off_c.likely)
  if (b.phase === 'given-up') return { act: 'It was given up.', then: '', verb: '' }
  if (b.trouble === 'burnt' || b.trouble === 'bitter')
    return {
      act: b.trouble === 'burnt' ? 'It is burnt: begin again.' : 'It turns bitter.',
      then:
        b.trouble === 'burnt'
          ? `Let it cool where it stands, then soak the pan. ${grams(b.told.sugar_kg)} of sugar is lost, the milk is not.`
          : 'Off the flame now; taste a cold drop before the milk goes in. Bitter stays bitter: begin again with new sugar.',
      verb: b.phase === 'melting' ? 'It is off' : '',
    }
  if (b.phase === 'melting') {
    if (celsius !== null && celsius >= off && b.trouble === '')
      return {
        act: 'Off the flame, now.',
        then: `It is at ${off} °C and goes on to ${goal} by itself.`,
        verb: 'It is off',
      }
    if (b.trouble === 'too-dark')
      return {
        act: 'Off the flame, now.',
        then: `It is past ${goal} already and goes on: butter and milk in at once hold it.`,
        verb: 'It is off',
      }
    return {
      act: 'Swirl it; do not stir.',
      then: `Off the flame at ${off} °C: it goes on to ${goal} by itself.`,
      verb: 'It is off',
    }
  }
  if (b.phase === 'opening' && b.next_pour) return pouring(b, b.next_pour)
  if (b.phase === 'simmering' && b.paused_at_s !== null)
    return {
      act: 'It is off the fire for a while.',
      then: 'Put it back before it sets, stirring.',
      verb: '',
    }
  if (b.phase === 'simmering')
    return {
      act: `Simmer it to ${grams(b.stop_kg)}.`,
      then: `${grams(b.on_scale_kg)} on the scale, pan and all. Scrape the bottom; wipe the sides down wet.`,
      verb: 'It is off',
    }
  if (b.weighed_kg === null)
    return {
      act: 'Weigh what it gave.',
      then: 'Jar it hot; cool it open, then close it.',
      verb: '',
    }
  return {
    act: `It gave ${grams(b.weighed_kg)}.`,
    then: `${b.said} Judge it cold: it is far stiffer then.`,
    verb: '',
  }
}

function pouring(b: Stands, pour: NonNullable<Stands['next_pour']>): CaramelWords {
  const shade = shadeOf(b.ends_shade).text
  if (pour.what === 'butter')
    return {
      act: `Butter in, ${grams(pour.mass_kg)}, at once.`,
      then: `It goes on to ${shade} meanwhile. It foams, then lies quiet.`,
      verb: 'Butter is in',
    }
  if (pour.what === 'milk')
    return {
      act: `${grams(pour.mass_kg)} of warm milk in, at arm’s length.`,
      then:
        pour.number === 1
          ? 'It spits and climbs: stir until it is smooth. Hard lumps melt on a gentle flame.'
          : `Pour ${pour.number} of ${pour.of}: each is smooth before the next.`,
      verb: 'It is in',
    }
  return {
    act: `Condensed milk in, ${grams(pour.mass_kg)}.`,
    then: 'Back on the flame once it is one colour; no sugar grain from the wall.',
    verb: 'It is in',
  }
}
