import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { exampleMeasures } from '@/core/methods/example-measures';
import { figuresOf } from '@/core/methods/field';
import { METHODS } from '@/core/methods/registry';
import { RIBBONS } from '@/core/plan/wood/ribbons';
import { RibbonStrip } from '@/ui/plan/wood/ribbon';
import { UnionDrawing } from './union-drawing';
import { UnionGlyph } from './union-glyph';
import { USUAL_THRESHOLDS } from '@/core/methods/thresholds';

const method = METHODS[0]!;
const { contact, lines } = method.assess(
  figuresOf(method.fields, exampleMeasures(method, { scionDiameter: 8, placement: 'left-lines' })),
  {},
  USUAL_THRESHOLDS,
  {},
);

describe('the union drawing on the screen', () => {
  const drawing = lines({ unit: 'mm' });
  const svg = renderToStaticMarkup(
    <UnionDrawing drawing={drawing} width={2 * drawing.width} title="Two green lines" />,
  );
  it('paints every item of the list, each with the class of its role', () => {
    expect(svg.match(/<path /g)).toHaveLength(drawing.items.filter(({ kind }) => kind === 'path').length);
    expect(svg.match(/<text /g)).toHaveLength(drawing.items.filter(({ kind }) => kind === 'label').length);
    for (const role of ['bark', 'wood', 'cambium-stock', 'cambium-scion', 'touch', 'gap', 'scale'])
      expect(svg).toContain(`r-${role}`);
  });
  it('is to scale: its box is the list’s millimetres, its width what was asked', () => {
    expect(svg).toContain(`viewBox="0 0 ${drawing.width} ${drawing.height}"`);
    expect(svg).toContain(`width="${2 * drawing.width}"`);
    expect(svg).toContain(`height="${2 * drawing.height}"`);
    // Labels keep 13 px at two pixels to the millimetre.
    expect(svg).toContain('font-size="6.5"');
  });
  it('says in words what it shows', () => {
    expect(svg).toContain('role="img"');
    expect(svg).toContain('aria-label="Two green lines"');
  });
});

describe('the glyph', () => {
  it('says what it is and letters a fatal fault', () => {
    const svg = renderToStaticMarkup(<UnionGlyph runs={contact.ring} fatal="c" title="4-2: nowhere" />);
    expect(svg).toContain('<title>4-2: nowhere</title>');
    expect(svg).toMatch(/>C<\/text>/);
    expect(renderToStaticMarkup(<UnionGlyph runs={contact.ring} fatal={null} title="x" />)).not.toContain('<text');
  });
});

describe('ribbons', () => {
  it('are told by name as well, and each has its own picture', () => {
    const pictures = RIBBONS.map(({ id, name }) => {
      const svg = renderToStaticMarkup(<RibbonStrip id={id} showName />);
      expect(svg).toContain(`aria-label="ribbon ${name}"`);
      return svg;
    });
    expect(new Set(pictures).size).toBe(RIBBONS.length);
  });
});
