import type { Role } from '@/core/club/role';
import type { LengthUnit } from '@/core/units/length';
import type { TemperatureUnit } from '@/core/units/temperature';

export interface ClubRow {
  id: string;
  name: string;
  createdAt: Date;
  /** Letters, slips and growers' pages are written in it. */
  language: string;
}

export interface UserRow {
  id: string;
  email: string;
  name: string;
  /** Null until they chose one. */ passwordHash: string | null;
  lengthUnit: LengthUnit;
  temperatureUnit: TemperatureUnit;
}

export interface MembershipRow {
  clubId: string;
  userId: string;
  role: Role;
  /** Of the private address of their calendar; null where they have none. */
  calendarHash: string | null;
}

export interface SessionRow {
  tokenHash: string;
  /** What the session is called towards its owner; the token is told to nobody. */
  id: string;
  userId: string;
  clubId: string;
  createdAt: Date;
  expiresAt: Date;
  /** Last call, to the nearest minutes. */
  seenAt: Date;
  /** When the password was last entered in it. */
  confirmedAt: Date | null;
  /** Browser and system, in words. */
  device: string;
  /** A bench is kept on the device for no reception, so it may stay away for days. */
  keptOffline: boolean;
}

export interface PasswordLinkRow {
  tokenHash: string;
  userId: string;
  purpose: 'forgotten' | 'hand-over';
  createdAt: Date;
  expiresAt: Date;
  usedAt: Date | null;
}

export interface AccountLetterRow {
  id: string;
  userId: string;
  subject: string;
  state: 'queued' | 'delivered';
  createdAt: Date;
}

export interface InvitationRow {
  clubId: string;
  userId: string;
  role: Role;
  invitedBy: string;
  invitedAt: Date;
}

export interface NameTraceRow {
  id: string;
  clubId: string;
  tableName: string;
  rowKey: string;
  columnName: string;
  foundAt: Date;
  settledAt: Date | null;
}

export interface KnownNetworkRow {
  userId: string;
  networkHash: string;
  seenAt: Date;
}

export interface PersonRow {
  id: string;
  clubId: string;
  name: string | null;
  email: string | null;
  phone: string | null;
  mayContact: boolean;
  erasedAt: Date | null;
  /** In which they are written to; empty for the club's. */
  language: string;
}

export interface AuditRow {
  seq: number;
  clubId: string;
  actorId: string | null;
  action: string;
  subjectId: string;
  at: Date;
}
