import { type DisplayList, fileMargin, type Path, type Point } from '@/core/drawing/display-list';

/**
 * A drawing as an SVG file of its own: its paths, sized in mm, with a margin for strokes that lie on its edge.
 *
 * @param css rules for `path` and the roles' classes, such as `.r-bark`
 */
export function drawingFile({ width, height, items }: DisplayList, css: string): string {
  const margin = fileMargin(width);
  const paths = items.filter((item): item is Path => item.kind === 'path');
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${-margin} ${-margin} ${width + 2 * margin} ${height + 2 * margin}">`,
    `<style>${css}</style>`,
    ...paths.map(
      ({ role, fill, points, closed }) =>
        `<path class="r-${role}${fill ? ' filled' : ''}" d="${way(points, closed)}"/>`,
    ),
    '</svg>',
  ].join('');
}

/** Points as steps from one to the next, to a hundredth of a millimetre: half as long as places. */
function way(points: readonly Point[], closed: boolean): string {
  let [atX, atY] = [0, 0];
  const steps = points.map(([x, y], i) => {
    const [toX, toY] = [Math.round(x * 100), Math.round(y * 100)];
    const step = `${i === 0 ? 'M' : 'l'}${short(toX - atX)} ${short(toY - atY)}`;
    [atX, atY] = [toX, toY];
    return step;
  });
  return steps.join('') + (closed ? 'z' : '');
}

/** Hundredths as a decimal, without a zero that says nothing. */
function short(hundredths: number): string {
  return String(hundredths / 100).replace(/^(-?)0\./, '$1.');
}
