import { BUD_COUNTS } from '../bud-counts';
import type { Vertex } from '../../drawing/workpieces';
import { type SlopeLength, slopeLength } from '../common/slope-length';
import { slopeFilm, type SlopingCut, slopingCut } from '../common/sloping-cut';
import type { Wood } from '../method';
import { chosen, type Choices } from '../school';
import { FILM_WHEN } from '../schools/of-covering';
import { BUDS, TONGUE, WHIP_LENGTH } from '../schools/of-cutting';
import { BLEEDING } from '../schools/of-kin';

/** A scion so much thinner than its stock is set on a slice of its own width. No source: a guess. */
const MUCH_THINNER = 0.6;

/** Length of both cuts for a choice of schools: bleeding stocks go before the school. */
export function lengthFor(choices: Choices, wood: Wood): SlopeLength {
  const bleeds = chosen(choices, BLEEDING) === 'bleeds';
  return slopeLength(bleeds ? 'bleeding' : chosen(choices, WHIP_LENGTH), wood, 3.5);
}

/** Where the tongues lie on the cuts: as slits while apart, and as corners of one seam when they have gone home. */
function tongues(cut: SlopingCut, { stock, scion }: Wood, middle: boolean) {
  const third = middle ? 6 : cut.length / 3;
  const start = middle ? 0.5 : 2 / 3;
  const on = (rise: number, diameter: number, s: number, off: number): { x: number; y: number } => ({
    x: (-diameter / cut.length) * s + (rise / cut.length) * off,
    y: rise / 2 + (rise / cut.length) * s + (diameter / cut.length) * off,
  });
  const thick = (third / 2) * Math.sin(Math.asin(Math.min(stock, scion) / cut.length)) * 0.8;
  const seam = (rise: number, diameter: number, depth: (x: number) => number): Vertex[] =>
    [on(rise, diameter, third / 2, -thick), on(rise, diameter, -third / 2, thick)].map(({ x, y }): Vertex => [
      y,
      depth(x),
    ]);
  const along = (rise: number): number => third * (rise / cut.length);
  return {
    length: third,
    stockSlit: [
      [start * cut.rise.stock, start * stock],
      [start * cut.rise.stock - along(cut.rise.stock), start * stock - 0.5],
    ] as Vertex[],
    scionSlit: [
      [(1 - start) * cut.rise.scion, start * scion],
      [(1 - start) * cut.rise.scion + along(cut.rise.scion), start * scion - 0.5],
    ] as Vertex[],
    // Both are the same seam, told from either piece.
    stockSeam: seam(cut.rise.stock, stock, (x) => stock / 2 - x),
    scionSeam: seam(cut.rise.scion, scion, (x) => x + scion / 2),
  };
}

/** What the steps are drawn from, for a choice of schools and a pair of wood; lengths in mm. */
export function cutsOf(choices: Choices, wood: Wood) {
  const { stock, scion } = wood;
  const buds = chosen(choices, BUDS);
  const by = lengthFor(choices, wood);
  const cut = slopingCut(wood, wood.length ?? by.aim, BUD_COUNTS.get(buds)!);
  const middleTongue = chosen(choices, TONGUE) === 'middle';
  const filmFirst = chosen(choices, FILM_WHEN) === 'before';
  return {
    choices,
    stock,
    scion,
    buds,
    by,
    cut,
    middleTongue,
    tongue: tongues(cut, wood, middleTongue),
    /** How far the scion's green line lies inside the stock's when it stands in the middle. */
    inset: stock / 2 - wood.stockBark - (scion / 2 - wood.scionBark),
    muchThinner: scion < MUCH_THINNER * stock,
    filmFirst,
    film: slopeFilm(cut, filmFirst),
  };
}

export type Cuts = ReturnType<typeof cutsOf>;
