import { mm, prose } from '../../units/prose';
import { question, usually } from '../school';

/* Questions of aftercare on which practitioners differ. Source: usual practice, where practitioners disagree. */

export const HEAD_BACK = question(
  'head-back',
  'aftercare',
  'How far above the bud the stock is cut',
  ['snag', prose`${mm(12)} above`, 'The snag may die back without harming the bud.'],
  ['close', 'as close as possible', 'Heals over in one season.'],
);
export const HEAD_BACK_PACE = question(
  'head-back-pace',
  'aftercare',
  'How fast the stock is headed back',
  ['whole', 'whole at once', 'One visit.'],
  ['stages', 'in stages, as the shoot grows', 'Leaves feed the roots until the bud can.'],
);
export const HEAD_BACK_WHEN = question(
  'head-back-when',
  'aftercare',
  'When a sleeping bud’s stock is headed back',
  ['alive', 'once the bud is seen alive or swelling', 'A stock whose bud died keeps its top.'],
  ['before-break', 'just before buds break', 'The whole push of spring goes into the bud.'],
);
export const WRAP_OFF = question(
  'wrap-off',
  'aftercare',
  'When the wrap of a summer bud comes off',
  ['weeks', 'after two to three weeks', 'It cannot cut in, and one sees how the bud fares.'],
  ['winter', 'left on through the winter', 'Holds the bud against frost and birds.'],
);
export const TAPE_OFF = question(
  'tape-off',
  'aftercare',
  'When tape that does not give comes off',
  ['winter', 'left on purpose over the winter', 'It holds through the storms; off before growth of the next spring.'],
  ['months', 'after about two months', 'It cannot girdle.'],
);
export const SHOOTS_BELOW = question(
  'shoots-below',
  'aftercare',
  'Shoots below the union',
  ['all-off', 'all removed', 'Young stocks: everything goes into the scion.'],
  ['nurse', 'a nurse limb kept', 'Established trees: the roots need leaves.'],
  ['short-low', 'short low leaves until the scion grows', 'A middle way; shortened if the scion is slow.'],
);
/** On limbs of established trees. */
export const NURSE_LIMB = question(
  SHOOTS_BELOW.id,
  'aftercare',
  SHOOTS_BELOW.question,
  ['nurse', 'a nurse limb kept', 'The roots need leaves while the scions heal.'],
  ['all-off', 'all removed', 'Held for old trees too: nothing shades the scions, and all the sap is theirs.'],
  ['short-low', 'short low leaves until the scion grows', 'A middle way; shortened if the scion is slow.'],
);
export const SHOOTS_WHEN = question(
  'shoots-when',
  'aftercare',
  'When shoots of the stock first come off',
  ['day-one', 'from the first day', 'None of the stock’s strength is lost to them.'],
  [
    'midsummer',
    'some, at a first visit in midsummer',
    'Their leaves feed the roots meanwhile, and one visit is saved.',
  ],
);
export const SECOND_SHOOT = question(
  'second-shoot',
  'aftercare',
  'A second shoot of the scion',
  ['pinched', 'pinched early', 'One leader from the start.'],
  ['cut', 'cut out in late summer', 'Its leaves thicken the union for a season.'],
);
export const SIDE_SHOOTS = question(
  'side-shoots',
  'aftercare',
  'Side shoots of the young tree',
  ['off', 'taken off in season', 'A clean stem.'],
  ['feeders', 'left as feeders', 'A stouter stem; they go in winter.'],
);
export const PLANTING = question(
  'planting',
  'aftercare',
  'How deep it is planted out',
  ['above', 'the union well above the soil', 'The stock keeps its say over the tree’s size.'],
  ['deep', 'nearly up to the union', 'Steadier; collar roots are left.'],
);
export const COVER_OPEN = question(
  'cover-open',
  'aftercare',
  'When the cover is opened',
  ['tie', 'when growth reaches the tie', 'The shoot neither cooks nor bends.'],
  ['midsummer', 'at one visit in midsummer', 'One visit, with a bag long enough.'],
);
export const SUPPORT = question(
  'support',
  'aftercare',
  'Stake or brace',
  ['at-once', 'at once, taller than the scion', 'A tall graft in the field is a perch.'],
  ['growth', 'when growth asks for it', 'Nothing to put up for what may not live.'],
);
/** Of small plants in pots, beds and rows. */
export const SUPPORT_LATER = usually(SUPPORT, 'growth', 'at-once');
export const KNIT_SEEN = question(
  'knit-seen',
  'aftercare',
  'How one knows that it has knit',
  ['look', 'by looking through the thin wrap', 'Nothing is opened.'],
  ['unwrap-one', 'by unwrapping one of the batch', 'Certain, for one that is wrapped again.'],
  ['growth', 'by waiting for growth', 'Nothing is touched.'],
);
export const SOFT_BARK = question(
  'soft-bark',
  'aftercare',
  'Soft bark when the wrap comes off',
  ['none', 'nothing but shade', 'It hardens by itself in a week or two.'],
  ['spray', 'a gentle preventive spray, where local rules allow', 'Canker enters where bark is soft.'],
);
export const SCIONS_KEPT = question(
  'scions-kept',
  'aftercare',
  'Scions on a stump',
  ['all', 'all that live are kept', 'They close the stump sooner.'],
  ['one', 'one is chosen in the second season', 'No narrow fork.'],
);
export const PATCH_TOP = question(
  'patch-top',
  'aftercare',
  'Top of the stock after patching',
  ['later', 'left 7 to 10 days, then cut if the patch is green', 'The leaves feed the patch while it knits.'],
  ['at-once', 'cut at once', 'Pushes the bud soonest.'],
  ['grown', 'cut only when the shoot has grown a finger long', 'Nothing is lost if the patch fails.'],
);
