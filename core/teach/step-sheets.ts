import { InputError } from '../contact/input-error';
import type { DisplayList } from '../drawing/display-list';
import { piecesView } from '../drawing/pieces-view';
import { CAUTIONS } from '../methods/cautions';
import { exampleMeasures } from '../methods/example-measures';
import type { ShownOn } from '../drawing/scale-bar';
import { figuresOf } from '../methods/field';
import type { Method, Wood } from '../methods/method';
import type { Choices } from '../methods/school';
import type { StepFigure } from '../drawing/step-figure';
import { piecesAfter } from '../methods/step';
import { formatLength, type LengthUnit } from '../units/length';
import { saidLength, written } from '../units/prose';
import { USUAL_THRESHOLDS } from '../methods/thresholds';
import { type WrapPicture, wrapLesson } from '../drawing/wrap-lesson';
import { taughtWrap } from './taught-wrap';

/** A step with its drawings, ready to be shown: plain values only. */
export interface StepSheet {
  id: string;
  action: string;
  figures: { name: string; text: string; range: string | null }[];
  lookFor: string;
  wrong: { what: string; looks: string };
  caution: { title: string; text: string } | null;
  blocks: string | null;
  noCut: boolean;
  /** The pieces after the step, and the view of them. */
  drawing: DisplayList;
  view: 'side' | 'front';
  /** The same when it goes wrong, where that can be drawn. */
  wrongDrawing: DisplayList | null;
  /** The lines that must meet, where the step joins the pieces. */
  lines: DisplayList | null;
  /** The wrap turn by turn, at the step that wraps the union. */
  wrap: WrapPicture[] | null;
}

/**
 * The steps of a method for a pair of wood, each drawn as the pieces are after it.
 *
 * @throws InputError when calipers are none the method can draw.
 */
export function stepSheets(
  method: Method,
  choices: Choices,
  wood: Wood,
  unit: LengthUnit,
  shownOn: ShownOn = 'screen',
): StepSheet[] {
  const { start, steps, materials } = method.technique(choices, wood);
  const pieces = piecesAfter(start, steps);
  const length = (mm: number): string => formatLength(mm, unit);
  return steps.map((step, i) => {
    const options = { view: step.view, unit, shownOn, before: pieces[i]!, pull: step.pull };
    const { caution } = step;
    const taught = taughtWrap(step, materials, wood);
    return {
      id: step.id,
      action: written(step.action, unit),
      lookFor: written(step.lookFor, unit),
      wrong: { what: written(step.wrong.what, unit), looks: written(step.wrong.looks, unit) },
      blocks: step.blocks === null ? null : written(step.blocks, unit),
      noCut: step.noCut ?? false,
      view: step.view,
      caution: caution ? { title: CAUTIONS[caution].title, text: CAUTIONS[caution].text } : null,
      figures: step.figures.map((figure) => ({
        name: figure.name,
        text: length(figure.mm),
        range: rangeOf(figure, unit),
      })),
      drawing: piecesView(pieces[i + 1]!, { ...options, figures: step.figures, signs: step.signs }),
      wrongDrawing: step.spoil
        ? piecesView(step.spoil(pieces[i]!), { ...options, roomFor: step.figures, right: pieces[i + 1]! })
        : null,
      lines: step.joins ? linesFor(method, wood, unit) : null,
      wrap: taught && wrapLesson(taught, unit, shownOn),
    };
  });
}

function rangeOf({ range }: StepFigure, unit: LengthUnit): string | null {
  return range ? saidLength({ mm: range.from, to: range.to }, unit) : null;
}

/** The lines of a clean union of this wood; none where the pair allows no clean one. */
function linesFor(method: Method, wood: Wood, unit: LengthUnit): DisplayList | null {
  const view = {
    stockDiameter: wood.stock,
    scionDiameter: wood.scion,
    stockBark: wood.stockBark,
    scionBark: wood.scionBark,
  };
  try {
    const place = method.fields.find(({ lies }) => lies === 'aside');
    const linesMet = place?.picks?.find(({ id }) => id === 'left-lines');
    const unequal = Math.abs(wood.stock - wood.scion) > 0.5;
    return method
      .assess(
        figuresOf(
          method.fields,
          exampleMeasures(method, { ...view, ...(place && linesMet && unequal ? { [place.id]: linesMet.id } : {}) }),
        ),
        {},
        USUAL_THRESHOLDS,
        {},
      )
      .lines({ unit });
  } catch (error) {
    if (error instanceof InputError) return null;
    throw error;
  }
}
