import { exampleMeasures } from '@/core/methods/example-measures';
import { figuresOf } from '@/core/methods/field';
import { METHODS } from '@/core/methods/registry';
import { UnionDrawing } from '@/ui/kit/union/union-drawing';
import { USUAL_THRESHOLDS } from '@/core/methods/thresholds';

/** The product's one picture: a union from the side, and its two green lines. */
export function FrontDrawing() {
  const method = METHODS[0]!;
  const { side, lines, contactGrade } = method.assess(
    figuresOf(method.fields, exampleMeasures(method, { scionDiameter: 8.2, placement: 'left-lines' })),
    {},
    USUAL_THRESHOLDS,
    {},
  );
  return (
    <div className="hidden items-center justify-center gap-2 sm:flex">
      <UnionDrawing drawing={side({ unit: 'mm' })} width={190} title="A union from the side" />
      <UnionDrawing
        drawing={lines({ unit: 'mm' })}
        width={230}
        title={`Its faces: the green lines meet on ${contactGrade.words}`}
      />
    </div>
  );
}
