import type { DisplayList } from '../../drawing/display-list';
import { piecesView } from '../../drawing/pieces-view';
import { type Piece, toppedAt, type Workpieces } from '../../drawing/workpieces';
import { variantWith } from '../../methods/variant';
import type { Method, Wood } from '../../methods/method';
import type { Choices } from '../../methods/school';
import { piecesAfter } from '../../methods/step';
import type { VariantId } from '../../methods/use';
import { formatLength, type LengthUnit } from '../../units/length';
import { written } from '../../units/prose';
import { HEALING, HEALING_AGES, type HealingAge, type Looks } from './healing-stages';

/** A good and a failed union of one age, drawn and in words. */
export interface StagePicture {
  age: HealingAge;
  words: string;
  good: { drawing: DisplayList; words: string };
  failed: { drawing: DisplayList; words: string };
}

/** Above its bud a stock is cut back by so much, mm. Source: usual practice, aftercare. */
const ABOVE_BUD = 12;
/** Wood shown below and above the union, mm. */
const SHOWN = 14;

/**
 * How unions of a method look at two weeks, one month, two months and a year, a good one and a failed one.
 *
 * @throws InputError when calipers are none the method can draw.
 */
export function stageStrip(
  method: Method,
  { choices, wood, variant, unit }: { choices: Choices; wood: Wood; variant: VariantId; unit: LengthUnit },
): StagePicture[] {
  const { start, steps } = method.technique(choices, wood);
  const bound = piecesAfter(start, steps).at(-1)!;
  const stages = HEALING[variantWith(method, variant).wayOn];
  const drawn = (looks: Looks): StagePicture['good'] => ({
    drawing: piecesView(agedPieces(bound, looks), {
      view: 'side',
      unit,
      growth: looks.growth,
      growthNamed: looks.growth.shoot >= 50 ? `shoot ${shootWords(looks.growth.shoot, unit)}` : null,
    }),
    words: written(looks.words, unit),
  });
  return HEALING_AGES.map(({ id, words }) => ({
    age: id,
    words,
    good: drawn(stages[id].good),
    failed: drawn(stages[id].failed),
  }));
}

/** A long shoot is drawn short: its name says how long it is. */
const shootWords = (mm: number, unit: LengthUnit): string => (mm > 100 ? 'drawn short' : formatLength(mm, unit));

function agedPieces({ stock, scion, second, covers, ...rest }: Workpieces, looks: Looks): Workpieces {
  const stubbed = (piece: Piece): Piece => ({
    ...piece,
    buds: piece.buds.map((bud) => (looks.stub === 'dropped' ? { ...bud, handle: false } : bud)),
  });
  const bud = Math.max(...scion.buds.map(({ y }) => y + scion.pose.y), scion.pose.y);
  // Only a stock that goes on above its union can be cut back.
  const back = looks.headedBack && stock.goesOn.top && stock.top > bud + ABOVE_BUD;
  const left =
    looks.covers === 'none' ? [] : covers.filter(({ kind }) => kind !== 'tag' && kind !== 'driver' && kind !== 'dot');
  const low =
    Math.min(scion.pose.y + scion.foot, ...left.filter(({ on }) => on === 'stock').map(({ from }) => from)) - SHOWN;
  return {
    ...rest,
    stock: cutBelow(stubbed(back ? toppedAt(stock, bud + ABOVE_BUD) : stock), low),
    scion: stubbed(scion),
    ...(second ? { second: stubbed(second) } : {}),
    covers: left,
  };
}

/** Wood far below a union is not drawn. */
function cutBelow(stock: Piece, low: number): Piece {
  if (stock.foot >= low) return stock;
  return { ...stock, foot: low, goesOn: { ...stock.goesOn, foot: true }, buds: stock.buds.filter(({ y }) => y > low) };
}
