import { sideView } from '@/core/drawing/side-view';
import { faceView } from '@/core/drawing/face-view';
import { METHODS } from '@/core/methods/registry';
import { exampleMeasures } from '@/core/scoring/example-measures';
import { UnionDrawing } from '../union/union-drawing';

/** The product's one picture: a union from the side, and its two green lines. */
export function FrontDrawing() {
  const { union, contact, contactGrade } = METHODS[0]!.assess(exampleMeasures({ scionDiameter: 8.2, placement: { pick: 'left-lines' } }));
  return (
    <div className="hidden items-center justify-center gap-2 sm:flex">
      <UnionDrawing drawing={sideView(union, { unit: 'mm' })} width={190} title="A union from the side" />
      <UnionDrawing drawing={faceView(union, contact, { unit: 'mm' })} width={230} title={`Its faces: the green lines meet on ${contactGrade.words}`} />
    </div>
  );
}
