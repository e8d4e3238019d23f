import { TOLERANCE } from '@/core/units/tolerance';
import type { Method, Wood } from '../methods/method';
import { woodOf } from '../methods/shown-technique';
import type { StockRange } from '../methods/stock-ranges';
import { thinnestStock } from '../methods/use';
import { formatLength, type LengthUnit } from '../units/length';
import { saidLength } from '../units/prose';

/** Wood that a knife still faces well, mm; no source. */
const THINNEST_FACED = 4;

export interface FittingWood {
  wood: Wood;
  /** Why the calipers asked for are not drawn, and what to do instead; null when they are. */
  problem: string | null;
}

/**
 * Calipers a method can be drawn with: those asked for, or its usual ones with a word on what to do instead.
 *
 * @param ranges stocks of the methods that may be done instead.
 */
export function fittingWood(
  method: Method,
  asked: { stock: number | null; scion: number | null },
  unit: LengthUnit,
  ranges: readonly StockRange[],
): FittingWood {
  const usual = woodOf(method.shownWith);
  const stock = asked.stock ?? method.shownWith.stock;
  const scion =
    asked.scion ?? (asked.stock === null ? method.shownWith.scion : Math.round(scionFor(method, stock) * 10) / 10);
  const length = (mm: number): string => formatLength(mm, unit);
  const { use } = method;
  const refuse = (problem: string): FittingWood => ({ wood: usual, problem });
  if (!(stock > 0) || !(scion > 0)) return refuse('A caliper is more than 0. Measure across the bark.');
  const thinnest = thinnestStock(use.stock);
  if (stock < thinnest - TOLERANCE)
    return refuse(
      `${method.name} is done on stocks of ${length(thinnest)} and more. On ${length(stock)}: ${instead(method, stock, ranges)}.`,
    );
  if (stock > use.stock.to + TOLERANCE && !(use.stock.thicker && stock <= 100))
    return refuse(
      `${method.name} is done on stocks up to ${length(use.stock.to)}. On ${length(stock)}: ${instead(method, stock, ranges)}.`,
    );
  if (use.ratio && scion < use.ratio.from * stock - TOLERANCE)
    return refuse(
      `The scion is too thin for this stock: ${length(use.ratio.from * stock)} or more would do. Or take a thinner place on the stock.`,
    );
  if (use.ratio && scion > use.ratio.to * stock + TOLERANCE)
    return refuse(
      `The scion is too thick for this stock: ${length(use.ratio.to * stock)} or less would do. Or take a thicker place on the stock.`,
    );
  if (scion > 40)
    return refuse(
      `A scion of ${length(scion)} is a limb. Take last year’s wood, ${saidLength({ mm: 6, to: 10 }, unit)}.`,
    );
  if (!use.ratio && scion < THINNEST_FACED - 1)
    return refuse(
      `Wood of ${length(scion)} is thinner than a knife can face. Take ${saidLength({ mm: THINNEST_FACED }, unit)} or more.`,
    );
  return { wood: woodOf({ stock, scion }), problem: null };
}

function scionFor(method: Method, stock: number): number {
  const { ratio } = method.use;
  const share = method.shownWith.scion / method.shownWith.stock;
  if (!ratio) return Math.min(stock, 9);
  return Math.min(12, stock * ratio.to, Math.max(stock * ratio.from, stock * share, THINNEST_FACED));
}

/** Methods that a stock of this caliper suits. */
function instead(method: Method, stock: number, ranges: readonly StockRange[]): string {
  const others = ranges
    .filter(
      (other) =>
        other.id !== method.id &&
        stock >= thinnestStock(other.stock) &&
        (stock <= other.stock.to || other.stock.thicker),
    )
    .map(({ inSentence }) => inSentence);
  return others.length > 0
    ? `take ${others.slice(0, -1).join(', ')}${others.length > 1 ? ' or ' : ''}${others.at(-1)}`
    : 'no method is done; take another stock';
}
