import { type ContactGrade, MATCHED, percent } from './contact-grade';
import type { ShieldUnion } from './shield-contact';
import type { UnionContact } from './union-contact';

/** Grade of a shield: good from 0.6, poor below; fatal when nothing can join. */
export function shieldGrade(union: ShieldUnion, { contact }: UnionContact, matched = MATCHED): ContactGrade {
  if (!union.slips)
    return {
      grade: 'fatal',
      words: 'bark did not slip',
      reason: 'The bark was forced off instead of slipping, so there is no living wood to lie on.',
    };
  if (!union.wayUp) return { grade: 'fatal', words: 'upside down', reason: 'The bud stands on its head.' };
  const words = `back of the shield, ${percent(contact)}`;
  if (contact > 1 - 1e-6) return { grade: 'good', words, reason: null };
  const out = union.shieldLength - union.inserted;
  const reason =
    out > union.hollow * 5 && out > 1
      ? 'Part of the shield sticks out of the cut; a longer down cut would take it in.'
      : union.hollow > 0
        ? 'The back of the shield is hollow, so it lies on the wood at its ends only.'
        : 'The shield is not pushed all the way in.';
  return { grade: contact >= matched - 1e-9 ? 'good' : contact < 0.05 ? 'fatal' : 'poor', words, reason };
}
