'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import type { MethodFacts } from '@/core/methods/method-facts';
import type { Limb } from '@/core/plan/topworking/limb';
import { type GraftDay, programmeWarnings, programmeYears } from '@/core/plan/topworking/programme';
import { treeView } from '@/core/plan/topworking/tree-view';
import { parseDecimal } from '@/core/units/decimal';
import { isIsoDate } from '@/core/units/iso-date';
import { formatLengthNumber, type LengthUnit } from '@/core/units/length';
import { parseLength } from '@/core/units/parse-length';
import { useAsked } from '@/ui/kit/form/use-asked';
import { useSend } from '@/ui/kit/form/use-send';

interface Plan {
  tree: string;
  species: string;
  firstYear: number;
  /** Empty in a programme that has only its year. */
  graftDay: string;
  version: number;
  limbs: Limb[];
}

export interface TreePlanProps {
  /** Null for a tree that is not saved yet. */
  id: string | null;
  plan: Plan;
  unit: LengthUnit;
  methods: MethodFacts[];
  mayChange: boolean;
}

/** Text of a limb's figures as typed. */
type Texts = Record<string, string>;

export const FIGURES = [
  ['height', 'Height'],
  ['bearing', 'Points to, °'],
  ['angle', 'Angle, °'],
  ['caliper', 'Caliper'],
] as const;

export type FigureName = (typeof FIGURES)[number][0];

/** What is in season on a day, asked of the server once the day is entered; null until it is known. */
function useGraftDay(date: string, species: string): GraftDay | null {
  const query = new URLSearchParams({ date, species }).toString();
  return useAsked<GraftDay>(isIsoDate(date) ? `/api/topworking/graft-day?${query}` : null);
}

/** A tree and its limbs as they are planned, until they are saved. */
export function useTree({ id, plan, unit, methods, mayChange }: TreePlanProps) {
  const router = useRouter();
  const { run, busy, problem } = useSend();
  const [planId] = useState(() => id ?? uuid());
  const [head, setHead] = useState({ tree: plan.tree, species: plan.species, graftDay: plan.graftDay });
  const day = useGraftDay(head.graftDay, head.species);
  const firstYear = isIsoDate(head.graftDay) ? Number(head.graftDay.slice(0, 4)) : plan.firstYear;
  const [limbs, setLimbs] = useState(plan.limbs);
  const [texts, setTexts] = useState<Texts>({});
  const warnings = programmeWarnings(limbs, unit, methods, day);
  const years = programmeYears(limbs);
  const isLength = (name: FigureName): boolean => name === 'height' || name === 'caliper';
  const shown = (limb: Limb, name: FigureName): string =>
    texts[`${limb.id}.${name}`] ?? (isLength(name) ? formatLengthNumber(limb[name], unit) : String(limb[name]));
  const read = (name: FigureName, text: string): number | null =>
    isLength(name) ? parseLength(text, unit) : parseDecimal(text);
  const change = (limbId: string, changes: Partial<Limb>): void =>
    setLimbs((all) => all.map((limb) => (limb.id === limbId ? { ...limb, ...changes } : limb)));
  const type = (limb: Limb, name: FigureName, text: string): void => {
    setTexts((all) => ({ ...all, [`${limb.id}.${name}`]: text }));
    const value = read(name, text);
    if (value !== null) change(limb.id, { [name]: value });
  };
  const unreadable = Object.entries(texts).find(
    ([key, text]) =>
      read(key.split('.').at(-1) as FigureName, text) === null &&
      limbs.some(({ id: limbId }) => key.startsWith(limbId)),
  );
  const add = (): void =>
    setLimbs((all) => [
      ...all,
      {
        id: uuid(),
        name: `Limb ${all.length + 1}`,
        height: 1000,
        bearing: (all.length * 90) % 360,
        angle: 50,
        caliper: 35,
        deed: 'leave',
        year: 1,
        method: null,
      },
    ]);
  const save = async (event: React.FormEvent): Promise<void> => {
    event.preventDefault();
    if (unreadable) return document.querySelector<HTMLElement>(`[data-key="${unreadable[0]}"]`)?.focus();
    const sent = await run('PUT', `/api/topworking/${planId}`, {
      ...head,
      firstYear,
      version: plan.version,
      limbs,
    });
    if (sent?.ok && !id) router.push(`/topworking/${planId}`);
  };
  const drawing = treeView(limbs);
  return {
    plan,
    unit,
    day,
    firstYear,
    methods,
    mayChange,
    busy,
    problem,
    head,
    setHead,
    limbs,
    setLimbs,
    warnings,
    years,
    isLength,
    shown,
    change,
    type,
    unreadable,
    add,
    save,
    drawing,
  };
}

export type TreeOnBoard = ReturnType<typeof useTree>;
