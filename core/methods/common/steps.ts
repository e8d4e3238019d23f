import { covered, type CoverKind, posed, turnedOver, type Workpieces } from '../../drawing/workpieces';
import type { StepFigure } from '../../drawing/step-figure';
import { type Prose, prose } from '../../units/prose';
import type { AnswerTo } from '../school';
import type { BINDING, SEALANT, STUMP, TURNS } from '../schools/of-covering';
import type { BUDS, KNIFE, SCION_STAGE } from '../schools/of-cutting';
import type { Step } from '../step';

/** A step with what most steps have in common left out. */
export type StepDraft = Omit<Step, 'figures' | 'caution' | 'blocks' | 'view'> &
  Partial<Pick<Step, 'figures' | 'caution' | 'blocks' | 'view'>>;

export function step(draft: StepDraft): Step {
  return { figures: [], caution: null, blocks: null, view: 'side', ...draft };
}

const asBefore = (pieces: Workpieces): Workpieces => pieces;

/** Tags first: afterwards all sticks look alike. */
export function writeTags(): Step {
  return step({
    id: 'tags',
    action: 'Write the tags, one variety at a time: variety, stock, date, grafter.',
    noCut: true,
    signs: [{ sign: 'tag', on: 'scion' }],
    apply: asBefore,
    lookFor: 'Every stick on the bench has its written tag taped to it, so that no wind takes it.',
    wrong: { what: 'Tags are left for the end.', looks: 'Bare sticks that nobody can tell apart.' },
    blocks: 'Without it the name is lost as soon as two sticks lie side by side.',
  });
}

const AWAKE: Record<AnswerTo<typeof SCION_STAGE>, string> = {
  dormant: '',
  waking: ' Both pieces are just waking: join them within hours.',
  pushing: ' A bud is pushing: it is wrapped over, so that it cannot dry.',
};

interface WoodChoice {
  action: Prose;
  lookFor: Prose;
  wrong: Step['wrong'];
  figures?: StepFigure[];
  stage?: AnswerTo<typeof SCION_STAGE>;
  spoil?: Step['spoil'];
}

/** A stick held the wrong way up. */
export const heldUpsideDown = (pieces: Workpieces): Workpieces => ({ ...pieces, scion: turnedOver(pieces.scion) });

/** How far a scion leans that does not hold, degrees. */
const WAGS = 12;

/** A scion that leans out on its foot as far as one pushes it. */
export function wagging(pieces: Workpieces): Workpieces {
  const { foot, pose } = pieces.scion;
  const [before, now] = [pose.lean, pose.lean + WAGS].map((lean) => (lean * Math.PI) / 180) as [number, number];
  return {
    ...pieces,
    scion: posed(pieces.scion, {
      lean: pose.lean + WAGS,
      u: pose.u + foot * (Math.sin(before) - Math.sin(now)),
      y: pose.y + foot * (Math.cos(before) - Math.cos(now)),
    }),
  };
}

/** Sort out wood before the knife comes out. */
export function chooseWood({ action, lookFor, wrong, figures = [], stage = 'dormant', spoil }: WoodChoice): Step {
  return step({
    id: 'wood',
    action,
    noCut: true,
    signs: [
      { sign: 'buds-point', on: 'scion' },
      { sign: 'straight', on: 'scion' },
    ],
    apply: asBefore,
    ...(spoil && { spoil }),
    lookFor: prose`${lookFor}${AWAKE[stage]}`,
    wrong,
    figures,
    blocks: 'Which end is up cannot be seen any more once the buds are under tape.',
  });
}

/** Before a stock is opened that cannot be closed again. */
export function slipTest(on: Prose): Step {
  return step({
    id: 'slip-test',
    action: prose`Try whether the bark slips, on ${on} that comes off anyway.`,
    noCut: true,
    signs: [{ sign: 'lift', on: 'stock' }],
    lookFor: 'It lifts clean, and the wood beneath is wet and white. It slips best in the morning after rain.',
    blocks: 'A stock that is opened cannot wait for rain: if the bark clings, water and wait, or change the method.',
    wrong: { what: 'The stock is opened on the chance.', looks: 'Bark tears in shreds and stays on the wood.' },
    apply: asBefore,
  });
}

/** What is looked for at a cut that makes a face, with what the knife of the school asks there. */
export function onFace(lookFor: Prose, knife: AnswerTo<typeof KNIFE>): Prose {
  return knife === 'single'
    ? prose`${lookFor} The flat side of the blade rides on the wood that is kept.`
    : prose`${lookFor} The blade is stropped until it shaves.`;
}

/** So many buds, by school. */
export function budsInWords(buds: AnswerTo<typeof BUDS>): string {
  return buds === 'one' ? 'one bud' : `${buds} buds`;
}

interface Bind {
  kind: CoverKind;
  /** Of a tape that is no stretch tape, its width, mm. */
  width?: number;
  /** What is wrapped and how far, without the full stop. */
  action: Prose;
  turns?: AnswerTo<typeof TURNS>;
  /** What becomes of a bud within the wrap. */
  bud?: 'clear' | 'covered';
  lookFor?: Prose;
  wrong?: Step['wrong'];
}

/** Tape round the union from below upwards, between two heights of the stock, mm. */
export function bindStep(
  from: number,
  to: number,
  { kind, width, action, turns = 'few', bud, lookFor, wrong }: Bind,
): Step {
  // Each turn lies half over the one before.
  const rise = width === undefined ? {} : { rise: width / 2 };
  return step({
    id: 'bind',
    action: prose`${action}${turns === 'layers' ? ', then back down over it: two layers' : ''}.`,
    lookFor:
      lookFor ??
      (turns === 'layers'
        ? 'Two flat layers without a gap; the whole cut is covered and the scion cannot be turned.'
        : 'Flat turns without a gap; the whole cut is covered and the scion cannot be turned.'),
    wrong: wrong ?? {
      what: 'The wrap is loose or starts at the top.',
      looks: 'It ribbons into a cord, or gapes at an end; rain runs in.',
      point: 'bind',
    },
    caution: 'hands-meet',
    wraps: { with: kind, bud: bud ?? null },
    figures: [{ name: 'length bound', mm: Math.round((to - from) * 10) / 10 }],
    apply: (pieces) => covered(pieces, { kind, on: 'stock', from, to, ...rise }),
    spoil: (pieces) =>
      covered(pieces, { kind, on: 'stock', from: from + (to - from) * 0.45, to: to - (to - from) * 0.1, ...rise }),
  });
}

/** How a bench graft is bound, by school. */
export const BENCH_BOUND: Record<AnswerTo<typeof BINDING>, string> = {
  stretch: 'Wrap stretch tape',
  paper: 'Wrap paper tape, and film over it,',
  duct: 'Wrap a strip of duct tape',
  ties: 'Pull three plastic ties tight, one at either end of the cut and one across its middle, and wrap film over the whole cut',
};

interface Seal {
  /** Height of the scion's tip on the scion, of the rim on the stock where there is one. */
  tip: number;
  rim?: number;
  /** What of the stock is sealed, where something is. */
  cuts?: string;
  stump?: AnswerTo<typeof STUMP>;
  by?: AnswerTo<typeof SEALANT>;
}

/** Seal what is open; a stump that is left open by school keeps its cuts bare. */
export function sealStep({ tip, rim, cuts, stump = 'sealed', by = 'tin' }: Seal): Step {
  const sealed = cuts !== undefined && stump === 'sealed';
  const seal = by === 'wax' ? 'Brush warm wax over' : 'Seal';
  return step({
    id: 'seal',
    action: sealed
      ? `${seal} ${cuts} and the scion’s tip.`
      : cuts
        ? `${seal} the scion’s tip; the stump is left open.`
        : `${seal} the scion’s tip.`,
    lookFor: `${sealed || !cuts ? 'No bare cut shows.' : 'The tip shines; no sealant on the stump.'} ${by === 'wax' ? 'Fluid, and no hotter than a finger bears.' : 'It dries for two to five hours before anything is painted or packed.'}`,
    wrong: {
      what: 'The scion’s tip is forgotten.',
      looks: 'The uppermost bud shrivels while the union is still good.',
      point: 'seal',
    },
    blocks: 'An open tip dries the scion out before the union can feed it.',
    caution: by === 'wax' ? 'hot-wax' : 'sealant',
    apply: (pieces) =>
      covered(
        pieces,
        { kind: 'seal', on: 'scion', from: tip - 1.2, to: tip + 1 },
        ...(sealed && rim !== undefined
          ? [{ kind: 'seal' as const, on: 'stock' as const, from: rim - 0.6, to: rim + 1.4 }]
          : []),
      ),
    spoil: (pieces) =>
      sealed && rim !== undefined
        ? covered(pieces, { kind: 'seal', on: 'stock', from: rim - 0.6, to: rim + 1.4 })
        : pieces,
  });
}

/** The tag goes on before the graft leaves the hand. */
export function labelStep(at: number): Step {
  return step({
    id: 'label',
    action: 'Tie the label on before you lay it down.',
    lookFor: 'The label is tied below the union, where neither wind nor the pruning knife takes it.',
    wrong: { what: 'It is put aside to be labelled later.', looks: 'A finished graft without a name.', point: 'label' },
    blocks: 'A graft laid down without its label is a lost graft.',
    apply: (pieces) => covered(pieces, { kind: 'tag', on: 'stock', from: at - 3, to: at }),
    spoil: asBefore,
  });
}

/** Film over the scion, joined or not yet. */
export function filmStep(from: number, to: number, action: string): Step {
  return step({
    id: 'film',
    action,
    lookFor: 'One thin layer, stretched until it clings, the tip included.',
    wrong: { what: 'The film is bunched in many layers.', looks: 'Buds cannot push through and bend back under it.' },
    apply: (pieces) => covered(pieces, { kind: 'film', on: 'scion', from, to }),
    spoil: (pieces) => covered(pieces, { kind: 'film', on: 'scion', from, to: from + (to - from) * 0.5 }),
  });
}

/** A coat over wrap and film, where the school wants one. */
export function coatStep(from: number, to: number, by: AnswerTo<typeof SEALANT> = 'tin'): Step {
  return step({
    id: 'coat',
    action: by === 'wax' ? 'Brush warm wax over wrap and film.' : 'Brush sealant over wrap and film.',
    caution: by === 'wax' ? 'hot-wax' : 'sealant',
    lookFor: 'One even coat, the buds thinly covered.',
    wrong: { what: 'It is laid on thick.', looks: 'Runs that crack when they dry.' },
    apply: (pieces) => covered(pieces, { kind: 'seal', on: 'stock', from, to }),
  });
}
