import type { CauseTables } from '@/core/findings/causes/cause-tables';
import type { LikelyCause } from '@/core/findings/causes/diagnose';

/** An answer of the guide that asks why a union died. */
export interface CauseLookRow {
  seq: number;
  id: string;
  clubId: string;
  unionId: string;
  code: string;
  note: string;
  seenOn: string;
  seenBy: string;
  recordedAt: Date;
  takenBackAt: Date | null;
}

/** Evidence that is not to be believed of one union. */
export interface StruckEvidenceRow {
  id: string;
  clubId: string;
  unionId: string;
  code: string;
  reason: string;
  struckBy: string;
  struckAt: Date;
  restoredAt: Date | null;
  /** Union and code while it stands. */
  liveKey: string | null;
}

/** A cause that a person settled; what had been computed then is kept beside it. */
export interface SettledCauseRow {
  id: string;
  clubId: string;
  unionId: string;
  /** A cause of the tables; empty where it was settled as not known. */
  cause: string;
  reason: string;
  /** `blind`: it was settled before anybody saw this. */
  computed: { verdict: string | null; likely: LikelyCause[]; blind?: boolean };
  tablesVersion: number;
  settledBy: string;
  settledAt: Date;
  withdrawnAt: Date | null;
  liveUnionId: string | null;
}

/** A club's own tables of causes, whole, in one of its versions. */
export interface CauseTablesRow {
  id: string;
  clubId: string;
  version: number;
  body: CauseTables;
  source: string;
  changedBy: string;
  changedAt: Date;
}
