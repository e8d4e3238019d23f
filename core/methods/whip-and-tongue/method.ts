import { outlineGrade } from '../../contact/outline-grade';
import { placementOffset } from '../../contact/placement';
import { standsOpen } from '../../contact/hollow';
import { FACE_GAP_LIMIT } from '../../contact/limits';
import { OUTLINE_MODEL, outlineUnionContact, type OutlineUnion } from '../../contact/outline-union';
import type { Grade } from '../../scoring/grade';
import type { Assessment, Method } from '../method';
import type { Measures } from '../measures';
import { whipCorrections } from './corrections';
import { points } from './points';

/** Both cuts within this share of the longer one count as one length. */
const LENGTH_TOLERANCE = 0.1;
/** Light is seen from this gap on, mm: what people call a hairline. */
const HAIRLINE = 0.2;

/** The union that a set of measures describes, in the contact model's terms. */
function unionOf(measures: Measures): OutlineUnion {
  const stock = {
    diameter: measures.stockDiameter.value,
    bark: measures.stockBark.value,
    length: measures.stockLength.value,
    hollow: measures.stockHollow.value,
  };
  const scion = {
    diameter: measures.scionDiameter.value,
    bark: measures.scionBark.value,
    length: measures.scionLength.value,
    hollow: measures.scionHollow.value,
  };
  const e = 'pick' in measures.placement ? placementOffset(measures.placement.pick, stock, scion) : measures.placement.value;
  return { stock, scion, e, z: measures.lift.value, phi: measures.turn.value };
}

function assess(measures: Measures): Assessment {
  const union = unionOf(measures);
  const contact = outlineUnionContact(union);
  const graded = outlineGrade(union, contact);
  return {
    union,
    contact,
    contactGrade: graded,
    grades: { cambium: graded.grade, flatness: flatness(union), 'cut-length': cutLength(union) },
  };
}

function flatness({ stock, scion }: OutlineUnion): Grade {
  const open = stock.hollow + scion.hollow;
  if (standsOpen(open, FACE_GAP_LIMIT)) return 'fatal';
  return open >= HAIRLINE - 1e-9 ? 'poor' : 'good';
}

function cutLength({ stock, scion }: OutlineUnion): Grade {
  const longer = Math.max(stock.length, scion.length);
  const alike = Math.abs(stock.length - scion.length) <= LENGTH_TOLERANCE * longer + 1e-9;
  // "About 25" is no sharp limit, so the range gets the same tolerance at its ends.
  const inRange = [stock.length, scion.length].every(
    (length) => length >= CUT_LENGTH.from * (1 - LENGTH_TOLERANCE) && length <= CUT_LENGTH.to * (1 + LENGTH_TOLERANCE),
  );
  return alike && inRange ? 'good' : 'poor';
}

const CUT_LENGTH = { from: 25, to: 65 };

export const whipAndTongue: Method = {
  id: 'whip-and-tongue',
  name: 'Whip-and-tongue',
  inSentence: 'a whip-and-tongue',
  contactModel: OUTLINE_MODEL,
  points,
  cutLength: CUT_LENGTH,
  earlySign: 'a ring of callus along the cut, and the scion holds to a gentle push',
  cautions: {
    knife:
      'Cut away from the body with elbows locked, thumb behind the edge, a cut-resistant glove on the holding hand. Close the knife or lay it down before both hands meet at the join. Know where the first-aid kit is; the club’s own rules come first.',
  },
  callusDays: 14,
  assess,
  corrections: whipCorrections,
};
