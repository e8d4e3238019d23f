import { ROUNDING, TOLERANCE } from '@/core/units/tolerance';
import { type ContactGrade, MATCHED } from './contact-grade';
import { percent } from '@/core/units/percent';
import type { PlainCause } from './low-contact';
import type { ShieldUnion } from './shield-contact';
import type { UnionContact } from './union-contact';

/** Grade of a shield: good from 0.6, poor below; fatal when nothing can join. */
export function shieldGrade(union: ShieldUnion, { contact }: UnionContact, matched = MATCHED): ContactGrade {
  if (!union.slips)
    return {
      grade: 'fatal',
      words: 'bark did not slip',
      cause: { code: 'bark-forced' },
    };
  if (!union.wayUp) return { grade: 'fatal', words: 'upside down', cause: { code: 'upside-down' } };
  const words = `back of the shield, ${percent(contact)}`;
  if (contact > 1 - TOLERANCE) return { grade: 'good', words, cause: null };
  const out = union.shieldLength - union.inserted;
  const code: PlainCause =
    out > union.hollow * 5 && out > 1 ? 'shield-out' : union.hollow > 0 ? 'shield-hollow' : 'not-pushed-in';
  return { grade: contact >= matched - ROUNDING ? 'good' : contact < 0.05 ? 'fatal' : 'poor', words, cause: { code } };
}
