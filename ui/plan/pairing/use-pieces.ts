'use client';

import { useRef, useState } from 'react';
import { v7 as uuid } from 'uuid';
import type { LengthUnit } from '@/core/units/length';
import { parseLength } from '@/core/units/parse-length';
import { useSend } from '@/ui/kit/form/use-send';

export interface Piece {
  id: string;
  kind: 'stick' | 'stock';
  lotId: string;
  number: number;
  caliper: number;
  usableBuds: number | null;
}

export interface MeasuringProps {
  workshopId: string;
  kind: 'stick' | 'stock';
  lots: { id: string; name: string }[];
  pieces: Piece[];
  unit: LengthUnit;
  mayChange: boolean;
}

/** Pieces that are measured one after the other, or read from a file. */
export function usePieces({ workshopId, kind, lots, pieces, unit, mayChange }: MeasuringProps) {
  const { run, busy, problem, setProblem } = useSend();
  const [lotId, setLotId] = useState(lots[0]?.id ?? '');
  const [typed, setTyped] = useState('');
  const [buds, setBuds] = useState('');
  const [notes, setNotes] = useState<string | null>(null);
  const pieceId = useRef(uuid());
  const field = useRef<HTMLInputElement>(null);
  const [single, many] = kind === 'stick' ? ['stick', 'sticks'] : ['stock', 'stocks'];
  const add = async (event: React.FormEvent): Promise<void> => {
    event.preventDefault();
    const caliper = parseLength(typed, unit);
    if (caliper === null) {
      setProblem({ message: `"${typed.slice(0, 20)}" is no caliper. Measure again.`, fields: {} });
      // What the caliper sends next takes its place.
      return field.current?.select();
    }
    const sent = await run('PUT', `/api/workshops/${workshopId}/pieces/${pieceId.current}`, {
      kind,
      lotId,
      caliper: Math.round(caliper * 100) / 100,
      usableBuds: buds,
    });
    if (!sent) return;
    if (sent.ok || sent.status === 422) pieceId.current = uuid();
    if (sent.ok) setTyped('');
    // Ready for the next one without a hand to the mouse.
    field.current?.focus();
    field.current?.select();
  };
  const read = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    setNotes(null);
    const form = new FormData();
    for (const [name, value] of Object.entries({ kind, lotId, importId: uuid() })) form.set(name, value);
    form.set('file', file);
    const sent = await run<{ added: number; notes: string[] }>('POST', `/api/workshops/${workshopId}/pieces`, form);
    if (sent?.ok) setNotes([`${sent.data.added} ${many} read.`, ...sent.data.notes].join(' '));
  };
  return {
    workshopId,
    kind,
    lots,
    pieces,
    unit,
    mayChange,
    run,
    busy,
    problem,
    lotId,
    setLotId,
    typed,
    setTyped,
    buds,
    setBuds,
    notes,
    field,
    single,
    many,
    add,
    read,
  };
}

export type PiecesMeasured = ReturnType<typeof usePieces>;
