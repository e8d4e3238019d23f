import { type ContactGrade, MATCHED, percent } from './contact-grade';
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
  if (contact > 1 - 1e-6) return { grade: 'good', words, cause: null };
  const worst = sides.indexOf(Math.min(...sides)) + 1;
  return {
    grade: contact >= matched - 1e-9 ? 'good' : 'poor',
    words,
    cause: { code: 'flap-covers-least', flap: worst },
  };
}
