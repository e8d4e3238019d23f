import { ROUNDING, TOLERANCE } from '@/core/units/tolerance';
import { type ContactGrade, MATCHED } from './contact-grade';
import { percent } from '@/core/units/percent';
import type { FlapContact } from './flap-contact';

/** Grade of a four-flap: good from 0.6; a flat far narrower than its flap is poor whatever the contact. */
export function flapGrade({ contact, sides, narrow }: FlapContact, matched = MATCHED): ContactGrade {
  const words = `four sides, ${percent(contact)}`;
  if (narrow.length > 0) {
    return {
      grade: 'poor',
      words,
      cause: { code: 'flats-narrow', flaps: narrow },
    };
  }
  if (contact > 1 - TOLERANCE) return { grade: 'good', words, cause: null };
  const worst = sides.indexOf(Math.min(...sides)) + 1;
  return {
    grade: contact >= matched - ROUNDING ? 'good' : 'poor',
    words,
    cause: { code: 'flap-covers-least', flap: worst },
  };
}
