import type { Measures } from '@/core/methods/measures';
import type { NewWaiting } from '@/ui/kit/device/waiting-queue';
import type { BenchState } from './bench-data';
import type { OpenUnion } from './open-union';
import type { Draft } from './use-drafts';

/** The moment of saving, as the device has it. */
export interface Moment {
  /** The device's clock, ms, and what the server's is ahead of it. */
  now: number;
  clock: number;
  /** When the union was opened, ms. */
  openedAt: number;
  /** When a sheet of paper was filled in, as the form has it; null at the bench. */
  filledIn: string | null;
}

/** A judgement as it is kept on the device until the server has it. */
export function keptJudgement(
  { workshop, assessor }: Pick<BenchState, 'workshop' | 'assessor'>,
  {
    seat,
    keeper,
    methodHere,
    stage,
    number,
    called,
    entry,
  }: Pick<OpenUnion, 'seat' | 'keeper' | 'methodHere' | 'stage' | 'number' | 'called' | 'entry'>,
  { judgementId, second }: Pick<Draft, 'judgementId' | 'second'>,
  measures: Measures,
  { now, clock, openedAt, filledIn }: Moment,
): NewWaiting {
  return {
    kind: 'judgement',
    judgementId,
    workshopId: workshop.id,
    seatId: seat.id,
    number,
    called,
    assessor,
    queuedAt: now + clock,
    body: {
      workshopId: workshop.id,
      seatId: seat.id,
      kind: keeper ? 'keeper' : 'practice',
      number,
      unionId: keeper?.unionId ?? null,
      method: methodHere.id,
      variant: methodHere.variant,
      stage,
      measures,
      marks: entry.marks,
      note: entry.note,
      deviceAt: new Date(now).toISOString(),
      correctsId: entry.correctsId,
      filledInAt: filledIn === null ? null : new Date(filledIn).toISOString(),
      // How long a sheet lay about says nothing of the judging.
      seconds: filledIn === null ? Math.round((now - openedAt) / 1000) : null,
      strokes: entry.strokes,
      outlook: entry.outlook ?? null,
      outlookBy: entry.outlook ? (entry.outlookBy ?? 'assessor') : null,
      second: second !== null,
    },
  };
}

/** Why a sheet's time cannot be kept, in words; null when it can. */
export function problemOfFilledIn(filledIn: string, now: number): string | null {
  if (filledIn === '') return 'Enter when the sheet was filled in, as it says at its head.';
  if (new Date(filledIn).getTime() > now)
    return 'The sheet cannot have been filled in later than now. Check date and time.';
  return null;
}

/** What is still to be entered, as a sentence; what is wrong with a figure goes first. */
export function problemOfEntry(
  { missing, errors }: Pick<OpenUnion['read'], 'missing' | 'errors'>,
  fields: readonly { id: string; name: string }[],
): { message: string; field: string } {
  const [wrong] = Object.entries(errors);
  const names = missing.map((id) => fields.find((field) => field.id === id)!.name);
  return {
    message: wrong?.[1] ?? `Enter ${listed(names)} first; then it can be saved.`,
    field: missing[0] ?? wrong?.[0] ?? '',
  };
}

/** Names in a sentence: "a, b and c". */
function listed(names: string[]): string {
  return names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
}
