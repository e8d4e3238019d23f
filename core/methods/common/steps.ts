import { covered, type CoverKind, type Workpieces } from '../../drawing/workpieces';
import type { StepFigure } from '../../drawing/step-figure';
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
    apply: asBefore,
    lookFor: 'Every stick on the bench lies with its written tag.',
    wrong: { what: 'Tags are left for the end.', looks: 'Bare sticks that nobody can tell apart.' },
    blocks: 'Without it the name is lost as soon as two sticks lie side by side.',
  });
}

/** Sort out wood before the knife comes out. */
export function chooseWood(action: string, lookFor: string, wrong: Step['wrong'], figures: StepFigure[] = []): Step {
  return step({
    id: 'wood',
    action,
    noCut: true,
    apply: asBefore,
    lookFor,
    wrong,
    figures,
    blocks: 'Which end is up cannot be seen any more once the buds are under tape.',
  });
}

/** Tape round the union from below upwards. */
export function bindStep(from: number, to: number, kind: CoverKind, words: Partial<Step> & Pick<Step, 'action'>): Step {
  return step({
    id: 'bind',
    lookFor: 'Flat turns without a gap; the whole cut is covered and the scion cannot be turned.',
    wrong: {
      what: 'The wrap is loose or starts at the top.',
      looks: 'It ribbons into a cord, or gapes at an end; rain runs in.',
      point: 'bind',
    },
    caution: 'hands-meet',
    ...words,
    figures: [{ name: 'length bound', mm: Math.round((to - from) * 10) / 10 }],
    apply: (pieces) => covered(pieces, { kind, on: 'stock', from, to }),
    spoil: (pieces) =>
      covered(pieces, { kind, on: 'stock', from: from + (to - from) * 0.45, to: to - (to - from) * 0.1 }),
  });
}

/** Seal what is open. Heights are the scion's for its tip, the stock's for its rim. */
export function sealStep(where: { tip?: number; rim?: number }, action: string): Step {
  return step({
    id: 'seal',
    action,
    lookFor: 'No bare cut shows: the tip, the rim and every slit.',
    wrong: {
      what: 'The scion’s tip is forgotten.',
      looks: 'The uppermost bud shrivels while the union is still good.',
      point: 'seal',
    },
    blocks: 'An open tip dries the scion out before the union can feed it.',
    caution: 'sealant',
    apply: (pieces) =>
      covered(
        pieces,
        ...(where.tip === undefined
          ? []
          : [{ kind: 'seal' as const, on: 'scion' as const, from: where.tip - 1.2, to: where.tip + 1 }]),
        ...(where.rim === undefined
          ? []
          : [{ kind: 'seal' as const, on: 'stock' as const, from: where.rim - 0.6, to: where.rim + 1.4 }]),
      ),
    spoil: (pieces) =>
      where.rim === undefined
        ? pieces
        : covered(pieces, { kind: 'seal', on: 'stock', from: where.rim - 0.6, to: where.rim + 1.4 }),
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
