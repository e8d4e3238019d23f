import type { FieldValues } from 'react-hook-form';
import { estimateSource, normalsFromFrosts } from '@/core/plan/climate/normals-from-frosts';
import { isMonthDay } from '@/core/units/month-day';
import { fromCelsius, type TemperatureUnit } from '@/core/units/temperature';

/** What is typed, with its temperatures estimated from the dates; as it is where the dates do not allow that. */
export function estimated(typed: FieldValues, hemisphere: 'north' | 'south', unit: TemperatureUnit): FieldValues {
  const [lastFrost, firstFrost, appleBloom] = ['lastFrost', 'firstFrost', 'appleBloom'].map((name) =>
    String(typed[name] ?? '').trim(),
  ) as [string, string, string];
  if (!isMonthDay(lastFrost) || !isMonthDay(firstFrost)) return typed;
  try {
    const bloom = isMonthDay(appleBloom) ? appleBloom : null;
    const { low, high } = normalsFromFrosts({ hemisphere, lastFrost, firstFrost, appleBloom: bloom });
    const shown = (list: number[]): string[] => list.map((degrees) => String(fromCelsius(degrees, unit)));
    return {
      ...typed,
      normals: { low: shown(low), high: shown(high) },
      source: estimateSource(bloom),
    };
  } catch {
    return typed;
  }
}

/** Whether no temperature was entered at all. */
export const isBlank = ({ normals }: FieldValues): boolean =>
  Object.values(normals as Record<string, string[]>)
    .flat()
    .every((text) => text.trim() === '');
