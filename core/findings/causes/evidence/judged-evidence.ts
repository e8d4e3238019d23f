import { STAGES } from '../../../score/rubric/judge-union';
import type { PointGrade } from '../../../contact/grade';
import { formatDate } from '../../../units/iso-date';
import type { FactsOfUnion, Gathered, JudgedFacts } from './facts-of-union';

type Rule = [point: string, grades: readonly PointGrade[], code: string];

/** What the grade of a point says. A point that a method does not have says nothing. */
const RULES: readonly Rule[] = [
  ['cambium', ['fatal'], 'contact-none'],
  ['cambium', ['poor'], 'contact-part'],
  // A union that leaves the bench was bound, whatever fell out when it was shaken.
  ['hold', ['poor', 'fatal'], 'hold-dropped'],
  ['strokes', ['recut', 'fatal'], 'strokes-many'],
  ['daylight', ['fatal'], 'daylight'],
  ['tongue', ['poor', 'fatal'], 'lock-poor'],
  ['notch', ['poor', 'fatal'], 'lock-poor'],
  ['foot', ['poor', 'fatal'], 'lock-poor'],
  ['cover', ['poor', 'fatal'], 'cover-missing'],
  ['film', ['fatal'], 'cover-missing'],
  ['flatness', ['fatal'], 'face-hollow'],
  ['clean', ['poor'], 'touched'],
  ['clean', ['fatal'], 'tool-dirty'],
  ['seal', ['good'], 'seal-good'],
  ['seal', ['poor'], 'seal-part'],
  ['seal', ['fatal'], 'seal-missed'],
  ['bind', ['good'], 'bind-good'],
  ['bind', ['poor', 'fatal'], 'bind-loose'],
  ['way-up', ['fatal'], 'judged-upside-down'],
  ['bud', ['poor', 'fatal'], 'judged-bud-hollow'],
  ['wood', ['good'], 'wood-judged-good'],
  ['wood', ['poor'], 'wood-judged-poor'],
  ['wood', ['fatal'], 'wood-judged-dead'],
  ['slip', ['good'], 'slip-good'],
  ['slip', ['fatal'], 'slip-failed'],
];

/** Points that are asked at a later stage than the joint itself: until then their "good" is nobody's word. */
const ASKED_AT: Partial<Record<string, number>> = { bind: STAGES.indexOf('wrapped'), seal: STAGES.indexOf('keeper') };

/** What the judgement of a union says of why it might die. */
export function judgedEvidence({ judged }: Pick<FactsOfUnion, 'judged'>): Gathered[] {
  if (!judged) return [];
  const { grades, stage } = judged;
  const from = `Judged, ${formatDate(judged.on)}`;
  const asked = STAGES.indexOf(stage);
  const codes = new Set(
    RULES.filter(
      ([point, wanted]) =>
        grades[point] !== undefined && wanted.includes(grades[point]) && asked >= (ASKED_AT[point] ?? 0),
    ).map(([, , code]) => code),
  );
  if (grades.cambium === 'good') codes.add(judged.sidesMet === 1 ? 'contact-one-side' : 'contact-good');
  for (const code of budOf(judged)) codes.add(code);
  if (grades.flaps === 'fatal') codes.add('slip-failed');
  if (codes.has('slip-failed')) codes.delete('slip-good');
  return [...codes].map((code) => ({ code, from }));
}

/** A bud is whole when it is unbruised and, of a patch, has its core; the core of a four-flap's stub is none. */
function budOf({ grades: { bud, core } }: JudgedFacts): string[] {
  if (bud === undefined) return [];
  if (core === 'fatal') return ['judged-bud-hollow'];
  return bud === 'good' ? ['judged-bud-good'] : [];
}
